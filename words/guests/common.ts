import { CALL_KINDS, type CallCustoms, type CallKind, type CallKindFacts } from '@core/track/car';
import { ORDINARY_SHOW, type OrdinaryQuestion, type Question } from '@core/people/classroom';
import { GOOD_THINGS, VOCABULARY, type CommonFault, type FaultEntry, type GoodThing } from '@core/people/coaching';
import type { CallLine } from './guest-words';

/** What is the same at every venue has its words in each language; what a venue has changed stays as it was written. */

/** A call in the car: what is said, and what it asks for. */
export type CallWords = Readonly<Record<CallKind, readonly [say: string, means: string]>>;
export type FaultWords = Readonly<Record<CommonFault, readonly [name: string, cure: string]>>;
export type GoodWords = Readonly<Record<GoodThing, string>>;
export type QuestionWords = Readonly<Record<OrdinaryQuestion, Pick<Question, 'text' | 'answers' | 'because'>>>;

const COMMON_FAULTS: ReadonlyMap<string, FaultEntry> = new Map(VOCABULARY.map((entry) => [entry.id, entry]));
const COMMON_QUESTIONS: ReadonlyMap<string, Question> = new Map(ORDINARY_SHOW.questions.map((one) => [one.id, one]));

/** Name and cure of a common fault in a language. */
export function faultIn(words: FaultWords) {
  return (fault: FaultEntry): Pick<FaultEntry, 'name' | 'cure'> => {
    const common = COMMON_FAULTS.get(fault.id);
    if (common?.name !== fault.name || common.cure !== fault.cure) return fault;
    const [name, cure] = words[fault.id as CommonFault];
    return { name, cure };
  };
}

export function goodThingIn(words: GoodWords) {
  return (text: string): string => (GOOD_THINGS.some((one) => one === text) ? words[text as GoodThing] : text);
}

export function questionIn(words: QuestionWords) {
  return (question: Question): Question => {
    const common = COMMON_QUESTIONS.get(question.id);
    const said = (one: Question) => [one.text, ...one.answers, one.because].join('\n');
    if (!common || said(common) !== said(question)) return question;
    return { ...question, ...words[question.id as OrdinaryQuestion] };
  };
}

/** A word that has one in the language, else as it was typed: colours of cones, conditions of the circuit. */
export function wordIn(words: Readonly<Record<string, string>>) {
  return (typed: string): string => words[typed.toLowerCase()] ?? typed;
}

/** The calls of a venue in a language, but for those it does not make: its own words where it has some, what they ask, how long they hold. */
export function callsIn(
  words: CallWords,
  holds: Readonly<Record<CallKindFacts['holds'], string>>,
  blanks: Readonly<Record<'gear' | 'where' | 'side', string>>,
) {
  return (customs: CallCustoms): CallLine[] =>
    Object.entries(CALL_KINDS).flatMap(([key, facts]) => {
      const kind = key as CallKind;
      const custom = customs[kind];
      if (custom?.off) return [];
      const [say, means] = words[kind];
      const own = custom?.say?.replace(/\{(gear|where|side)\}/g, (_, blank: keyof typeof blanks) => blanks[blank]);
      return { kind, say: own ?? say, means, holds: holds[facts.holds] };
    });
}
