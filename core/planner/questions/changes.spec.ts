import fc from 'fast-check';
import type { Day, Plan } from '../../day';
import { TRAIN_DAY, TRAIN_PLAN } from '../../testing/gathered-train';
import { inEnglish } from '../../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { changesBetween, type PlanChange } from './changes';
import { groupChanges, sharedChanges } from './other-changes';

const guest = (n: number, more: Partial<Day['guests'][number]> = {}) =>
  aGuest({ id: `g${n}`, name: `Guest ${n}`, drives: [{ id: `d${n}`, cars: ['c1', 'c2'], laps: 5 }], ...more });
const day = (more: Partial<Day> = {}) =>
  aDay({
    cars: [aCar({ name: 'Dunnock Cup' }), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor({ name: 'Odile Varga' }), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [guest(1), guest(2)],
    ...more,
  });
const first = drive('10:00');
const second = drive('10:30', { drive: 'd2', car: 'c2', instructor: 'i2' });
const before = aPlan({ drives: [first, second] });
const whyOf = (of: Day, change: PlanChange | undefined) => change?.why && inEnglish(of).change(change.why);
/** Why the first drive is where it is in another plan of a day. */
const why = (of: Day, after: Plan, from: Plan = before) =>
  whyOf(
    of,
    changesBetween(of, from, after).find((change) => change.drive === 'd1'),
  );
const moved = (to: string, more: Partial<Plan> = {}) =>
  aPlan({ drives: [{ ...first, release: at(to) }, second], ...more });

describe('What a proposal changes', () => {
  it('is nothing between a plan and itself', () => {
    expect(changesBetween(day(), before, before)).toEqual([]);
    expect(sharedChanges(before, before)).toEqual([]);
  });

  it('is told from where to where, by names, in the order of the new times', () => {
    const after = aPlan({
      drives: [
        { ...first, release: at('11:00') },
        { ...second, instructor: 'i1' },
      ],
    });
    const { place } = inEnglish(day());
    const told = changesBetween(day(), before, after).map(({ guest, kind, before: from, after: to }) => [
      guest,
      kind,
      place(from!),
      place(to!),
    ]);
    expect(told).toEqual([
      ['Guest 2', 'reassigned', '10:30, Sabrel R, with Ife Okoro', '10:30, Sabrel R, with Odile Varga'],
      ['Guest 1', 'moved', '10:00, Dunnock Cup, with Odile Varga', '11:00, Dunnock Cup, with Odile Varga'],
    ]);
  });

  it('is one that gets a place, or loses it with the planner’s reason', () => {
    const reason = 'no instructor is free';
    const only = aPlan({ drives: [first], unplanned: [{ drive: 'd2', reason }] });
    const [lost] = changesBetween(day(), before, only);
    expect([lost!.kind, lost!.after, whyOf(day(), lost)]).toEqual(['left out', undefined, reason]);
    const [found] = changesBetween(day(), only, before);
    expect([found!.kind, found!.before, whyOf(day(), found)]).toEqual(['added', undefined, 'has a place now']);
  });
});

describe('The reason for a change', () => {
  it('is what the day no longer allows', () => {
    const cars = (more: Parameters<typeof aCar>[0]) => [aCar({ name: 'Dunnock Cup', ...more }), day().cars[1]!];
    expect(why(day({ cars: [day().cars[1]!] }), moved('11:00'))).toBe('c1 is withdrawn');
    expect(why(day({ cars: cars({ available: [{ from: at('10:30'), to: at('18:00') }] }) }), moved('11:00'))).toBe(
      'Dunnock Cup is away',
    );
    const late = anInstructor({ name: 'Odile Varga', available: [{ from: at('10:30'), to: at('18:00') }] });
    expect(why(day({ instructors: [late, day().instructors[1]!] }), moved('11:00'))).toBe('Odile Varga is away');
    expect(why(day({ guests: [guest(1, { arrives: at('10:20') }), guest(2)] }), moved('11:00'))).toBe(
      'Guest 1 comes at 10:20',
    );
    expect(why(day({ guests: [guest(1, { leavesBy: at('10:05') }), guest(2)] }), moved('09:30'))).toBe(
      'Guest 1 leaves by 10:05',
    );
    const { circuit } = day();
    const closures = [{ from: at('10:03'), to: at('10:20') }];
    expect(why(day({ circuit: { ...circuit, closures } }), moved('11:00'))).toBe(
      'the circuit is closed from 10:03 to 10:20',
    );
  });

  it('is what stands in the old place now: another guest in the car, other work of the instructor, fuel, a class', () => {
    const inCar = aPlan({
      drives: [
        { ...first, release: at('11:00') },
        { ...second, release: at('10:02'), car: 'c1' },
      ],
    });
    expect(why(day(), inCar)).toBe('Dunnock Cup is then with Guest 2');
    const withCrew = aPlan({
      drives: [
        { ...first, release: at('11:00') },
        { ...second, release: at('10:02'), instructor: 'i1' },
      ],
    });
    expect(why(day(), withCrew)).toContain('Odile Varga has ');
    expect(why(day(), moved('11:00', { refuels: [{ car: 'c1', start: at('09:58') }] }))).toBe(
      'Dunnock Cup refuels then',
    );
    const inClass = { room: 1, start: at('09:50'), instructor: 'i2', guests: ['g1'] };
    expect(why(day(), moved('11:00', { briefings: [inClass as Plan['briefings'][number]] }))).toMatch(/ is then$/);
  });

  it('is that the guest waits less, where that is noticed, and else nothing at all', () => {
    expect(why(day(), moved('09:30'))).toBe('Guest 1 waits 30 min less');
    expect(why(day(), moved('09:57'))).toBeUndefined();
    expect(why(day(), moved('11:00'))).toBeUndefined();
  });

  it('is that it is with a friend now, as the two wish', () => {
    const friends = day({ guests: [guest(1), guest(2, { sameTimeAs: ['g1'] })] });
    expect(why(friends, moved('10:30:45'))).toBe('on the circuit with Guest 2, as the two wish');
    expect(why(friends, moved('10:45'))).toBeUndefined();
  });

  it('never says of somebody who comes to the car later that it is with them then', () => {
    const minute = fc.integer({ min: 9 * 60 + 10, max: 17 * 60 });
    fc.assert(
      fc.property(minute, minute, (mine, theirs) => {
        const after = aPlan({
          drives: [
            { ...first, release: mine * 60 },
            { ...second, release: theirs * 60, car: 'c1' },
          ],
        });
        const said = why(day(), after) ?? '';
        const turnaroundS = day().rules.turnaroundS;
        const away = Math.abs(theirs * 60 - first.release) > 400 + 2 * 240 + turnaroundS;
        expect(away && said.includes('is then with Guest 2'))
          .withContext(`${mine} ${theirs}: ${said}`)
          .toBeFalse();
      }),
    );
  });
});

describe('Classes and sighting runs in a proposal', () => {
  const run = (start: string, guests: string[], instructor = 'i1') =>
    ({ vehicle: 'v1', release: at(start), instructor, guests }) as Plan['sightings'][number];
  const texts = (old: Plan['sightings'], now: Plan['sightings']) =>
    sharedChanges(aPlan({ sightings: old }), aPlan({ sightings: now })).map(inEnglish(day()).sharedChange);

  it('are told where they move, come or fall away', () => {
    expect(texts([run('09:15', ['g1'])], [run('09:30', ['g1'])])).toEqual([
      'the sighting run at 09:30 with Odile Varga, 1 guest, instead of the sighting run at 09:15 with Odile Varga, 1 guest',
    ]);
    expect(texts([], [run('09:30', ['g1', 'g2'])])).toEqual([
      'the sighting run at 09:30 with Odile Varga, 2 guests is new',
    ]);
    expect(texts([run('09:30', ['g1'], 'i2')], [])).toEqual([
      'the sighting run at 09:30 with Ife Okoro, 1 guest falls away',
    ]);
  });

  it('are the same in whatever order their guests are listed', () => {
    expect(texts([run('09:15', ['g1', 'g2'])], [run('09:15', ['g2', 'g1'])])).toEqual([]);
  });

  it('follow their guests: of two runs that change, each is told beside the one with the same people', () => {
    const said = texts([run('09:15', ['g1']), run('09:30', ['g2'])], [run('09:20', ['g2']), run('09:40', ['g1'])]);
    expect(said[0]).toContain('at 09:20 with Odile Varga, 1 guest, instead of the sighting run at 09:30');
    expect(said[1]).toContain('at 09:40 with Odile Varga, 1 guest, instead of the sighting run at 09:15');
  });
});

describe('Groups in a proposal', () => {
  const [train] = TRAIN_PLAN.groups!;
  const tell = inEnglish({ ...TRAIN_DAY, groups: [{ ...TRAIN_DAY.groups[0]!, name: 'The three' }] }).groupChange;
  const plan = (...groups: NonNullable<Plan['groups']>) => ({ ...TRAIN_PLAN, groups });
  const texts = (now: Partial<typeof train>, was: Partial<typeof train> = {}) =>
    groupChanges(plan({ ...train!, ...was }), plan({ ...train!, ...now })).map(tell);

  it('are told with what is different: time, cars, people', () => {
    expect(texts({})).toEqual([]);
    expect(texts({ release: at('10:30') })).toEqual(['The three at 10:30 instead of 10:00']);
    expect(texts({ cars: ['c1', 'c5', 'c3'] })).toEqual(['The three at 10:00, in c5 instead of Car c2']);
    expect(texts({ cars: ['c2', 'c1', 'c3'] })).toEqual(['The three at 10:00, the cars in another order']);
    expect(texts({ release: at('10:30'), crew: [{ role: 'lead', instructor: 'i2' }] })).toEqual([
      'The three at 10:30 instead of 10:00, with Ife Okoro instead of Anselm Holt',
    ]);
  });

  it('have another crew where somebody comes, goes or changes the role, and not in whatever order it is listed', () => {
    const two = (lead: string, beside: string) => [
      { role: 'lead' as const, instructor: lead },
      { role: 'beside' as const, instructor: beside },
    ];
    const crew = two('i1', 'i2');
    expect(texts({ crew: [...crew].reverse() }, { crew })).toEqual([]);
    expect(texts({ crew: two('i2', 'i1') }, { crew })).toEqual(['The three at 10:00, its people in other roles']);
    expect(texts({ crew })).toEqual(['The three at 10:00, with Ife Okoro too']);
    expect(texts({}, { crew })).toEqual(['The three at 10:00, without Ife Okoro']);
    expect(texts({ release: at('11:00'), crew: [...crew].reverse() }, { crew })).toEqual([
      'The three at 11:00 instead of 10:00',
    ]);
  });

  it('come, or are left out', () => {
    expect(groupChanges(aPlan({}), TRAIN_PLAN).map(tell)).toEqual(['The three at 10:00 is new']);
    expect(groupChanges(TRAIN_PLAN, aPlan({})).map(tell)).toEqual(['The three at 10:00 is left out']);
  });

  it('are the reason where one takes the car of a drive', () => {
    const guest = aGuest({
      id: 'g9',
      name: 'Guest 9',
      briefed: true,
      drives: [{ id: 'd1', cars: ['c2', 'c5'], laps: 5 }],
    });
    const of = { ...TRAIN_DAY, cars: [...TRAIN_DAY.cars, aCar({ id: 'c5' })], guests: [...TRAIN_DAY.guests, guest] };
    const drives = [drive('10:05', { car: 'c2', instructor: 'i2' })];
    const now = { ...TRAIN_PLAN, drives: [{ ...drives[0]!, car: 'c5' }] };
    expect(why(of, now, { ...plan(), drives })).toMatch(/^Car c2 is then in .* at 10:00$/);
  });
});
