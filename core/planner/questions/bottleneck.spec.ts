import fc from 'fast-check';
import { layOut, type Day } from '../../day';
import { randomDay } from '../../testing/random-day';
import { inEnglish } from '../../testing/in-english';
import { aCar, aDay, aPlan, at, drive } from '../../testing/small-day';
import { bottleneckOf } from './bottleneck';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';

const day = (more: Partial<Day> = {}) => aDay({ cars: [aCar({ name: 'Dunnock Cup' })], ...more });
const loads = (of: Day, ...releases: string[]) =>
  bottleneckOf(layOut(of, aPlan({ drives: releases.map((release) => drive(release)) })));
const quarterOf = (found: ReturnType<typeof loads>, time: string) => found.quarters.indexOf(at(time));

describe('What limits a day', () => {
  it('is nothing as long as nothing is planned', () => {
    expect(inEnglish(day()).limit(loads(day()).limits)).toBe('Nothing is planned yet, so nothing limits the day.');
  });

  it('counts a drive in its car with its turnaround, on the circuit only between release and return', () => {
    const found = loads(day(), '10:00');
    const of = (kind: string) => found.resources.find((one) => one.kind === kind)!;
    const { setUpS, turnaroundS } = day().rules;
    const before = quarterOf(found, '09:45');
    expect(of('car').used[before]).toBeCloseTo(setUpS / 900, 9);
    expect(of('circuit').used[before]).toBe(0);
    expect(of('circuit').used[before + 1]! * day().rules.maxCarsOnTrack * 900).toBeCloseTo(400, 6);
    const held = of('car').used.reduce<number>((sum, share) => sum + (share ?? 0) * 900, 0);
    expect(held).toBeGreaterThanOrEqual(setUpS + 400 + turnaroundS);
  });

  it('has no share where a thing is not there: a closed circuit, a car before it comes', () => {
    const closures = [{ from: at('12:00'), to: at('13:00') }];
    const { circuit } = day();
    const cars = [aCar({ available: [{ from: at('10:00'), to: at('18:00') }] })];
    const found = loads(day({ circuit: { ...circuit, closures }, cars }), '10:30');
    const of = (kind: string) => found.resources.find((one) => one.kind === kind)!;
    expect(of('releases').used[quarterOf(found, '12:30')]).toBeUndefined();
    expect(of('releases').used[quarterOf(found, '13:00')]).toBe(0);
    expect(of('car').used[quarterOf(found, '09:45')]).toBeUndefined();
    expect(of('car').used[quarterOf(found, '10:00')]).toBe(0);
  });

  it('is one car where that is booked out, whatever the others have left', () => {
    const cars = [
      aCar({ name: 'Dunnock Cup', available: [{ from: at('10:00'), to: at('10:15') }] }),
      aCar({ id: 'c2' }),
    ];
    const found = loads(day({ cars }), '10:02');
    expect(found.limits).toEqual(jasmine.objectContaining({ code: 'car', subjects: { car: 'c1' } }));
    expect(inEnglish(day({ cars })).limit(found.limits)).toMatch(
      /^Dunnock Cup limits the day: \d+ % of its time is taken\.$/,
    );
  });

  it('is never more than there is, on any day that is planned by the rules', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 5, max: 40 }), (seed, drives) => {
        const random = randomDay(seededRandom(seed), { drives });
        const { plan } = planDay(random, { iterations: 20, random: seededRandom(seed) });
        const { quarters, resources, limits } = bottleneckOf(layOut(random, plan));
        for (const { used, overall, id, kind } of resources) {
          const most = Math.max(...used.map((share) => share ?? 0), overall);
          // A turnaround may run past the time for which a car is there.
          if (kind !== 'car')
            expect(most)
              .withContext(`${seed} ${id}`)
              .toBeLessThanOrEqual(1 + 1e-9);
          expect(Math.min(...used.map((share) => share ?? 0), overall)).toBeGreaterThanOrEqual(0);
          expect(used.length).toBe(quarters.length);
        }
        if (plan.drives.length > 0)
          expect(resources.some(({ id }) => (Object.values(limits.subjects) as string[]).includes(id))).toBeTrue();
      }),
      { numRuns: 25 },
    );
  });
});
