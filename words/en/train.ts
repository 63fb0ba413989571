import type {
  CornerStep,
  FollowProgramme,
  GroupAdvice,
  NextChange,
  OutingPart,
  Spacing,
  SpacingPhase,
  TrainPhase,
} from '@core/programmes';
import { spokenDuration } from '@core/values';
import { tell, type ByCode } from '../by-code';

/** What the leader of a train says by radio, and what people read about groups. */

/** Hues that people have a word for, each up to so many degrees of the circle of colours. */
const HUES: readonly (readonly [upTo: number, name: string])[] = [
  [16, 'red'],
  [40, 'orange'],
  [66, 'yellow'],
  [165, 'green'],
  [195, 'turquoise'],
  [255, 'blue'],
  [290, 'violet'],
  [345, 'pink'],
  [360, 'red'],
];
/** Less colour than this is none, and a little of it in a light one is cream. */
const NO_COLOUR = 0.06;
const LITTLE_COLOUR = 0.2;

/** What a car is called on the radio: the colour by the word that people have for it. @param hex `#3366cc` */
export function colourName(hex: string): string {
  const [red, green, blue] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255) as [
    number,
    number,
    number,
  ];
  const [most, least] = [Math.max(red, green, blue), Math.min(red, green, blue)];
  const [chroma, light] = [most - least, (most + least) / 2];
  if (chroma < NO_COLOUR) return light > 0.88 ? 'white' : light > 0.62 ? 'silver' : light > 0.25 ? 'grey' : 'black';
  const sixth =
    most === red
      ? ((green - blue) / chroma + 6) % 6
      : most === green
        ? (blue - red) / chroma + 2
        : (red - green) / chroma + 4;
  const hue = HUES.find(([upTo]) => sixth * 60 <= upTo)![1];
  const warm = hue === 'orange' || hue === 'yellow';
  if (light > 0.72 && chroma < LITTLE_COLOUR && warm) return 'cream';
  if (light < 0.42 && hue === 'orange') return 'brown';
  return light < 0.12 ? 'black' : hue;
}

/** Who is in a train, as the leader calls them. */
export interface TrainNames {
  /** First name. */
  readonly guest: (id: string) => string;
  /** The name of the colour of the guest's car; nothing where it has none. */
  readonly colour: (guest: string) => string | undefined;
}

/** A line for the radio, and to whom it is said. */
export interface RadioLine {
  readonly to: 'aside' | 'others' | 'last' | 'all';
  readonly words: string;
}

/** How a change is called, in the order in which it is said. */
export function changeCalls(
  change: NextChange,
  { change: how }: Pick<FollowProgramme, 'change'>,
  { guest, colour }: TrainNames,
): RadioLine[] {
  const { aside, order } = change;
  const side = how.side ?? 'right';
  const pass = side === 'right' ? 'left' : 'right';
  const where = how.place === undefined ? '' : how.how === 'corner' ? `leaving ${how.place}, ` : `on ${how.place}, `;
  const slow = how.how === 'stopped' ? 'and stop' : how.slowToKmh ? `and slow to ${how.slowToKmh}` : 'and slow down';
  const names = aside.map(guest).join(' and ');
  const tail = order.at(-1 - aside.length);
  const behindTail = (last: string): RadioLine[] => [
    {
      to: 'aside',
      words: `${names}: in behind the ${colour(last) ?? guest(last)} one, number ${order.indexOf(aside[0]!) + 1}.`,
    },
    { to: 'last', words: `${guest(last)}, you are last: flash when ${names} is behind you.` },
  ];
  return [
    { to: 'aside', words: `${names}: ${where}pull to the ${side} ${slow}.` },
    { to: 'others', words: `The others: pass on the ${pass}, one after the other, and stay in line.` },
    ...(tail === undefined ? [] : behindTail(tail)),
    { to: 'all', words: `${order.length} of ${order.length} there? Then ${guest(order[0]!)} is first. Here we go.` },
  ];
}

