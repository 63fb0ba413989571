import type { DriveResult, GuestResult, LapAnalysis } from '@core/people/coaching';
import type { GuestTime } from '@core/day';
import { ENGLISH } from '../en/guests';
import { FRENCH } from '../fr/guests';
import { GERMAN } from '../de/guests';
import type { GuestWords, ResultWords } from './guest-words';

/** What guests read, in their own language. */
export type { CallLine, GuestWords, ResultWords, ShowWords } from './guest-words';

const LANGUAGES = { en: ENGLISH, de: GERMAN, fr: FRENCH } satisfies Record<string, GuestWords>;
export type GuestLanguage = keyof typeof LANGUAGES;
/** Languages in which guests' papers exist. */
export const GUEST_LANGUAGES = Object.keys(LANGUAGES) as GuestLanguage[];

export function guestWords(language: GuestLanguage): GuestWords {
  return LANGUAGES[language];
}

const primaryOf = (code: string) => code.toLowerCase().split(/[-_]/)[0];

/**
 * The language for somebody: the first of theirs that there is; English where there is none.
 *
 * @param spoken codes as they are booked, such as `de` or `fr-CA`, the best one first
 */
export function guestLanguage(spoken: readonly string[]): GuestLanguage {
  const known = spoken.flatMap((code) => GUEST_LANGUAGES.find((language) => language === primaryOf(code)) ?? []);
  return known[0] ?? 'en';
}

/**
 * What somebody reads, in their own language.
 *
 * @param chosen a language that was asked for, before their own
 */
export function wordsFor(spoken: readonly string[], chosen?: string): GuestWords {
  return guestWords(guestLanguage(chosen === undefined ? spoken : [chosen, ...spoken]));
}

/**
 * The language for a group: the one that most of them speak; of those that are level, the one that is the best of most,
 * then the one that stands first in the list of languages.
 */
export function groupLanguage(group: readonly { readonly languages: readonly string[] }[]): GuestLanguage {
  const count = (language: GuestLanguage) => {
    const speak = group.filter(({ languages }) => languages.some((code) => primaryOf(code) === language));
    const best = group.filter(({ languages }) => guestLanguage(languages) === language);
    return speak.length + best.length / (group.length + 1);
  };
  return GUEST_LANGUAGES.toSorted((a, b) => count(b) - count(a))[0]!;
}

/** The times of a drive as people read them: `1:29.0`, and `two laps in 2:32.4` where a crossing was not seen. */
export function lapTexts(
  { laps, untimed }: Pick<LapAnalysis, 'laps' | 'untimed'>,
  { numbers, results }: GuestWords = ENGLISH,
): string[] {
  const texts = laps.map(({ lapS, laps: together }) =>
    together === 1 ? numbers.lapTime(lapS) : results.lapsIn(together, lapS),
  );
  return untimed > 0 ? [...texts, results.lapsWithoutTime(untimed)] : texts;
}

/** What a drive was like, in figures: best lap, gain, pace for the car, steadiness; each where it is known. */
export function driveFigures(
  { analysis, index }: Pick<DriveResult, 'analysis' | 'index'>,
  words: GuestWords,
): string[] {
  const { best, noCleanLap, gain, paceIndex, steady } = words.results;
  const { bestS, gainedS, gainWithinS, spreadS } = analysis;
  return [
    bestS === undefined ? noCleanLap : best(bestS),
    ...(gainedS === undefined ? [] : [gain(gainedS, gainWithinS ?? 0)]),
    ...(index ? [paceIndex(index.index, index.within)] : []),
    ...(spreadS === undefined ? [] : [steady(spreadS)]),
  ];
}

/** What somebody can do now: what was good, and what is no longer wrong. */
export function learnedWords({ good, noLonger }: GuestResult, words: ResultWords): string[] {
  return [...good.map(words.goodThing), ...noLonger.map((fault) => words.noLonger(words.fault(fault).name))];
}

/** What is at a time of a guest's day, and with whom; a line each. */
export function guestTimeWords({ kind, car, laps, instructor, group }: GuestTime, words: GuestWords): string[] {
  const { times, results } = words;
  const what =
    kind === 'drive' || kind === 'ride'
      ? times[kind](car ?? '', laps ?? 0)
      : kind === 'group'
        ? (group ?? '')
        : times[kind];
  return instructor === undefined ? [what] : [what, results.withInstructor(instructor)];
}
