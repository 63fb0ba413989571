import * as z from 'zod';
import { aDay, aPlan, at, drive } from '../testing/small-day';
import { dayFile, type DayFile } from './day-file';
import { emptyPlan } from './empty-plan';
import { planFile } from './plan-file';
import { parseJson } from '../values';

const file = (change: (day: DayFile) => void = () => undefined): string => {
  const day = z.encode(dayFile, aDay());
  change(day);
  return JSON.stringify(day);
};
const faults = (text: string) => {
  const parsed = parseJson(text, dayFile);
  return parsed.ok ? [] : parsed.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('The day file', () => {
  it('comes back from its text as it was', () => {
    const parsed = parseJson(file(), dayFile);
    expect(parsed.ok && parsed.value).toEqual(aDay());
  });

  it('may begin with a byte order mark', () => {
    expect(parseJson(`\uFEFF${file()}`, dayFile).ok).toBe(true);
  });

  it('names an unknown key by its path', () => {
    const text = file((day) => Object.assign(day.guests[0]!.drives[0]!, { lap: 5 }));
    expect(faults(text)).toEqual(['guests[0].drives[0].lap: unknown key']);
  });

  it('names every fault, each with its path', () => {
    const text = file((day) => {
      day.opens = '8:00';
      day.cars[0]!.level = 6;
      day.guests[0]!.drives[0]!.laps = 0;
    });
    expect(faults(text).map((line) => line.split(':')[0])).toEqual([
      'opens',
      'cars[0].level',
      'guests[0].drives[0].laps',
    ]);
  });

  it('refuses a window that ends before it begins, and fuel below the reserve', () => {
    expect(faults(file((day) => (day.cars[0]!.available[0] = { from: '12:00', to: '09:00' })))).toEqual([
      'cars[0].available[0].from: expected "from" to be before "to"',
    ]);
    expect(faults(file((day) => (day.cars[0]!.fuel.startL = 5)))).toEqual([
      'cars[0].fuel.startL: expected startL to be at least reserveL',
    ]);
  });

  it('refuses ids that stand twice and time zones that do not exist', () => {
    expect(faults(file((day) => day.cars.push(day.cars[0]!)))).toEqual([
      'cars[1].id: expected a unique id, "c1" stands twice',
    ]);
    expect(faults(file((day) => (day.timeZone = 'Atlantic/Nowhere'))).length).toBe(1);
  });

  it('allows a drive to name a car that has been withdrawn', () => {
    expect(faults(file((day) => (day.cars = [])))).toEqual([]);
  });

  it('takes 24:00 for the end of the day and nothing after it', () => {
    expect(faults(file((day) => (day.closes = '24:00')))).toEqual([]);
    expect(faults(file((day) => (day.closes = '24:01'))).length).toBe(1);
  });

  it('is one fault where it is no JSON', () => {
    expect(faults('{').length).toBe(1);
  });
});

describe('The plan file', () => {
  it('writes whole minutes as HH:MM and others with seconds', () => {
    const plan = aPlan({ drives: [drive('10:05:15'), drive('11:00', { drive: 'd2', heldUntil: at('11:20:30') })] });
    const text = z.encode(planFile, plan);
    expect(text.drives.map(({ release, heldUntil }) => [release, heldUntil])).toEqual([
      ['10:05:15', undefined],
      ['11:00', '11:20:30'],
    ]);
    expect(planFile.parse(text)).toEqual(plan);
  });

  it('wants a reason for what is left out', () => {
    const text = JSON.stringify({ ...emptyPlan('2027-05-22'), unplanned: [{ drive: 'd1', reason: '' }] });
    const parsed = parseJson(text, planFile);
    expect(parsed.ok ? [] : parsed.faults).toEqual([{ path: 'unplanned[0].reason', message: 'expected a reason' }]);
  });
});
