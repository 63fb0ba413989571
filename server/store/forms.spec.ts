import { dayContext, stateOf } from '@core/journal';
import { dayOf } from '../services/day';
import { connect, migrated, newestForm } from './database';
import { FIRST_FORM_DATE, FIRST_FORM_ENTRIES, writeFirstForm } from './testing/first-form';
import { openStore } from './index';

/** The day of the first program, written into a database of this form and brought to the newest. */
function readFrom(form: number) {
  const db = migrated(connect(':memory:'), form);
  writeFirstForm(db);
  const store = openStore(migrated(db));
  const day = dayOf(store, FIRST_FORM_DATE);
  const { plan } = store.days.currentPlan(FIRST_FORM_DATE)!;
  const { entries: journal, unreadable } = store.journal.read(FIRST_FORM_DATE);
  const state = stateOf(dayContext(day, plan), journal, 18 * 3600);
  const faults = [unreadable, store.cars.readAll().faults, store.instructors.readAll().faults].flat();
  const [drive] = state.drives.values();
  const guest = state.guests.get('g1')!;
  db.close();
  return { day, plan, journal, faults, drive: { stage: drive!.stage, laps: drive!.crossings.length }, guest };
}

describe('A database of an older form', () => {
  const first = readFrom(1);

  it('has every entry of the first program, of each kind, and the day that they tell', () => {
    expect(first.journal.length).toBe(FIRST_FORM_ENTRIES);
    expect(first.faults).toEqual([]);
    expect(first.day.guests.map(({ name, drives }) => [name, drives[0]!.laps])).toEqual([['Ada Quill', 6]]);
    expect(first.drive).toEqual({ stage: 'done', laps: 1 });
  });

  for (let form = 2; form <= newestForm(); form++) {
    it(`reads the same day from form ${form}`, () => {
      expect(readFrom(form)).toEqual(first);
    });
  }
});
