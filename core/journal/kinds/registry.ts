import type { EntryKind, EntryOf, JournalEntry } from '../entries/entry';
import { carsRules } from './cars';
import { classesRules } from './classes';
import { crewRules } from './crew';
import { dayRules } from './day';
import { drivesRules } from './drives';
import { exercisesRules } from './exercises';
import { flagsRules } from './flags';
import { garageRules } from './garage';
import { groupsRules } from './groups';
import { guestsRules } from './guests';
import { lapsRules } from './laps';
import { situationRules } from './situation';
import type { EntryRules } from './family';

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
