import type { BookingFields } from '@core/venue/booking';
import type { Mention } from '@core/api';
import { isAbout, journalEntry, partsOfName, withoutNames, withoutWords, wordsOf } from '@core/journal';
import * as z from 'zod';
import type { ForGood } from '../base/for-good';
import type { Store } from '../store';

interface OnDay {
  readonly date: string;
  readonly id: string;
}

/** What an erased guest is called. */
const namelessOf = ({ reference }: BookingFields): string => `Guest ${reference}`;

/** Erases guests for good, and again where a backup has brought them back. */
export class Erasing {
  constructor(
    private readonly store: Store,
    private readonly forGood: ForGood,
    private readonly now: () => string,
  ) {}

  /** Notes about others in which e-mail or a part of a guest's name stands; whether they are meant, a person decides. */
  mentions({ date, id }: OnDay): Mention[] {
    const guest = this.store.bookings.get(date, id);
    if (!guest) return [];
    const { name, email, drives } = guest.fields;
    const own = new Set(drives.map((drive) => drive.id));
    const parts = partsOfName(name, email);
    const names = (text: string) => {
      const nameless = withoutNames(text, [name]);
      return withoutNames(nameless, parts) !== nameless;
    };
    const entries = this.store.journal.read(date).entries.flatMap(({ entry }) =>
      isAbout(entry, id, own)
        ? []
        : wordsOf(entry)
            .filter(names)
            .map((text) => ({ date, id: entry.id, of: entry.by, text })),
    );
    const others = this.store.bookings.list(date).flatMap((other) => {
      const { notes = '', name: of } = other.fields;
      return other.id !== id && names(notes) ? [{ date, id: other.id, of, text: notes }] : [];
    });
    return [...others, ...entries];
  }

  /**
   * All of one person or nothing.
   *
   * @param notes ids of the notes about others from which parts of the name are taken as well
   */
  erase(person: readonly OnDay[], notes: readonly string[]): void {
    this.store.db
      .transaction(() => {
        for (const { date, id } of person) {
          this.eraseOn({ date, id }, new Set(notes));
          this.forGood.add({ erased: id, date, notes: [...notes] });
        }
      })
      .immediate();
  }

  /** Erases and puts out again whatever was, as after a backup has been put in the place of the data. */
  again(): void {
    for (const done of this.forGood.all()) {
      if ('putOut' in done) {
        const phone = this.store.phones.get(done.putOut);
        if (phone) this.store.phones.put({ ...phone, put_out_at: this.now() });
        continue;
      }
      const found = this.store.bookings.get(done.date, done.erased);
      if (!found || found.fields.name === namelessOf(found.fields)) continue;
      const erased = { date: done.date, id: done.erased };
      this.store.db.transaction(() => this.eraseOn(erased, new Set(done.notes))).immediate();
    }
  }

  private eraseOn({ date, id }: OnDay, notes: ReadonlySet<string>): void {
    const { store } = this;
    const { fields, version } = store.bookings.get(date, id)!;
    const nameless = namelessOf(fields);
    store.bookings.change(date, id, version, {
      reference: fields.reference,
      name: nameless,
      languages: fields.languages,
      arrives: fields.arrives,
      leavesBy: fields.leavesBy,
      pace: fields.pace,
      gearbox: fields.gearbox,
      touch: fields.touch,
      sequence: fields.sequence,
      price: fields.price,
      paid: fields.paid,
      briefed: fields.briefed,
      sighted: fields.sighted,
      avoidInstructors: [],
      preferInstructors: [],
      drives: fields.drives,
    });
    store.manager.changeReasons(id, []);
    // The name stands in sentences as well: why a plan was made, what it left out, notes about others.
    const erasedAt = this.now();
    store.guests.eraseName(date, fields.name, nameless, erasedAt);
    const [whole, inParts] = [[fields.name], [fields.name, ...partsOfName(fields.name, fields.email)]];
    const namesAt = (note: string) => (notes.has(note) ? inParts : whole);
    for (const other of store.bookings.list(date)) {
      const { notes: said } = other.fields;
      const left = said && withoutNames(said, namesAt(other.id));
      if (left === said) continue;
      store.bookings.change(date, other.id, other.version, { ...other.fields, notes: left });
    }
    const drives = new Set(fields.drives.map((drive) => drive.id));
    for (const { entry } of store.journal.read(date).entries) {
      const erased = withoutWords(entry, id, drives, namesAt(entry.id));
      if (erased) store.guests.erase(entry.id, JSON.stringify(z.encode(journalEntry, erased)), erasedAt);
    }
  }
}
