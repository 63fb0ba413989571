import fc from 'fast-check';
import { checkPlan, judgeOf } from '../rules';
import { costOf } from '../cost';
import { layOut, type Day, type Plan } from '../day';
import { randomDay } from '../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { acceptInPart } from './questions/accept-in-part';
import { carsFor } from './questions/assignment';
import { leaveOut, moveDrive, moveGroup, restated, shiftDrives, swapDrives } from './questions/edits';
import { planDay } from './search/plan-day';
import { seededRandom } from './place/random';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({ drives: [{ id: 'd1', cars: ['c1', 'c2'], laps: 5 }] }),
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] }),
  ],
});
const plan = aPlan({ drives: [drive('10:00'), drive('10:40', { drive: 'd2', car: 'c2', instructor: 'i2' })] });

describe('Changing a plan by hand', () => {
  it('moves a drive in time, car and instructor, and what ran late does not come along', () => {
    const late = aPlan({ drives: [drive('10:00', { heldUntil: at('10:30') })] });
    expect(moveDrive(late, 'd1', { release: at('11:00'), car: 'c2' }).drives).toEqual([
      { drive: 'd1', car: 'c2', instructor: 'i1', release: at('11:00') },
    ]);
  });

  it('gives a drive without a place one only where car, instructor and time are said', () => {
    const without = leaveOut(plan, 'd1', 'asked to go later');
    expect([without.drives.length, without.unplanned]).toEqual([1, [{ drive: 'd1', reason: 'asked to go later' }]]);
    expect(moveDrive(without, 'd1', { release: at('12:00') })).toBe(without);
    const back = moveDrive(without, 'd1', { release: at('12:00'), car: 'c1', instructor: 'i1' });
    expect([back.drives.length, back.unplanned.length]).toEqual([2, 0]);
  });

  it('shifts several together', () => {
    const shifted = shiftDrives(plan, new Set(['d1', 'd2']), 600);
    expect(shifted.drives.map(({ release }) => release)).toEqual([at('10:10'), at('10:50')]);
  });

  it('lets two change places, each keeping its car where the other one is not allowed', () => {
    const swapped = swapDrives(day, plan, 'd1', 'd2').drives;
    expect(swapped).toEqual([
      { drive: 'd1', car: 'c1', instructor: 'i2', release: at('10:40') },
      { drive: 'd2', car: 'c2', instructor: 'i1', release: at('10:00') },
    ]);
    const either = {
      ...day,
      guests: day.guests.map((guest) => ({
        ...guest,
        drives: guest.drives.map((it) => ({ ...it, cars: ['c1', 'c2'] })),
      })),
    };
    expect(swapDrives(either, plan, 'd1', 'd2').drives.map(({ car }) => car)).toEqual(['c2', 'c1']);
    expect(swapDrives(day, plan, 'd1', 'none')).toBe(plan);
  });

  it('is judged by what it breaks anew, and by what it costs more', () => {
    const judge = judgeOf(day, plan);
    expect(judge.of(moveDrive(plan, 'd1', { release: at('10:20') }))).toEqual({ broken: [], costs: 60 });
    const tooEarly = moveDrive(plan, 'd1', { release: at('09:00') });
    expect(judge.of(tooEarly).broken.map(({ code }) => code)).toEqual(['GUEST_PRESENT']);
    // Once it stands, it is no obstacle to the next change.
    expect(judgeOf(day, tooEarly).of(moveDrive(tooEarly, 'd2', { release: at('11:00') })).broken).toEqual([]);
  });
});

