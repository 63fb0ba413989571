import { fact, type Fact } from '../../values';
import type { Legend } from '../../track/circuit';
import { CUE_PLACES, type FaultEntry, type Phase } from './fault-entry';

/**
 * What is said in a moving car has one meaning. A cue must not use a word that orders something else there, names nothing
 * by a colour of its own, and speaks of what stands at the road only as the legend of the venue has it: `{brake}`,
 * `{turnIn}`, `{apex}` and `{exit}` stand for that.
 */

/** What is wrong with the words of a cue. */
export type CueFault =
  | Fact<'namesColour' | 'namesMarker', object, { word: string }>
  | Fact<'ordersOtherwise', object, { word: string }>
  | Fact<'noSuchPlace', object, { word: string }>;

/** Words that order something on the circuit, each with the phases in which a cue may say them; in all others it would mislead. */
const ORDERS: Readonly<Record<string, readonly Phase[]>> = {
  // Calls.
  brake: ['brake', 'gear', 'release'],
  braking: ['brake', 'gear', 'release'],
  release: ['release'],
  lift: ['balance', 'release', 'whole'],
  gear: ['gear'],
  turn: ['turnIn', 'gear'],
  apex: ['apex', 'turnIn'],
  throttle: ['throttle', 'balance', 'exit'],
  exit: ['exit'],
  'let it run': ['exit'],
  'let it roll': [],
  'hold it': ['balance'],
  'hold on': [],
  'and hold': [],
  wait: ['brake', 'turnIn', 'throttle'],
  off: ['release'],
  // Signals of the marshal and the way in.
  stop: [],
  halt: [],
  caution: [],
  'come in': [],
  'go in': [],
  'in now': [],
  'stay in': [],
  // Said alone it is what comes next, whatever that is.
  now: [],
};

const COLOURS =
  'white black grey gray red orange amber yellow green lime blue violet purple pink brown copper silver gold'.split(
    ' ',
  );
const MARKERS = 'cone cones board boards marker markers pylon pylons landmark landmarks pair'.split(' ');

/** What the cones of a legend are called. */
const coloursOf = (legend: Legend): string[] =>
  Object.values(legend).flatMap((marker) =>
    typeof marker === 'string' || marker.by !== 'cone' ? [] : [marker.colour],
  );

/** What is wrong with a cue, in the order in which it is said; nothing where it may be said. */
export function cueFaults(cue: string, phase: Phase, legend: Legend): CueFault[] {
  const text = ` ${cue
    .toLowerCase()
    .replace(/\{\w+\}/g, '·')
    .replace(/[^\p{L}·]+/gu, ' ')} `;
  const says = (word: string) => text.includes(` ${word.toLowerCase()} `);
  const places = [...cue.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
  return [
    ...places
      .filter((name) => !CUE_PLACES.some((place) => place === name))
      .map((word): CueFault => fact('noSuchPlace', {}, { word })),
    ...[...new Set([...COLOURS, ...coloursOf(legend)])]
      .filter(says)
      .map((word): CueFault => fact('namesColour', {}, { word })),
    ...MARKERS.filter(says).map((word): CueFault => fact('namesMarker', {}, { word })),
    ...Object.entries(ORDERS)
      .filter(([word, phases]) => says(word) && !phases.includes(phase))
      .map(([word]): CueFault => fact('ordersOtherwise', {}, { word })),
  ];
}

/** What is wrong with the cues of a fault, each with the field in which it stands. */
export function cueFaultsOf(
  entry: Pick<FaultEntry, 'phase' | 'say' | 'sayOtherwise'>,
  legend: Legend,
): { readonly field: 'say' | 'sayOtherwise'; readonly fault: CueFault }[] {
  return (['say', 'sayOtherwise'] as const).flatMap((field) =>
    cueFaults(entry[field], entry.phase, legend).map((fault) => ({ field, fault })),
  );
}
