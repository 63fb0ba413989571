import { TestBed } from '@angular/core/testing';
import { ORDINARY_COACHING, carFields, venueFields } from '@core/api';
import { instructor } from '@core/day';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive, ORDINARY_RULES } from '@core/testing/small-day';
import * as z from 'zod';
import { Bookings } from '../bookings/bookings';
import { Cars } from '../cars/cars';
import { Crew } from '../crew/crew';
import { VenueClock } from '../data/venue-clock';
import { circuitLoad } from '../drawing/circuit-load';
import { RulesScreen } from '../rules/rules';
import { Ask } from '../shell/ask';
import { DayPicker } from '../shell/day-picker';
import { DemoClock } from '../shell/demo-clock';
import { aBooking, FakeDay, show } from './fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });
const plan = aPlan({ drives: [drive('10:00')] });
const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);
const settle = () => new Promise((resolve) => setTimeout(resolve));

describe('The cars', () => {
  async function cars(data: FakeDay) {
    const shown = await show(Cars, data);
    const list = day.cars.map((car, place) => ({
      id: car.id,
      version: 3,
      fields: { ...z.encode(carFields, { ...car, number: place + 1 }) },
    }));
    shown.http.expectOne('/api/cars').flush({ cars: list });
    await settle();
    await shown.fixture.whenStable();
    return shown;
  }

  it('are held with a reason, and ready again', async () => {
    const data = dayAt('10:00');
    const { press, text, fixture } = await cars(data);
    await press('Hold Sabrel R');
    TestBed.inject(Ask).settle('  tyre cut ');
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('held: tyre cut');
    await press('Ready again');
    expect(data.kinds()).toEqual(['carHeld', 'carReady']);
  });

  it('are not held where the person thinks better of it', async () => {
    const data = dayAt('10:00');
    const { press } = await cars(data);
    await press('Hold Sabrel R');
    TestBed.inject(Ask).settle('   ');
    await settle();
    expect(data.kinds()).toEqual([]);
  });

  it('are refuelled one at a time where there is one bay', async () => {
    const data = dayAt('10:00');
    const { press } = await cars(data);
    await press('Refuel Sabrel R');
    await press('Refuel Dunnock Cup');
    expect(data.refused).toEqual(['All 1 refuel bays are taken.']);
    await press('Refuelled');
    expect(data.kinds()).toEqual(['refuelBegan', 'refuelEnded']);
  });

  it('are edited at the version they were read with', async () => {
    const { press, http, fixture } = await cars(dayAt('10:00'));
    await press('Edit car 2');
    await fixture.whenStable();
    const name = document.querySelector<HTMLInputElement>('#field-name')!;
    name.value = 'Sabrel R 2';
    name.dispatchEvent(new Event('input'));
    document.querySelector('form')!.dispatchEvent(new Event('submit'));
    const { body, method } = http.expectOne('/api/cars/c2').request;
    expect([method, body.version, body.fields.name, body.fields.available]).toEqual([
      'PUT',
      3,
      'Sabrel R 2',
      [{ from: '08:00', to: '18:00' }],
    ]);
  });
});

describe('The crew', () => {
  it('goes on a break and comes back, and has a sheet to print', async () => {
    const data = dayAt('10:00');
    const { press, text, element, http, fixture } = await show(Crew, data);
    http
      .expectOne('/api/instructors')
      .flush({ instructors: [{ id: 'i1', version: 1, fields: z.encode(instructor, anInstructor()) }] });
    await settle();
    await fixture.whenStable();
    await press('Anselm Holt goes to the meal');
    expect(text()).toContain('at meal');
    await press('Anselm Holt is back');
    expect(text()).toContain('free');
    const links = [...element.querySelectorAll('a')].map((link) => link.getAttribute('href'));
    expect(links).toEqual([
      '/api/days/2027-05-22/sheets/day.pdf',
      '/api/days/2027-05-22/sheets/desk.pdf',
      '/api/days/2027-05-22/sheets/instructors/i1.pdf',
    ]);
  });
});