/**
 * What everybody knows to do when a radio is lost.
 *
 * @param guest nobody in particular where not given, as on a sheet that is handed out before
 */
export function radioLostWords(guest: string | undefined, side: 'left' | 'right'): RadioLine[] {
  const lost = guest === undefined ? 'Somebody does not hear us' : `${guest} does not hear us`;
  return [
    { to: 'all', words: `${lost}: everybody slow down, hazard lights on.` },
    { to: 'aside', words: `${guest ?? 'Whoever it is'} pulls to the ${side} and stops; the last car stops behind.` },
    { to: 'all', words: 'Swap the set, test it, wait for the flash, then back in at the tail.' },
  ];
}

export const TRAIN_PHASE_WORDS: Readonly<Record<TrainPhase, string>> = {
  warmUp: 'Warming up',
  laps: 'At pace',
  coolDown: 'Cooling down',
  over: 'Bring them in',
};

export const SPACING_WORDS: Readonly<Record<SpacingPhase, string>> = {
  start: 'at the start',
  practised: 'once they are in step',
  coolDown: 'cooling down',
};

/** "6 to 7 lengths at the start: 27 to 32 m, 3.1 s at the slowest place, 0.8 s at the fastest; the train is 170 m long". */
export function spacingWords({ phase, lengths, metres, slowestS, fastestS, trainM }: Spacing): string {
  const apart = `${lengths.join(' to ')} lengths ${SPACING_WORDS[phase]}: ${metres.map(Math.round).join(' to ')} m`;
  const seconds = `${slowestS.toFixed(1)} s at the slowest place, ${fastestS.toFixed(1)} s at the fastest`;
  return `${apart}, ${seconds}; the train is ${Math.round(trainM)} m long`;
}

export const CORNER_STEP_WORDS: Readonly<Record<CornerStep, string>> = {
  coast: 'coast',
  lightBrake: 'brake lightly',
  full: 'full',
};

const PARTS: Readonly<Record<OutingPart['what'], readonly [one: string, many: string]>> = {
  warmUp: ['warm-up lap', 'warm-up laps'],
  laps: ['lap', 'laps'],
  changes: ['change', 'changes'],
  coolDown: ['cool-down lap', 'cool-down laps'],
  turns: ['turn', 'turns'],
  leadLaps: ['lap behind the leader', 'laps behind the leader'],
  stations: ['station', 'stations'],
  walks: ['walk between', 'walks between'],
};

/** "8 laps of 1 min 20 s": what a group's time is made of. */
export function partWords({ what, times, eachS }: OutingPart): string {
  return `${times} ${PARTS[what][times === 1 ? 0 : 1]} of ${spokenDuration(eachS)}`;
}

/** What a manager would want to know before anybody drives; with its full stop. */
export function groupAdviceWords(advice: GroupAdvice): string {
  const sentences: ByCode<GroupAdvice> = {
    notEven: ({ values: { laps, fewer, more, restores } }) => {
      const better = [fewer, more].filter((one) => one !== undefined).join(' or ');
      const how = restores ? 'not everybody leads as often' : 'the order at the start does not come back';
      return `With ${laps} laps ${how}${better === '' ? '' : `; ${better} come out even`}.`;
    },
    otherRhythm: ({ values: { after, stretches } }) =>
      `Changing every ${after} laps would leave somebody out, so the changes come after ${stretches.join(', ')} laps.`,
    tooFewCars: ({ values: { people, cars } }) =>
      `${people} cars are needed and ${cars === 0 ? 'none is' : `${cars} ${cars === 1 ? 'is' : 'are'}`} there: add one, or make it two groups one after the other.`,
    tooManyForOne: ({ values: { people, most } }) =>
      `${people} guests are too many behind one leader, who sees ${most}: make it two groups.`,
    alone: () => 'One guest alone follows nobody: a coached drive would be better, or another guest.',
    moreTeamsThanPeople: ({ values: { teams, people } }) =>
      `${people} guests cannot be ${teams} teams: take fewer teams.`,
  };
  return tell(sentences, advice);
}
