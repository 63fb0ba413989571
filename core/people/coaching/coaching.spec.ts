import * as fc from 'fast-check';
import { inEnglish } from '../../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { writtenJournal, type EntryFields } from '../../testing/written-journal';
import { analyseLaps, compareIndex, paceIndex, theilSen } from './laps';
import { cured, oneThing, seenFaults } from './marks';
import { handover } from './handover';
import { VOCABULARY, vocabularyOf } from './vocabulary';

const vocabulary = vocabularyOf([]);
type Mark = Extract<EntryFields, { kind: 'driveMarked' }>['marks'][number];
const seen = (...marks: Mark[]) => seenFaults({ marked: [{ marks, by: 'Odile', atS: 0 }] }, vocabulary);

describe('The vocabulary of faults', () => {
  it('has about thirty, each with its cause, its cure and two ways of saying it', () => {
    expect(VOCABULARY.length).toBeGreaterThanOrEqual(30);
    for (const { say, sayOtherwise, cause, cure, does } of VOCABULARY) {
      expect(say).not.toBe(sayOtherwise);
      expect([cause, cure, does].every((text) => text.length >= 5)).toBe(true);
    }
  });

  it('links a fault only to faults that there are', () => {
    for (const { from } of VOCABULARY) for (const id of from ?? []) expect(vocabulary.has(id)).toBe(true);
  });

  it('takes in what a venue adds, and lets it say something in its own words', () => {
    const own = { ...VOCABULARY[0]!, say: 'Look up, look up' };
    expect(vocabularyOf([own]).get(own.id)!.say).toBe('Look up, look up');
    expect(vocabularyOf([{ ...own, id: 'our-own' }]).size).toBe(VOCABULARY.length + 1);
  });
});

describe('One thing for the next drive', () => {
  it('is what was seen in most corners and matters most', () => {
    const last = seen(
      { fault: 'turns-early', corner: 'Winch' },
      { fault: 'turns-early', corner: 'Ramp' },
      { fault: 'throttle-late', corner: 'Slip' },
    );
    const thing = oneThing([last])!;
    expect([thing.fault.id, thing.corners, thing.repeated]).toEqual(['turns-early', ['Winch', 'Ramp'], false]);
    expect(thing.say).toBe('Wait for it… turn');
  });

  it('is said another way, and weighs more, when it comes again', () => {
    const first = seen({ fault: 'holds-in', corner: 'Ramp' });
    const second = seen({ fault: 'holds-in', corner: 'Ramp' }, { fault: 'misses-apex-wide', corner: 'Slip' });
    expect(oneThing([second])!.repeated).toBe(false);
    const thing = oneThing([first, second])!;
    expect([thing.fault.id, thing.repeated, thing.say]).toEqual(['holds-in', true, 'Give it the whole road']);
    expect(inEnglish(day).oneThing(thing)).toBe('seen at Ramp, in the drive before too.');
  });

  it('is the cause rather than its effect', () => {
    const last = seen({ fault: 'brakes-too-long', corner: 'Winch' }, { fault: 'throttle-early', corner: 'Winch' });
    const thing = oneThing([last])!;
    expect(thing.fault.id).toBe('brakes-too-long');
    expect(inEnglish(day).oneThing(thing)).toContain('the cause of "throttle too early"');
  });

  it('is nothing where nothing was marked', () => {
    expect(oneThing([])).toBeUndefined();
    expect(oneThing([seen({ fault: 'rough' }), []])).toBeUndefined();
  });

  it('knows what has been cured', () => {
    const drives = [seen({ fault: 'rough' }, { fault: 'eyes-near' }), seen({ fault: 'rough' })];
    expect(cured(drives).map(({ id }) => id)).toEqual(['eyes-near']);
    expect(cured(drives.slice(0, 1))).toEqual([]);
  });

  it('counts a corner once when two instructors mark it, and leaves out a fault nobody knows any more', () => {
    const marks = [{ fault: 'rough', corner: 'Winch' }];
    const both = seenFaults(
      {
        marked: [
          { marks, by: 'Odile', atS: 0 },
          { marks: [...marks, { fault: 'gone' }], by: 'Bram', atS: 9 },
        ],
      },
      vocabulary,
    );
    expect(both.map(({ fault, count }) => [fault.id, count])).toEqual([['rough', 1]]);
  });
});

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R', lapTimeS: 70 })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({
      party: 'Faro',
      drives: [
        { id: 'd1', cars: ['c1'], laps: 6 },
        { id: 'd2', cars: ['c2'], laps: 5 },
      ],
    }),
    aGuest({ id: 'g2', name: 'Rui Faro', party: 'Faro', drives: [] }),
  ],
});
const plan = aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2', car: 'c2', instructor: 'i2' })] });

