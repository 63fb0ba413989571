import { clockMinute } from '../../values';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { writtenJournal, type EntryFields } from '../../testing/written-journal';
import { dayContext, rescheduled } from '../../journal';
import { asked } from './asked';
import { byCause } from './broken';
import { causesOf } from './causes';
import { driftOf } from './drift';
import { headingOf, repairOptions } from './repair-options';
import { keyOf } from './expected';
import { laterBy } from './later';
import { slideCauses, slideDue } from './slide';

/** Two guests one after the other in one car with one instructor, and a third in another car with another instructor. */
const guests = ['g1', 'g2', 'g3'].map((id, i) =>
  aGuest({ id, name: `Guest ${i + 1}`, drives: [{ id: `d${i + 1}`, cars: [i < 2 ? 'c1' : 'c2'], laps: 5 }] }),
);
const day = aDay({
  guests,
  cars: [aCar(), aCar({ id: 'c2' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2' })],
});
const plan = aPlan({
  drives: [
    drive('10:00'),
    drive('10:30', { drive: 'd2' }),
    drive('10:10', { drive: 'd3', car: 'c2', instructor: 'i2' }),
  ],
});
/** Everybody is here and cleared. */
const here: [string, EntryFields][] = guests.flatMap(({ id }): [string, EntryFields][] => [
  ['08:50', { kind: 'guestArrived', guest: id }],
  ['08:51', { kind: 'waiverSigned', guest: id }],
  ['08:51', { kind: 'licenceSeen', guest: id }],
  ['08:52', { kind: 'helmetFitted', guest: id }],
]);

function on(of: { day?: typeof day; plan?: typeof plan }, entries: [string, EntryFields][], time: string) {
  const it = writtenJournal(of.day ?? day, of.plan ?? plan);
  for (const [when, fields] of entries) expect(it.enter(when, fields)).toMatch(/^entry-/);
  const state = it.state(time);
  const drift = driftOf(it.context, state);
  const release = (id: string) => {
    const expected = drift.expected.get(keyOf.drive(id));
    return expected && clockMinute(expected.releaseS);
  };
  return { drift, release, lines: causesOf(drift, state) };
}

const driven = (id: string, car: string, instructor: string, seated: string, out: string): [string, EntryFields][] => [
  [seated, { kind: 'seated', drive: id, car, instructor }],
  [out, { kind: 'released', drive: id }],
];

describe('drift', () => {
  it('is none as long as everything is where it was accepted', () => {
    const { drift, lines } = on({}, here, '09:50');
    expect([...drift.expected.values()].map(({ lateS }) => lateS)).toEqual([0, 0, 0]);
    expect(lines).toEqual([]);
  });

  it('lets whoever comes next in a car wait until it has come in, was wrapped up and turned round', () => {
    const { drift, release, lines } = on({}, [...here, ...driven('d1', 'c1', 'i1', '10:14', '10:20')], '10:21');
    // Out at 10:20, 400 s of laps, then 4 min of wrap-up, 2 of turnaround, and 4 of set-up: 10:36:40, on the raster.
    expect(drift.expected.get(keyOf.drive('d2'))?.releaseS).toBe(at('10:36:45'));
    expect(release('d3')).toBe('10:25');
    const [one] = lines.filter(({ later }) => later.some(({ key }) => key === keyOf.drive('d2')));
    expect(one?.cause).toEqual(jasmine.objectContaining({ code: 'runsLate' }));
    expect(one?.key).toBe(keyOf.drive('d1'));
  });

  it('knows of laps that were sold before the drive: who comes next waits for them, and why', () => {
    const packed = { plan: { ...plan, drives: [drive('10:00'), drive('10:16:45', { drive: 'd2' }), plan.drives[2]!] } };
    const sold: [string, EntryFields] = ['09:50', { kind: 'extraLapGranted', drive: 'd1', price: 29 }];
    const { lines, drift } = on(packed, [...here, sold], '09:50');
    const [one, ...others] = lines;
    // A lap of 80 s: the next one in the car, no other.
    expect([one!.cause.code, one!.key, others]).toEqual(['lapsAdded', keyOf.drive('d1'), []]);
    expect(one!.later.map(({ key, lateS }) => [key, lateS])).toEqual([[keyOf.drive('d2'), 75]]);
    expect(laterBy(on(packed, here, '09:50').drift, drift)).toEqual({ guests: ['g2'], byS: 75 });
    expect(laterBy(on({}, here, '09:50').drift, on({}, [...here, sold], '09:50').drift).guests).toEqual([]);
  });

  it('goes by the laps that were driven, not by those that were planned', () => {
    const slow = ['10:16', '10:18', '10:20'].map((time): [string, EntryFields] => [
      time,
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
    ]);
    const out = driven('d1', 'c1', 'i1', '10:08', '10:14');
    const quick = on({}, [...here, ...out], '10:21').drift.expected.get(keyOf.drive('d2'))!;
    const behind = on({}, [...here, ...out, ...slow], '10:21').drift.expected.get(keyOf.drive('d2'))!;
    expect(behind.releaseS).toBeGreaterThan(quick.releaseS);
  });

  it('names one cause for everything that waits for it, however long the chain', () => {
    const more = { id: 'd4', cars: ['c1'], laps: 5 };
    const fourth = aGuest({ id: 'g4', name: 'Guest 4', drives: [more] });
    const long = {
      day: { ...day, guests: [...guests, fourth] },
      plan: { ...plan, drives: [...plan.drives, drive('10:48', { drive: 'd4' })] },
    };
    const { lines } = on(long, here, '10:20');
    const [first] = lines;
    expect(first!.cause.code).toBe('notBegun');
    expect(first!.later.map(({ key }) => key)).toEqual(['d1', 'd2', 'd4'].map(keyOf.drive));
    expect(lines.map(({ key }) => key)).toEqual(['d1', 'd3'].map(keyOf.drive));
  });

  it('gives a rule about several cars at once to what makes one of them late', () => {
    const { drift, lines } = on({}, [...here, ...driven('d1', 'c1', 'i1', '10:14', '10:20')], '10:21');
    const values = { count: 2, atS: at('10:40'), forS: 300, bays: 1 };
    const broken = { code: 'REFUEL_BAYS', detail: 'full', subjects: { cars: ['c9', 'c1'] }, values } as const;
    const { lines: told, rest } = byCause(lines, [broken], drift);
    expect(rest).toEqual([]);
    expect(told.find((line) => line.broken.includes(broken))!.key).toBe(keyOf.drive('d1'));
    const other = { ...broken, subjects: { cars: ['c8', 'c9'] } };
    expect(byCause(lines, [other], drift).rest).toEqual([other]);
  });

  it('waits for a guest who is not here, and says so', () => {
    const { drift, lines } = on({}, here.slice(4), '10:05');
    expect(drift.expected.get(keyOf.drive('d1'))?.startS).toBe(at('10:05'));
    expect(lines[0]?.cause).toEqual({
      code: 'guestNotHere',
      subjects: { guest: 'g1' },
      values: { sinceS: at('09:00') },
    });
  });

  it('knows no time for a car that is out without an end, and one for a car that comes back', () => {
    const out = (backAt?: string): [string, EntryFields] => [
      '09:30',
      { kind: 'carHeld', car: 'c1', reason: 'brakes', ...(backAt && { backAt: at(backAt) }) },
    ];
    const gone = on({}, [...here, out()], '09:40');
    expect([...gone.drift.stuck.keys()]).toEqual(['d1', 'd2'].map(keyOf.drive));
    expect(gone.lines).toHaveSize(1);
    expect(gone.lines[0]!.stuck).toHaveSize(2);
    const back = on({}, [...here, out('10:20')], '09:40');
    expect(back.release('d1')).toBe('10:24');
    expect(back.lines[0]!.cause.code).toBe('carOut');
  });

  it('does not let a class wait longer than a while, and leaves whoever missed it without a place', () => {
    const new_ = guests.map((guest) => ({ ...guest, briefed: false, sighted: false }));
    const learning = {
      day: { ...day, guests: new_ },
      plan: aPlan({
        briefings: [{ start: at('09:15'), instructor: 'i1', guests: ['g1', 'g2'] }],
        sightings: [{ release: at('09:50'), vehicle: 's1', instructor: 'i1', guests: ['g1', 'g2'] }],
        drives: plan.drives.slice(0, 2),
      }),
    };
    const missing = here.slice(4);
    const waits = on(learning, missing, '09:18').drift;
    expect(waits.expected.get(keyOf.briefing(0))?.startS).toBe(at('09:18'));
    expect(waits.stuck.size).toBe(0);
    const without = on(learning, missing, '09:22');
    expect(without.drift.stuck.get(keyOf.drive('d1'))?.why).toEqual({ kind: 'missedClass', guest: 'g1' });
    expect(without.release('d2')).toBe('10:30');
  });

  it('lets nobody out during a closure, and those who come after it with the gap between them', () => {
    const closed = { ...day.circuit, closures: [{ from: at('10:00'), to: at('10:15'), reason: 'quiet' }] };
    const of = { day: { ...day, circuit: closed }, plan: { ...plan, drives: plan.drives.map((one) => ({ ...one })) } };
    of.plan.drives[0]!.release = at('09:50');
    of.plan.drives[2]!.release = at('09:52');
    const { drift } = on(of, here, '09:58');
    const [one, other] = ['d1', 'd3'].map((id) => drift.expected.get(keyOf.drive(id))!.releaseS);
    expect([one, other]).toEqual([at('10:15'), at('10:15:45')]);
  });
});

describe('Ways out', () => {
  it('keep what a late car would eat, each tried, the cheapest first', () => {
    const leaving = guests.map((guest) => (guest.id === 'g2' ? { ...guest, leavesBy: at('10:42') } : guest));
    const of = {
      day: {
        ...day,
        guests: leaving.map((guest) => ({
          ...guest,
          drives: guest.drives.map((one) => ({ ...one, cars: ['c1', 'c2'] })),
        })),
      },
    };
    const two = { ...plan, drives: [plan.drives[0]!, { ...plan.drives[1]!, instructor: 'i2' }] };
    const it = writtenJournal(of.day, two);
    for (const [when, fields] of [...here, ...driven('d1', 'c1', 'i1', '10:14', '10:20')]) it.enter(when, fields);
    const state = it.state('10:21');
    expect(headingOf(it.context, state).broken.map(({ code }) => code)).toEqual(['GUEST_PRESENT']);
    const line = causesOf(driftOf(it.context, state), state).find(({ key }) => key === keyOf.drive('d1'))!;
    const ways = repairOptions(it.context, state, line.later);
    expect(ways.map(({ change }) => change.code)).toContain('otherCar');
    expect(ways.length).toBeLessThanOrEqual(3);
    const costs = ways.map((way) => way.costs);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  it('are none where nothing is eaten', () => {
    const it = writtenJournal(day, plan);
    const state = it.state('09:50');
    expect(repairOptions(it.context, state, [...driftOf(it.context, state).expected.values()])).toEqual([]);
  });
});

describe('Slides', () => {
  const late = () => {
    const it = writtenJournal(day, plan);
    for (const [when, fields] of here) it.enter(when, fields);
    return it;
  };

  it('follow what is late, as far as they may, and go back when it is not', () => {
    const it = late();
    const state = it.state('10:00');
    const due = slideDue(it.context, driftOf(it.context, state), 300)!;
    // The first should have been in the car at 09:56; the third waits for nobody and is in time.
    expect(due.drives).toEqual([{ drive: 'd1', release: at('10:04') }]);
    expect(slideDue(it.context, driftOf(it.context, it.state('10:05')), 300)?.drives).toBeUndefined();
    const slidBy = (times: typeof due) => dayContext(day, rescheduled(plan, times), { accepted: plan, agreed: plan });
    const in_ = slidBy(due);
    expect(slideDue(in_, driftOf(in_, state), 300)).toBeUndefined();
    expect(slideDue(in_, driftOf(in_, it.state('09:50')), 300)?.drives).toEqual([
      { drive: 'd1', release: at('10:00') },
    ]);
  });

  it('tell for whose sake they are, and by how much at most', () => {
    const it = late();
    const drift = driftOf(it.context, it.state('10:00'));
    const times = slideDue(it.context, drift, 300)!;
    expect(slideCauses(causesOf(drift, it.state('10:00')), times)).toEqual({
      causes: [{ code: 'notBegun', guest: 'g1', car: 'c1' }],
      byS: 240,
    });
  });

  it('are asked for where they would be too much, and not again once that is left as it is', () => {
    const it = late();
    const asks = (time: string) => {
      const state = it.state(time);
      const { lines } = byCause(causesOf(driftOf(it.context, state), state), [], driftOf(it.context, state));
      return asked(it.context, lines, state, 300).map(({ key }) => key);
    };
    expect(asks('10:00')).toEqual([]);
    expect(asks('10:04')).toEqual([keyOf.drive('d1')]);
    it.enter('10:04', { kind: 'leftAsIs', cause: keyOf.drive('d1'), byS: 480 });
    expect(asks('10:05')).not.toContain(keyOf.drive('d1'));
    expect(asks('10:12')).toContain(keyOf.drive('d1'));
  });
});
