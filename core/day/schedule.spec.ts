import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { activityTexts } from '../rules/frozen';
import { frozenOf, checkPlan } from '../rules';
import { conditionAt, indexDay, layOut, nextCondition, paceFactorAt } from './schedule';
import type { Day } from './day-file';
import type { Plan } from './plan-file';

describe('A plan laid out on its day', () => {
  it('gives each activity its hold, its time on the circuit and its laps', () => {
    const [occupancy] = layOut(aDay(), aPlan({ drives: [drive('10:00')] })).drives;
    expect([
      occupancy!.startS,
      occupancy!.releaseS,
      occupancy!.trackEndS,
      occupancy!.endS,
      occupancy!.lapsDriven,
    ]).toEqual([at('09:56'), at('10:00'), at('10:06:40'), at('10:10:40'), 5]);
  });

  it('lays out what it can of an activity that names something unknown', () => {
    const schedule = layOut(aDay(), aPlan({ drives: [drive('10:00', { car: 'cX', instructor: 'iX', drive: 'dX' })] }));
    expect(schedule.drives[0]).toEqual(
      jasmine.objectContaining({ car: undefined, instructor: undefined, lapsDriven: 0 }),
    );
    expect(schedule.crewOccupancies.size).toBe(0);
  });

  it('never ends a hold before it is released, however early heldUntil is', () => {
    const [occupancy] = layOut(aDay(), aPlan({ drives: [drive('10:00', { heldUntil: at('09:00') })] })).drives;
    expect([occupancy!.trackEndS, occupancy!.endS]).toEqual([at('10:00'), at('10:00')]);
  });

  it('files holds under guest and instructor in the order of their starts', () => {
    const day = aDay({
      guests: [
        aGuest({
          drives: [
            { id: 'd1', cars: ['c1'], laps: 5 },
            { id: 'd2', cars: ['c1'], laps: 5 },
          ],
        }),
      ],
    });
    const schedule = layOut(day, aPlan({ drives: [drive('11:00', { drive: 'd2' }), drive('10:00')] }));
    const starts = (occupancies: readonly { startS: number }[] | undefined) => occupancies?.map(({ startS }) => startS);
    expect(starts(schedule.guestOccupancies.get('g1'))).toEqual([at('09:56'), at('10:56')]);
    expect(starts(schedule.crewOccupancies.get('i1'))).toEqual([at('09:56'), at('10:56')]);
  });

  it('takes the latest change of the condition that has come by the release, in whatever order they are listed', () => {
    const changes = [
      { from: at('15:00'), name: 'wet', paceFactor: 1.15 },
      { from: at('14:00'), name: 'damp', paceFactor: 1.08 },
    ];
    const day = aDay({ condition: { name: 'dry', paceFactor: 1, changes } });
    expect(['13:59', '14:00', '14:59', '15:00'].map((time) => paceFactorAt(day, at(time)))).toEqual([
      1, 1.08, 1.08, 1.15,
    ]);
  });
});

describe('What stands in a repair', () => {
  const day = aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro', languages: ['en', 'ja'] })],
  });
  const previous = aPlan({ drives: [drive('10:00')], refuels: [{ car: 'c2', start: at('09:50') }] });
  const dropped = (changed: Partial<Day>, plan: Plan = previous) =>
    frozenOf({ ...day, ...changed }, { previous: plan, nowS: at('10:05') }).dropped.map(
      (what) =>
        inEnglish({ ...day, ...changed })
          .dropped(what)
          .split(': ')[1],
    );

  it('is everything that has begun, where nothing has changed', () => {
    const { drives, refuels } = frozenOf(day, { previous, nowS: at('10:05') });
    expect([drives, refuels]).toEqual([previous.drives, previous.refuels]);
    expect(frozenOf(day, { previous, nowS: at('09:50') }).drives).toEqual([]);
  });

  it('falls with the reason that a person would give', () => {
    expect(dropped({ guests: [] })).toEqual(['its guest is no longer coming']);
    expect(dropped({ instructors: [] })).toEqual(['its instructor is no longer there']);
    expect(dropped({ cars: [day.cars[1]!] })).toEqual(['c1 is withdrawn']);
    expect(dropped({ cars: [day.cars[0]!] })).toEqual(['c2 is withdrawn']);
    expect(dropped({ closes: at('10:08') })).toEqual(['it lies outside the opening hours']);
    const closures = [{ from: at('10:05'), to: at('10:30') }];
    expect(dropped({ circuit: { name: 'Loop', lapLengthM: 2000, closures } })).toEqual([
      'the circuit is closed 10:05–10:30',
    ]);
    expect(
      dropped({ guests: [aGuest({ heightCm: 210 })], cars: [aCar({ fit: { maxHeightCm: 200 } }), day.cars[1]!] }),
    ).toEqual(['Ines Faro is 210 cm tall, Dunnock Cup takes up to 200 cm']);
    expect(dropped({ instructors: [anInstructor({ cars: ['c2'] })] })).toEqual(['Anselm Holt may not do it']);
    expect(dropped({ guests: [aGuest({ arrives: at('10:00') })] })).toEqual([
      "Ines Faro can't be there with this instructor",
    ]);
    expect(dropped({ guests: [aGuest({ sighted: false })] })).toEqual([
      'its guest has neither class nor sighting run any more',
    ]);
  });

  it('falls where the manager has pinned it otherwise', () => {
    const pinned = aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5, pin: { instructor: 'i2' } }] });
    expect(dropped({ guests: [pinned] })).toEqual(['the manager has pinned it otherwise']);
  });

  it('stands to the hour that heldUntil says', () => {
    const running = { ...previous, drives: [drive('10:00', { heldUntil: at('10:25') })], refuels: [] };
    const verdict = (release: string) =>
      checkPlan(
        {
          ...day,
          guests: [
            ...day.guests,
            aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] }),
          ],
        },
        { ...running, drives: [...running.drives, drive(release, { drive: 'd2', instructor: 'i2' })] },
        { previous: running, nowS: at('10:05') },
      ).violations.map(({ code }) => code);
    // The car is held until 10:25 and turned around until 10:27.
    expect(verdict('10:30:59')).toEqual(['CAR_FREE']);
    expect(verdict('10:31')).toEqual([]);
  });

  it('is told apart by what is in it, not by the order of its guests', () => {
    const index = indexDay(day);
    const text = (guests: string[]) =>
      activityTexts(aPlan({ briefings: [{ start: at('09:00'), instructor: 'i1', guests }] }), day, index)[0]!.text;
    expect(text(['g1', 'g2'])).toBe(text(['g2', 'g1']));
    expect(text(['g1', 'g2'])).not.toBe(text(['g1']));
  });
});

describe('The condition', () => {
  it('is one, with its time: the last change that has come, and the next one known', () => {
    const changes = [
      { from: at('13:00'), name: 'wet', paceFactor: 1.15 },
      { from: at('11:00'), name: 'damp', paceFactor: 1.08 },
    ];
    const day = aDay({ condition: { name: 'dry', paceFactor: 1, changes } });
    const names = (time: string) => [conditionAt(day, at(time)).name, nextCondition(day, at(time))?.name];
    expect(names('10:00')).toEqual(['dry', 'damp']);
    expect(names('11:00')).toEqual(['damp', 'wet']);
    expect(names('17:00')).toEqual(['wet', undefined]);
    expect([conditionAt(day, at('17:00')).sinceS, paceFactorAt(day, at('12:59'))]).toEqual([at('13:00'), 1.08]);
  });
});