/** A drive of laps so long, the first from a standing start. */
function driven(laps: readonly number[], more: [string, EntryFields][] = []) {
  const journal = writtenJournal(day, plan);
  const clock = (s: number) =>
    `${String(Math.floor(s / 3600)).padStart(2, '0')}:${String(Math.floor((s % 3600) / 60)).padStart(2, '0')}:${String(Math.floor(s % 60)).padStart(2, '0')}`;
  for (const [time, fields] of [
    ['09:00', { kind: 'guestArrived', guest: 'g1' }],
    ['09:01', { kind: 'waiverSigned', guest: 'g1' }],
    ['09:02', { kind: 'licenceSeen', guest: 'g1' }],
    ['09:03', { kind: 'helmetFitted', guest: 'g1' }],
    ['09:57', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }],
    ['10:00', { kind: 'released', drive: 'd1' }],
  ] as [string, EntryFields][])
    expect(journal.enter(time, fields)).toMatch(/^entry/);
  let s = at('10:00');
  for (const lapS of laps) {
    s += lapS;
    journal.enter(clock(s), { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  }
  journal.enter('10:12', { kind: 'broughtIn', drive: 'd1' });
  journal.enter('10:14', { kind: 'parked', drive: 'd1' });
  for (const [time, fields] of more) expect(journal.enter(time, fields)).toMatch(/^entry/);
  return { context: journal.context, state: journal.state('10:40') };
}
const analysisOf = (laps: readonly number[], more: [string, EntryFields][] = []) => {
  const { context, state } = driven(laps, more);
  return { context, drive: state.drives.get('d1')!, analysis: analyseLaps(context, state.drives.get('d1')!) };
};

describe('The laps of a drive', () => {
  it('set the first and spoiled ones apart', () => {
    const { analysis } = analysisOf(
      [95, 88, 99, 86, 85, 84],
      [['10:20', { kind: 'lapSpoiled', drive: 'd1', lap: 3, reason: 'passed' }]],
    );
    expect(analysis.clean.map(({ number }) => number)).toEqual([2, 4, 5, 6]);
    expect(analysis.bestS).toBe(84);
    expect(analysis.gainS).toBeCloseTo(4, 0);
    expect(analysis.gainedS).toBe(analysis.gainS);
  });

  it('claim a gain only where it is beyond its own uncertainty', () => {
    const { analysis } = analysisOf([95, 86, 92, 85, 90, 86, 90]);
    expect(analysis.gainS).toBeDefined();
    expect(Math.abs(analysis.gainS!)).toBeLessThan(analysis.gainWithinS!);
    expect(analysis.gainedS).toBeUndefined();
  });

  it('say nothing of a drive without laps, or with all of them spoiled', () => {
    const none = analysisOf([]).analysis;
    expect([none.laps, none.bestS, none.gainS]).toEqual([[], undefined, undefined]);
    const spoil = [1, 2, 3].map((lap): [string, EntryFields] => [
      '10:20',
      { kind: 'lapSpoiled', drive: 'd1', lap, reason: 'caution' },
    ]);
    const { analysis, context, drive: spoiled } = analysisOf([95, 88, 87], spoil);
    expect([analysis.meanS, analysis.gainS]).toEqual([undefined, undefined]);
    expect(paceIndex(context, spoiled, analysis)).toBeUndefined();
  });

  it('are not bent by one wild lap', () => {
    const line = (wild: number) => [88, 87, 86, wild, 84, 83].map((y, x) => [x, y] as const);
    expect(theilSen(line(85))!.slope).toBeCloseTo(-1, 6);
    expect(theilSen(line(140))!.slope).toBeCloseTo(-1, 1);
  });

  it('have the slope of the line that they lie on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 60, max: 120, noNaN: true }),
        fc.integer({ min: 3, max: 12 }),
        (slope, level, n) => {
          const fit = theilSen(Array.from({ length: n }, (_, x) => [x, level + slope * x]))!;
          expect(fit.slope).toBeCloseTo(slope, 6);
          expect(fit.at(n)).toBeCloseTo(level + slope * n, 5);
        },
      ),
    );
  });

  it('give an index by which guests in different cars are compared, and call small differences a draw', () => {
    const { analysis, context, drive: it } = analysisOf([95, 88, 88, 88, 88, 88]);
    const index = paceIndex(context, it, analysis)!;
    expect(index.index).toBeCloseTo(context.schedule.index.cars.get('c1')!.lapTimeS / 88, 6);
    expect(compareIndex(index, { ...index, index: index.index + 0.001 })).toBe('draw');
    expect(compareIndex(index, { ...index, index: index.index + 0.1 })).toBe('second');
    expect(compareIndex({ ...index, index: index.index + 0.1 }, index)).toBe('first');
  });
});

describe('The handover', () => {
  const marked: EntryFields = {
    kind: 'driveMarked',
    drive: 'd1',
    marks: [{ fault: 'turns-early', corner: 'Winch' }],
    good: 'smooth hands',
    ready: 'paddles',
    account: 'The straight was best',
    gearbox: { driven: 'paddle', fromLap: 3 },
    note: 'a little carsick on lap five',
  };

  it('tells the next instructor what worked, what to work on, and who taught before', () => {
    const { context, state } = driven([95, 90, 89, 87, 86, 85], [['10:16', marked]]);
    const card = handover(context, state, 'd2', vocabulary)!;
    expect([card.guest.name, card.lastCar, card.car, card.gearbox, card.ready]).toEqual([
      'Ines Faro',
      'c1',
      'c2',
      'paddle',
      'paddles',
    ]);
    expect(card.oneThing!.fault.id).toBe('turns-early');
    expect(card.worked[0]).toBe('smooth hands');
    expect(card.gainedS).toBeGreaterThan(0.5);
    expect(card.notes).toEqual(['a little carsick on lap five']);
    expect(card.taughtBefore).toEqual(['Anselm Holt']);
    expect(card.friends).toEqual(['Rui Faro']);
  });

  it('is there for a first drive as well, and knows when it has been read', () => {
    const journal = writtenJournal(day, plan);
    expect(journal.enter('09:30', { kind: 'handoverSeen', drive: 'd1' }, 'Anselm Holt')).toMatch(/^entry/);
    const card = handover(journal.context, journal.state('09:31'), 'd1', vocabulary)!;
    expect([card.drivesBefore, card.oneThing, card.seenBy]).toEqual([0, undefined, 'Anselm Holt']);
    expect(handover(journal.context, journal.state('09:31'), 'd77', vocabulary)).toBeUndefined();
  });

  it('takes no marks for a drive that has not been driven', () => {
    expect(writtenJournal(day, plan).enter('09:30', marked)).toMatch(/is not in the car yet/);
  });
});
