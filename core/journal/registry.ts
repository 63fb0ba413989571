import { type EntryKind, type EntryOf, type JournalEntry } from './entry';
import { carsRules } from './entries/cars';
import { classesRules } from './entries/classes';
import { crewRules } from './entries/crew';
import { dayRules } from './entries/day';
import { drivesRules } from './entries/drives';
import { exercisesRules } from './entries/exercises';
import { flagsRules } from './entries/flags';
import { garageRules } from './entries/garage';
import { groupsRules } from './entries/groups';
import { guestsRules } from './entries/guests';
import { lapsRules } from './entries/laps';
import { situationRules } from './entries/situation';
import type { EntryRules } from './entries/family';

/** What the core does with each kind of entry: a kind that is missing does not compile. */
const RULES: { readonly [K in EntryKind]: EntryRules<EntryOf<K>> } = {
  ...guestsRules,
  ...classesRules,
  ...drivesRules,
  ...lapsRules,
  ...carsRules,
  ...garageRules,
  ...crewRules,
  ...situationRules,
  ...flagsRules,
  ...groupsRules,
  ...exercisesRules,
  ...dayRules,
};

/** The rules of an entry's kind. */
export function rulesOf<E extends JournalEntry>({ kind }: Pick<E, 'kind'>): EntryRules<E> {
  return RULES[kind] as unknown as EntryRules<E>;
}

/** Whose an entry is: the guests that it names, by themselves or by a drive of theirs. */
export function isAbout(entry: JournalEntry, guest: string, drives: ReadonlySet<string>): boolean {
  if ('guest' in entry && entry.guest === guest) return true;
  if ('guests' in entry && entry.guests.includes(guest)) return true;
  return 'drive' in entry && drives.has(entry.drive);
}