describe('A step that is taken back', () => {
  it('restores what it changed, whatever was changed', () => {
    const days = fc.record({ seed: fc.nat({ max: 40 }), byS: fc.integer({ min: -600, max: 600 }), out: fc.boolean() });
    fc.assert(
      fc.property(days, ({ seed, byS, out }) => {
        const base = randomDay(seededRandom(seed), { drives: 12 });
        const before = planDay(base, { iterations: 5, random: seededRandom(seed) }).plan;
        const [one, other] = before.drives.map((planned) => planned.drive);
        const moved = shiftDrives(before, new Set([one!, other!]), byS);
        const after = out ? leaveOut(moved, one!, 'asked to go later') : moved;
        const sorted = (of: Plan) => ({
          ...of,
          drives: [...of.drives].sort((a, b) => (a.drive < b.drive ? -1 : 1)),
          unplanned: [...of.unplanned].sort((a, b) => (a.drive < b.drive ? -1 : 1)),
        });
        expect(sorted(restated(after, after, before))).toEqual(sorted(before));
        expect(sorted(restated(before, before, after))).toEqual(sorted(after));
      }),
      { numRuns: 20 },
    );
  });

  it('leaves alone what has slid since', () => {
    const after = shiftDrives(plan, new Set(['d1']), 600);
    const refuel = { car: 'c1', start: at('11:00') };
    const slid = { ...shiftDrives(after, new Set(['d2']), 120), refuels: [refuel] };
    const back = restated(slid, after, plan);
    expect(back.drives.map(({ release }) => release)).toEqual([at('10:00'), at('10:42')]);
    expect(back.refuels).toEqual([refuel]);
  });

  it('puts a group back too', () => {
    const crew = [{ role: 'lead' as const, instructor: 'i1' }];
    const groups = [{ group: 'train', release: at('10:00'), cars: ['c1'], crew }];
    const withGroup: Plan = { ...plan, version: 2, groups, unplannedGroups: [] };
    const after = moveGroup(withGroup, 'train', at('11:00'));
    expect(after.groups![0]!.release).toBe(at('11:00'));
    expect(restated(after, after, withGroup)).toEqual(withGroup);
  });
});

describe('Accepting a proposal in part', () => {
  const proposal = moveDrive(moveDrive(plan, 'd1', { release: at('09:10') }), 'd2', { release: at('09:20') });

  it('takes the chosen drives as proposed, and leaves the others where they are', () => {
    const outcome = acceptInPart({ day, plan, repair: undefined }, proposal, new Set(['d2']));
    if (!outcome.valid) throw new Error(outcome.broken[0]!.code);
    expect(outcome.plan.drives.map(({ release }) => release).sort()).toEqual([at('09:20'), at('10:00')].sort());
    expect(outcome.costs).toBeLessThan(0);
  });

  it('says which rule a part breaks that cannot stand alone', () => {
    const both = moveDrive(plan, 'd1', { release: at('10:40'), car: 'c2', instructor: 'i2' });
    const swapped = moveDrive(both, 'd2', { release: at('11:30') });
    const outcome = acceptInPart({ day, plan, repair: undefined }, swapped, new Set(['d1']));
    expect(outcome.valid).toBe(false);
    if (!outcome.valid) expect(outcome.broken.map(({ code }) => code)).toContain('CAR_FREE');
  });

  it('is the proposal where all is chosen, the current plan where nothing is, and valid in between or refused', () => {
    fc.assert(
      fc.property(fc.nat(), fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }), (seed, wanted) => {
        const random: Day = randomDay(seededRandom(seed), { drives: 12 });
        const current = planDay(random, { random: seededRandom(1), iterations: 0 }).plan;
        const found = planDay(random, { random: seededRandom(2), iterations: 60 }).plan;
        const from = { day: random, plan: current, repair: undefined };
        const ids = random.guests.flatMap(({ drives }) => drives.map(({ id }) => id));
        const whole = acceptInPart(from, found, new Set(ids));
        const costs = (of: typeof current) => costOf(layOut(random, of)).total;
        if (!whole.valid || !(Math.abs(costs(whole.plan) - costs(found)) <= 1e-6)) throw new Error('not the proposal');
        const none = acceptInPart(from, found, new Set());
        if (none.valid && none.plan.drives.length !== current.drives.length) throw new Error('not the current plan');
        const part = acceptInPart(from, found, new Set(ids.filter((_, place) => wanted[place % wanted.length])));
        if (part.valid && !checkPlan(random, part.plan).valid) throw new Error('accepted a broken plan');
      }),
      { numRuns: 30 },
    );
    expect(acceptInPart({ day, plan, repair: undefined }, plan, new Set()).valid).toBe(true);
  });
});

describe('Another car at the same time', () => {
  it('is offered with what it costs, one that breaks a rule last and with the rule', () => {
    const level = day.cars[0]!.level;
    const more: Day = {
      ...day,
      cars: [
        ...day.cars,
        aCar({ id: 'c3', name: 'Oskarra', level }),
        aCar({ id: 'c4', name: 'Marram', level: level === 5 ? 1 : 5 }),
      ],
    };
    const choices = carsFor(more, plan, 'd1');
    expect(choices.map(({ car, broken }) => [car, broken?.code])).toEqual([
      ['c2', undefined],
      ['c3', 'CAR_FIT'],
    ]);
    const changed = moveDrive(plan, 'd1', { car: 'c2' });
    const costs = costOf(layOut(more, changed)).total - costOf(layOut(more, plan)).total;
    expect(choices[0]!.costs).toBeCloseTo(costs, 6);
    expect(carsFor(more, plan, 'no such drive')).toEqual([]);
  });
});
