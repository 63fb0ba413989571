import fc from 'fast-check';
import { aPlan, at } from '../testing/small-day';
import { tap, TAPPED_DAY } from '../testing/taps';
import type { EntryFields } from '../testing/written-journal';
import { admit } from './admit';
import { dayContext } from './state/context';
import { stateOf } from './reduce';
import { stationCounts, STATIONS, stationOf } from './stations';
import { vehiclesOnCircuit, type DayState } from './state/day-state';
import type { JournalEntry, RecordedEntry } from './entries/entry';

const context = dayContext(TAPPED_DAY, aPlan());

/** Enters what is admitted of a row of taps, ten seconds apart. */
function played(taps: readonly EntryFields[]): RecordedEntry[] {
  const entries: RecordedEntry[] = [];
  taps.forEach((fields, place) => {
    const entry = {
      ...fields,
      id: `entry-${String(place).padStart(4, '0')}`,
      at: at('09:00') + place * 10,
      by: 'Test',
    };
    if (admit(context, entries, entry).admitted) entries.push({ seq: entries.length + 1, recordedAt: '', entry });
  });
  return entries;
}

function impossible(state: DayState): string | undefined {
  const drives = [...state.drives.values()];
  const running = drives.filter(({ stage }) => ['seated', 'onCircuit', 'rollingIn'].includes(stage));
  const twice = (ids: (string | undefined)[]) => new Set(ids).size < ids.length;
  if (vehiclesOnCircuit(state) > 2) return 'too many on the circuit';
  if (twice(running.map(({ car: id }) => id))) return 'two drives in one car';
  if (twice(running.map(({ instructor: id }) => id))) return 'one instructor in two cars';
  for (const { guest: who, releasedS } of running) {
    const guestState = state.guests.get(who.id)!;
    if (!guestState.briefed || !guestState.sighted) return 'a guest drives without class or sighting run';
    if (!guestState.waiver || !guestState.licence || !guestState.helmet) return 'a guest drives without being cleared';
    if (releasedS !== undefined && guestState.arrivedS === undefined) return 'a guest drives without having come';
  }
  for (const drive of drives) {
    if (drive.stage === 'planned' && drive.crossings.length > 0) return 'laps of a drive that never began';
    if (drive.releasedS !== undefined && drive.crossings.some(({ atS }) => atS < drive.releasedS!))
      return 'a lap before the release';
  }
  const counts = stationCounts(state);
  const somewhere = [...state.guests.values()].filter((it) => stationOf(it, state) !== undefined).length;
  return STATIONS.reduce((sum, station) => sum + counts[station], 0) === somewhere
    ? undefined
    : 'a guest is counted twice or not at all';
}

describe('Whatever people tap', () => {
  it('the day never comes into a state that cannot be', () => {
    fc.assert(
      fc.property(fc.array(tap, { maxLength: 120 }), (taps) => {
        const entries = played(taps);
        const found = impossible(stateOf(context, entries, at('12:00')));
        if (found) throw new Error(`${found} after ${entries.map(({ entry }) => entry.kind).join(', ')}`);
      }),
      { numRuns: 150 },
    );
    expect(impossible(stateOf(context, [], at('09:00')))).toBeUndefined();
  });

  it('a correction leads to the same state as if the entry had never been made', () => {
    fc.assert(
      fc.property(fc.array(tap, { minLength: 1, maxLength: 60 }), fc.nat(), (taps, pick) => {
        const entries = played(taps);
        if (entries.length === 0) return;
        const target = entries[pick % entries.length]!;
        const correction: JournalEntry = {
          id: 'correct-1',
          kind: 'correction',
          corrects: target.entry.id,
          at: at('11:00'),
          by: 'Test',
        };
        if (!admit(context, entries, correction).admitted) return;
        const corrected = [...entries, { seq: entries.length + 1, recordedAt: '', entry: correction }];
        const without = entries.filter((recorded) => recorded !== target);
        const text = (list: RecordedEntry[]) =>
          JSON.stringify(stateOf(context, list, at('12:00')), (_, value) =>
            value instanceof Map ? [...value] : value,
          );
        if (text(corrected) !== text(without)) throw new Error(`correcting ${target.entry.kind}`);
      }),
      { numRuns: 100 },
    );
    expect(played([{ kind: 'guestArrived', guest: 'g1' }]).length).toBe(1);
  });
});
