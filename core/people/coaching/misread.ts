import type { CountedAnswers, DayState } from '../../journal';

/** What a guest, or somebody who sat in the same class, has misunderstood there. */
export interface Misread {
  /** What it shows, in the words of the venue: `mixed up brake and turn in cones`. */
  readonly words: string;
  /** Hands that were wrong and all hands of the class, where nobody has said whose they were. */
  readonly hands: { readonly wrong: number; readonly all: number } | undefined;
}

/** Answers are counted in the class or soon after it. */
const COUNTED_WITHIN_S = 1800;

/** What is worth another word to a guest because of the answers in class, in the order in which it was asked. */
export function misreadBy(state: DayState, guest: string): Misread[] {
  const own = [...(state.guests.get(guest)?.misread.values() ?? [])].map(({ words }) => ({ words, hands: undefined }));
  return [...own, ...state.taught.filter(({ guests }) => guests.includes(guest)).flatMap((one) => unnamed(state, one))];
}

/** What was counted in a class or soon after it, before the same instructor began another. */
export function answersIn(
  { garage, taught, classes }: DayState,
  { instructor, sinceS }: { readonly instructor: string; readonly sinceS: number },
): CountedAnswers[] {
  const own = taught.filter((one) => one.instructor === instructor);
  const running = classes.get(instructor)?.sinceS;
  const nextS = Math.min(
    ...[...own.map((one) => one.sinceS), ...(running === undefined ? [] : [running])].filter((atS) => atS > sinceS),
  );
  const endS = own.find((one) => one.sinceS === sinceS)?.endS ?? Infinity;
  const untilS = Math.min(nextS, endS + COUNTED_WITHIN_S);
  return garage.answers.filter(({ instructor: by, atS }) => by === instructor && atS >= sinceS && atS < untilS);
}

/** Wrong hands of a class of which nobody has said whose they were: then they may be anybody's. */
function unnamed(state: DayState, held: DayState['taught'][number]): Misread[] {
  const { guests } = held;
  return answersIn(state, held).flatMap(({ question, hands, misread }) => {
    if (guests.some((id) => state.guests.get(id)?.misread.has(question))) return [];
    const all = hands.reduce((sum, count) => sum + count, 0);
    return misread.flatMap((words, place) =>
      words && hands[place]! > 0 ? [{ words, hands: { wrong: hands[place]!, all } }] : [],
    );
  });
}
