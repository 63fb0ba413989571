import { inEnglish } from '../../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { dayContext, stateOf } from '../../journal';
import { assignmentsOf } from '../../planner';
import { crewDaysOf, crewSharesOf, crewSharesOver } from './load';
import { freeFor, mealOf } from './rests';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [
    anInstructor({ available: [{ from: at('09:00'), to: at('17:00') }] }),
    anInstructor({ id: 'i2', name: 'Ife Okoro', cars: ['c1'], available: [{ from: at('09:00'), to: at('13:00') }] }),
    anInstructor({ id: 'i3', name: 'Yuki Arata', languages: ['ja'] }),
  ],
  guests: [
    aGuest({
      languages: ['en'],
      drives: [
        { id: 'd1', cars: ['c1'], laps: 5 },
        { id: 'd2', cars: ['c1'], laps: 5 },
      ],
    }),
  ],
});
const plan = aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2' })] });
const context = dayContext(day, plan);

describe('The reasons for an instructor', () => {
  const found = assignmentsOf(day, plan, 'd2');
  const tell = inEnglish(day);

  it('begin with the one the plan has: skill, language, continuity, load', () => {
    expect(found[0]!.name).toBe('Anselm Holt');
    expect(found[0]!.reasons.map(tell.assignment)).toEqual([
      'may teach in the Dunnock Cup',
      'speaks en',
      'has 1 other drive of this guest',
      '10 laps planned, the mean is 3',
    ]);
    expect([found[0]!.broken, found[0]!.costs]).toEqual([undefined, 0]);
  });

  it('rank the others by what they cost, those who break a rule last and with the rule', () => {
    expect(found.map(({ name }) => name)).toEqual(['Anselm Holt', 'Ife Okoro', 'Yuki Arata']);
    expect(found[1]!.broken).toBeUndefined();
    expect(tell.violation(found[2]!.broken!)).toMatch(/Yuki Arata/);
    expect(found[2]!.reasons.map(tell.assignment)).toContain('speaks none of en');
  });

  it('tell how far an instructor’s own limit for such cars is used up', () => {
    const limited = aDay({ ...day, instructors: [anInstructor({ levelLaps: { '1': 12 } })] });
    const last = assignmentsOf(limited, plan, 'd2')[0]!.reasons.at(-1)!;
    expect(tell.assignment(last)).toBe('10 of at most 12 laps in cars of level 1');
  });

  it('are none for a drive that is not planned', () => {
    expect(assignmentsOf(day, aPlan(), 'd2')).toEqual([]);
  });
});

describe('The work of the crew', () => {
  const state = stateOf(context, [], at('09:00'));

  it('is shared fairly by the hours that each is there', () => {
    const shares = crewSharesOf(context, state);
    const total = shares.reduce((sum, { done, planned }) => sum + done + planned, 0);
    expect(shares.reduce((sum, { fair }) => sum + fair, 0)).toBeCloseTo(total, 6);
    const of = (id: string) => shares.find(({ instructor }) => instructor === id)!;
    expect(of('i1').fair / of('i2').fair).toBeCloseTo(2, 6);
    expect([of('i1').planned, of('i2').planned]).toEqual([10, 0]);
  });

  it('is counted for each of them, also for who did nothing', () => {
    expect(crewDaysOf(context, state).map(({ instructor, laps }) => [instructor, laps])).toEqual([
      ['i1', 0],
      ['i2', 0],
      ['i3', 0],
    ]);
  });

  it('is shared fairly over many days by the hours each was there', () => {
    const day = (instructor: string, laps: number, hours: number) => ({
      date: '2027-05-01',
      instructor,
      laps,
      drives: 1,
      heldS: 0,
      thereS: hours * 3600,
    });
    const shares = crewSharesOver([day('i1', 40, 8), day('i1', 20, 4), day('i2', 0, 6)], ['i1', 'i2', 'i3']);
    expect(shares.map(({ done, fair }) => [done, fair])).toEqual([
      [60, 40],
      [0, 20],
      [0, 0],
    ]);
  });

  it('keeps a meal where the plan has a gap for it, and says how much is missing where not', () => {
    const who = anInstructor({ meal: { from: at('09:30'), to: at('11:30'), durationS: 2400 } });
    const meal = mealOf(context, who, at('09:00'));
    // Held 9:56 to 10:11 and 10:56 to 11:11: the gap between them is long enough.
    expect(meal.state).toBe('kept');
    expect(meal.state === 'kept' && meal.fromS).toBeGreaterThan(at('10:05'));
    const hungry = mealOf(context, { ...who, meal: { ...who.meal, durationS: 5400 } }, at('09:00'));
    expect(hungry.state).toBe('endangered');
    // What has passed is no longer a gap.
    expect(mealOf(context, who, at('10:50')).state).toBe('endangered');
  });

  it('knows who is free now and may teach in a car, the longest free first', () => {
    expect(freeFor(context, state, 'c2').map(({ name }) => name)).toEqual(['Yuki Arata', 'Anselm Holt']);
    expect(freeFor(context, state, 'c2')[1]!.untilS).toBe(at('09:56'));
  });
});