describe('The rules', () => {
  const venue = z.encode(venueFields, {
    name: 'Test field',
    timeZone: 'Atlantic/Faroe',
    currency: 'EUR',
    opens: at('08:30'),
    closes: at('18:00'),
    condition: { name: 'dry', paceFactor: 1 },
    circuit: {
      name: 'Loop',
      lapLengthM: 2000,
      closures: [{ from: at('12:30'), to: at('13:00'), reason: 'quiet half-hour' }],
    },
    rules: ORDINARY_RULES,
    paces: { first: 1.25, before: 1.12, quick: 1 },
    sightingVehicles: [],
    pitExit: { lastCheck: ['Strap'] },
    coaching: ORDINARY_COACHING,
  });

  it('are saved as they stand, with what no field shows', async () => {
    const { element, http, fixture } = await show(RulesScreen, dayAt('10:00'));
    http.expectOne('/api/venue').flush({ version: 7, fields: venue });
    await settle();
    await fixture.whenStable();
    const closes = element.querySelector<HTMLInputElement>('#field-closes')!;
    closes.value = '19:00';
    closes.dispatchEvent(new Event('input'));
    element.querySelector('form')!.dispatchEvent(new Event('submit'));
    const { body } = http.expectOne('/api/venue').request;
    // Where the rules do not say, the lap out counts; saving must not turn that round.
    const rules = { ...venue.rules, outLapCounts: true };
    expect(body).toEqual({ version: 7, fields: { ...venue, closes: '19:00', rules } });
  });
});

describe('The bookings', () => {
  it('are found by a part of the name, and say where the guest is', async () => {
    const data = dayAt('10:00');
    data.clear('g1', '09:00');
    const { text, element, fixture } = await show(Bookings, data);
    expect(text()).toContain('Ines Faro');
    expect(text()).toContain('waiting at the cars');
    const search = element.querySelector<HTMLInputElement>('input[type=search]')!;
    search.value = 'nobody';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(text()).toContain('No booking is called that.');
  });
});

describe('The event days', () => {
  it('are chosen, and another one is added', async () => {
    const data = Object.assign(dayAt('10:00'), {
      opened: [] as string[],
      open(date: string) {
        this.opened.push(date);
      },
      addDay: (date: string) => ({ subscribe: ({ next }: { next: () => void }) => next(), date }),
    });
    data.days.set([{ date: '2027-05-22', bookings: 40, drives: 61, revision: 2 }]);
    const { fixture } = await show(DayPicker, data, { open: true });
    await fixture.whenStable();
    const dialog = document.querySelector('[role=dialog]')!;
    expect(dialog.textContent).toContain('40 bookings, 61 drives, plan 2');
    const input = dialog.querySelector<HTMLInputElement>('#new-day')!;
    input.value = '2027-05-23';
    input.dispatchEvent(new Event('input'));
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    expect(data.opened).toEqual(['2027-05-23']);
  });
});

describe('The demo clock', () => {
  it('shows its rate, and asks the server for another', async () => {
    const { press, http, element, fixture } = await show(DemoClock, dayAt('10:00'));
    TestBed.inject(VenueClock).take({ date: '2027-05-22', secondsOfDay: 40_200, rate: 1, adjustable: true });
    await fixture.whenStable();
    const pressed = () =>
      [...element.querySelectorAll('[aria-pressed=true]')].map((button) => button.textContent?.trim());
    expect(pressed()).toEqual(['1×']);
    await press('Sixty times as fast');
    const request = http.expectOne('/api/clock');
    expect(request.request.body).toEqual({ rate: 60 });
    request.flush({ date: '2027-05-22', secondsOfDay: 40_200, rate: 60, adjustable: true });
    await fixture.whenStable();
    expect(pressed()).toEqual(['60×']);
  });
});

describe('The load of the circuit', () => {
  it('is what was driven up to now, and what is planned from then on', () => {
    const data = new FakeDay(aDay({ guests: [aGuest()] }), plan, '09:00');
    const at10 = (steps: ReturnType<typeof circuitLoad>) => steps.find(({ fromS }) => fromS === at('10:00'))!;
    expect(at10(circuitLoad(data.context(), data.state(), 300))).toEqual({
      fromS: at('10:00'),
      most: 1,
      driven: false,
    });
    // An hour later nothing has been entered: the drive did not take place.
    data.clockS.set(at('11:00'));
    expect(at10(circuitLoad(data.context(), data.state(), 300))).toEqual({ fromS: at('10:00'), most: 0, driven: true });
  });
});
