import { tankOf } from '../venue/garage';
import { fact } from '../values';
import { inEnglish } from '../testing/in-english';
import fc from 'fast-check';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { writtenJournal, type EntryFields } from '../testing/written-journal';
import { admit } from './admit';
import { lapsOwed } from './state/owed';
import { progressOf } from './state/context';
import { RunningJournal } from './running';
import { stateOf } from './reduce';
import { vehiclesOnCircuit } from './state/day-state';
import type { JournalEntry, RecordedEntry } from './entries/entry';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] })],
  rules: { ...aDay().rules, maxCarsOnTrack: 1 },
});
const plan = aPlan({ drives: [drive('10:00'), drive('10:20', { drive: 'd2', car: 'c2', instructor: 'i2' })] });

/** Both guests cleared and seated. */
function seated() {
  const it = writtenJournal(day, plan);
  for (const guest of ['g1', 'g2']) {
    it.clear(guest);
  }
  it.enter('09:55', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('09:56', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' });
  return it;
}
function running() {
  const it = seated();
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  return it;
}
const offline = <T extends EntryFields>(fields: T): T => ({ ...fields, offline: true });
const d1 = (it: ReturnType<typeof seated>, time: string) => it.state(time).drives.get('d1')!;

describe('Crossings of the line', () => {
  it('are told by the loop to the thousandth, and by the car', () => {
    const it = running();
    it.enter('10:01:20', { kind: 'lineCrossed', car: 'c1', ms: 417 });
    expect(d1(it, '10:02').crossings).toEqual([{ atS: at('10:01:20') + 0.417, source: 'loop', seen: true }]);
    expect(it.state('10:02').cars.get('c1')!.laps).toBe(1);
  });

  it('of a car that is not let out, or of a sighting vehicle, are kept and no lap', () => {
    const it = running();
    it.enter('10:01', { kind: 'lineCrossed', car: 'c2', ms: 0 });
    it.enter('10:01', { kind: 'lineCrossed', car: 's1', ms: 0 });
    expect(it.state('10:02').strays.map(({ car }) => car)).toEqual(['c2', 's1']);
    expect(it.enter('10:02', { kind: 'lineCrossed', car: 'c9', ms: 0 })).toBe('There is no car "c9" today.');
  });

  it('hold in the guest’s favour until somebody settles them', () => {
    const it = running();
    it.enter('10:01:20', { kind: 'lineCrossed', car: 'c1', ms: 0 });
    it.enter('10:01:22', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:02:40', { kind: 'lineCrossed', car: 'c1', ms: 0 });
    expect(progressOf(it.context, d1(it, '10:03')).done).toBe(1);
    it.enter('10:03', { kind: 'lapsSettled', drive: 'd1', crossings: 2 });
    const settled = d1(it, '10:03:10');
    expect(settled.crossings.map(({ atS }) => atS)).toEqual([at('10:01:20'), at('10:02:40')]);
    expect(it.state('10:03:10').cars.get('c1')!.laps).toBe(2);
    it.enter('10:03:20', { kind: 'lapsSettled', drive: 'd1', crossings: 1 });
    const half = it.state('10:03:30');
    expect(tankOf(half, half.cars.get('c1')!).litres).toBe(59);
  });
});

describe('Flags', () => {
  it('keep everybody in, and say since when', () => {
    const it = seated();
    it.enter('09:58', { kind: 'flagCalled', flag: 'caution', reason: 'gravel at Winch' });
    expect(it.enter('09:59', { kind: 'released', drive: 'd1' })).toBe('Caution since 09:58: nobody is let out.');
    it.enter('09:59', { kind: 'flagCalled', flag: 'green' });
    expect(it.enter('10:00', { kind: 'released', drive: 'd1' })).toMatch(/^entry/);
  });

  it('are named before all else that stands against a release', () => {
    const it = seated();
    it.enter('09:57', { kind: 'carHeld', car: 'c1', reason: 'brakes' });
    it.enter('09:58', { kind: 'flagCalled', flag: 'stop' });
    expect(it.enter('09:59', { kind: 'released', drive: 'd1' })).toMatch(/^All-stop since 09:58/);
  });

  it('spoil the laps that are run under them, by themselves', () => {
    const it = running();
    it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:02', { kind: 'flagCalled', flag: 'caution' });
    it.enter('10:03', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:03:10', { kind: 'flagCalled', flag: 'green' });
    it.enter('10:04:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect([...d1(it, '10:05').spoiled]).toEqual([
      [2, 'caution'],
      [3, 'caution'],
    ]);
  });

  it('take two steps back to green after an all-stop', () => {
    const it = running();
    it.enter('10:01', { kind: 'flagCalled', flag: 'stop' });
    expect(it.enter('10:02', { kind: 'flagCalled', flag: 'green' })).toContain('first see that the circuit is clear');
    expect(it.enter('10:02', { kind: 'flagCalled', flag: 'caution' })).toContain('All-stop stands');
    it.enter('10:03', { kind: 'circuitCleared' }, 'Spotter');
    expect(it.state('10:03').flag.clearedBy).toBe('Spotter');
    expect(it.enter('10:04', { kind: 'flagCalled', flag: 'green' })).toMatch(/^entry/);
    expect(it.enter('10:05', { kind: 'circuitCleared' })).toBe('No all-stop is called.');
  });
});

describe('A flag', () => {
  it('is explained once there is time, and not without one', () => {
    const it = running();
    expect(it.enter('10:01', { kind: 'flagExplained', reason: 'car off' })).toContain('No flag is called');
    it.enter('10:01', { kind: 'flagCalled', flag: 'caution' }, 'Spotter');
    it.enter('10:02', { kind: 'flagExplained', reason: 'car off' }, 'Marshal');
    const { by, reason, sinceS } = it.state('10:03').flag;
    expect([by, reason, sinceS]).toEqual(['Spotter', 'car off', at('10:01')]);
  });

  it('does not go green in one step, not even by a device that was away', () => {
    const it = running();
    it.enter('10:01', { kind: 'flagCalled', flag: 'stop' });
    it.enter('10:02', offline({ kind: 'flagCalled', flag: 'green' }));
    expect(it.state('10:03').flag.flag).toBe('stop');
    expect(it.state('10:03').resolved.length).toBe(1);
  });
});

describe('A drive that is broken off', () => {
  it('owes the guest the laps that are left, until they have a new drive', () => {
    const it = running();
    it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:02', { kind: 'brokenOff', drive: 'd1', reason: 'unwell' });
    expect(lapsOwed(it.context, it.state('10:02'), d1(it, '10:02'))).toBe(4);
    expect(it.state('10:02').guests.get('g1')!.unwell).toBe(true);
    expect(it.enter('10:02', { kind: 'brokenOff', drive: 'd1', reason: 'spin' })).toContain('broken off already');
    it.enter('10:03', { kind: 'parked', drive: 'd1' });
    it.enter('10:10', { kind: 'lapsMadeUp', drive: 'd1', in: 'd9' });
    expect(lapsOwed(it.context, it.state('10:10'), d1(it, '10:10'))).toBe(0);
    expect(it.enter('10:11', { kind: 'lapsMadeUp', drive: 'd1', in: 'd10' })).toContain('No laps are owed');
  });
});

describe('Entries made without connection', () => {
  it('join whatever others have entered; what does not fit changes nothing and is told', () => {
    const it = running();
    it.enter('10:05', { kind: 'broughtIn', drive: 'd1' }, 'Tablet A');
    const id = it.enter('10:05:10', offline({ kind: 'broughtIn', drive: 'd1' }), 'Tablet B');
    const state = it.state('10:06');
    expect(state.drives.get('d1')!.inS).toBe(at('10:05'));
    expect(state.resolved).toEqual([
      {
        id,
        kind: 'broughtIn',
        atS: at('10:05:10'),
        by: 'Tablet B',
        what: fact(
          'keptOnly',
          {},
          {
            refusal: fact('wrongStage', { guest: 'g1' }, { stage: 'rollingIn', entry: 'broughtIn' }),
            corrected: undefined,
          },
        ),
      },
    ]);
  });

  it('count the same lap once that two tablets have counted', () => {
    const it = running();
    it.enter('10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' }, 'Tablet A');
    it.enter('10:01:23', offline({ kind: 'lapCounted', drive: 'd1', source: 'hand' }), 'Tablet B');
    expect(d1(it, '10:02').crossings.length).toBe(1);
    expect(d1(it, '10:02').count.marks.map(({ by, as }) => [by, as])).toEqual([
      ['Tablet A', 'counted'],
      ['Tablet B', 'same'],
    ]);
  });

  it('have happened even where that was one car too many', () => {
    const it = running();
    it.enter('10:01', offline({ kind: 'released', drive: 'd2' }));
    expect(it.state('10:02').drives.get('d2')!.stage).toBe('onCircuit');
    expect(it.state('10:02').resolved[0]!.what).toEqual(fact('tooManyOut', {}, { vehicles: 2, most: 1 }));
    expect(it.enter('10:02', offline({ kind: 'parked', drive: 'nobody' }))).toBe('There is no drive "nobody" today.');
  });

  it('lead to the same state in whatever order two tablets come back', () => {
    const marshal: EntryFields[] = [
      { kind: 'released', drive: 'd1' },
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
      { kind: 'broughtIn', drive: 'd1' },
    ];
    const phone: EntryFields[] = [
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
      { kind: 'parked', drive: 'd1' },
    ];
    const made = [...marshal, ...phone].map((fields, place) => ({
      entry: {
        ...fields,
        id: `offline-${place}`,
        at: at('10:00') + place * 71,
        by: place < 3 ? 'A' : 'B',
        offline: true,
      },
    }));
    const seen = (order: readonly (typeof made)[number][]) => {
      const it = seated();
      for (const { entry } of order) {
        const recorded = { seq: it.entries.length + 1, recordedAt: '', entry: entry as JournalEntry };
        expect(admit(it.context, it.entries, recorded.entry).admitted).toBe(true);
        it.entries.push(recorded);
      }
      const { drives, resolved } = it.state('10:30');
      const { crossings, stage, count } = drives.get('d1')!;
      return JSON.stringify([crossings, stage, count, resolved]);
    };
    const expected = seen(made);
    fc.assert(fc.property(fc.shuffledSubarray(made, { minLength: made.length }), (order) => seen(order) === expected));
    expect(expected).toContain('parked');
  });
});

describe('A journal that grows', () => {
  const taps = fc.array(
    fc.record({
      fields: fc.constantFrom<EntryFields>(
        { kind: 'released', drive: 'd1' },
        { kind: 'released', drive: 'd2' },
        { kind: 'lapCounted', drive: 'd1', source: 'hand' },
        { kind: 'lineCrossed', car: 'c1', ms: 5 },
        { kind: 'broughtIn', drive: 'd1' },
        { kind: 'parked', drive: 'd1' },
        { kind: 'debriefed', drive: 'd1' },
        { kind: 'flagCalled', flag: 'caution' },
        { kind: 'flagCalled', flag: 'green' },
        { kind: 'correction', corrects: 'tap-00003' },
      ),
      afterS: fc.integer({ min: -40, max: 90 }),
      offline: fc.boolean(),
    }),
    { maxLength: 40 },
  );

  it('says the same of each entry as the whole journal', () => {
    fc.assert(
      fc.property(taps, (steps) => {
        const it = seated();
        const entries: RecordedEntry[] = [...it.entries];
        const running = new RunningJournal(it.context, entries);
        let atS = at('10:00');
        steps.forEach(({ fields, afterS, offline }, place) => {
          atS = Math.max(at('09:57'), atS + afterS);
          const id = `tap-${String(place).padStart(5, '0')}`;
          const entry = { ...fields, id, at: atS, by: 'Test', ...(offline && { offline }) };
          const plain = admit(it.context, entries, entry);
          expect(running.admit(entry)).toEqual(plain);
          if (plain.admitted) running.add({ seq: entries.length + 1, recordedAt: '', entry });
        });
        expect(stateOf(it.context, entries, at('12:00')).drives.size).toBe(2);
      }),
    );
  });
});

describe('An entry whose time was corrected', () => {
  it('and that does not fit where it came to stand is kept, and its author is asked', () => {
    const it = running();
    const fields = { ...offline({ kind: 'broughtIn', drive: 'd2' }), corrected: { from: at('10:20') } } as EntryFields;
    it.enter('10:03', fields);
    expect(inEnglish(it.context.day).resolution(it.state('10:04').resolved[0]!.what)).toBe(
      "Piet Verhoeve sits in the car and has not been let out and can't be brought in. Kept, but it changes nothing. The clock of that device was ahead: 10:20 was taken as 10:03. If it happened at another time, enter it anew.",
    );
  });
});

describe('A car that breaks down', () => {
  const stands = (safe: boolean): EntryFields => ({
    kind: 'brokenOff',
    drive: 'd1',
    reason: 'fault',
    stands: { safe, place: 0.4 },
  });

  it('stands on the circuit and counts there until somebody enters that it is in', () => {
    const it = running();
    it.enter('10:02', stands(true));
    const state = it.state('10:03');
    expect(d1(it, '10:03').standing).toEqual({ safe: true, place: 0.4, sinceS: at('10:02') });
    expect([vehiclesOnCircuit(state), state.cars.get('c1')!.status]).toEqual([1, 'onCircuit']);
    expect(state.guests.get('g1')!.stage).toBe('onCircuit');
    // The circuit of this day holds one car.
    expect(it.enter('10:04', { kind: 'released', drive: 'd2' })).toContain('1 cars are on the circuit');
    it.enter('10:10', { kind: 'parked', drive: 'd1' });
    expect([vehiclesOnCircuit(it.state('10:11')), d1(it, '10:11').standing]).toEqual([0, undefined]);
    expect(it.enter('10:12', { kind: 'released', drive: 'd2' })).toMatch(/^entry/);
  });

  it('in the way lets nobody out, and keeps an all-stop from being cleared', () => {
    const it = running();
    it.enter('10:02', stands(false));
    expect(it.enter('10:03', { kind: 'released', drive: 'd2' })).toBe(
      'Dunnock Cup with Ines Faro stands in the way since 10:02. Nobody is let out.',
    );
    it.enter('10:03', { kind: 'flagCalled', flag: 'stop' });
    expect(it.enter('10:04', { kind: 'circuitCleared' })).toContain('Enter that it is in');
    it.enter('10:05', { kind: 'broughtIn', drive: 'd1' });
    expect(it.enter('10:06', { kind: 'circuitCleared' })).toMatch(/^entry/);
  });

  it('rolls in where nothing else is said, and owes its laps either way', () => {
    const it = running();
    it.enter('10:02', { kind: 'brokenOff', drive: 'd1', reason: 'unwell' });
    expect(d1(it, '10:03').stage).toBe('rollingIn');
    expect(lapsOwed(it.context, it.state('10:03'), d1(it, '10:03'))).toBe(5);
  });
});
