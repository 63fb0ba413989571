import { secondsOf } from '../values';
import type { Day, Plan } from '../day';
import { admit, dayContext, stateOf, type JournalEntry, type RecordedEntry } from '../journal';

import { inEnglish } from './in-english';

export type EntryFields = JournalEntry extends infer E
  ? E extends JournalEntry
    ? Omit<E, 'id' | 'at' | 'by'>
    : never
  : never;

/** A journal that is written as on the day: each entry is checked, and refusals come back as their sentence. */
export function writtenJournal(day: Day, plan: Plan) {
  const context = dayContext(day, plan);
  const entries: RecordedEntry[] = [];
  const tell = inEnglish(day);
  return {
    context,
    entries,
    enter(time: string, fields: EntryFields, by = 'Test'): string {
      const id = `entry-${String(entries.length).padStart(4, '0')}`;
      const entry = { ...fields, id, at: secondsOf(time), by };
      const admission = admit(context, entries, entry);
      if (!admission.admitted) return tell.refusal(admission.refusal);
      entries.push({ seq: entries.length + 1, recordedAt: '2027-05-22T08:00:00.000Z', entry });
      return id;
    },
    /** Through the gate: arrived, with everything that is seen to there. */
    clear(guest: string, time = '09:00'): void {
      for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
        this.enter(time, { kind, guest });
      }
    },
    state: (time: string) => stateOf(context, entries, secondsOf(time)),
    stage: (time: string, guest = 'g1') => stateOf(context, entries, secondsOf(time)).guests.get(guest)!.stage,
  };
}
