import { fact, type Fact } from '../../values';
import { coneKind, type ConeKind, type Legend, type Marker } from './circuit-file';

type Look = Omit<Marker, 'count' | 'pattern'> & Partial<Pick<Marker, 'count' | 'pattern'>>;
const look = (marker: Look): Marker => ({ count: 1, pattern: 'plain', ...marker });
const cone = (colour: string, css: string, count = 1, pattern: Marker['pattern'] = 'plain'): Marker =>
  look({ by: 'cone', count, colour, css, pattern });
const board = (colour: string, css: string, count = 1): Marker => look({ by: 'board', count, colour, css });

/** What is placed by hand alone looks the same everywhere to begin with. */
const BY_HAND = {
  keepOff: board('barred board', '#b05a7a'),
  guideLine: look({ by: 'paint', colour: 'white dashes', css: '#dcd8cc' }),
  safetyZone: cone('lime', '#a8b820', 4),
} as const;

/** Legends to begin with; all invented. What colour and count mean is up to the venue. */
export const LEGENDS: readonly Legend[] = [
  {
    name: 'Four colours',
    brake: cone('white', '#f4f4f0', 2),
    turnIn: cone('violet', '#7d4fc4'),
    apex: cone('yellow', '#f2c230'),
    exit: cone('blue', '#2f7fd1'),
    gate: cone('copper', '#a8663a', 2),
    boundary: cone('orange', '#e0772a'),
    pullOff: board('anchor board', '#27445c'),
    distance: board('number board', '#d8d4c8'),
    ...BY_HAND,
  },
  {
    name: 'One colour, counted',
    brake: cone('orange', '#e0772a', 3),
    turnIn: cone('orange', '#e0772a', 1),
    apex: cone('orange', '#e0772a', 2),
    exit: cone('orange', '#e0772a', 1, 'banded'),
    gate: cone('black', '#3a3a3a', 2, 'banded'),
    boundary: cone('black', '#3a3a3a', 1),
    pullOff: cone('pink', '#d95f9a', 1),
    distance: board('number board', '#d8d4c8'),
    ...BY_HAND,
  },
  {
    name: 'Boards and landmarks',
    brake: board('number board', '#d8d4c8'),
    turnIn: look({ by: 'landmark', colour: 'landmark outside', css: '#8a7a5a' }),
    apex: look({ by: 'landmark', colour: 'landmark inside', css: '#5a7a6a' }),
    exit: look({ by: 'none', colour: 'nothing', css: '#b0aca0' }),
    gate: board('turnstile board', '#a8663a', 2),
    boundary: cone('orange', '#e0772a'),
    pullOff: board('arrow board', '#27445c'),
    distance: look({ by: 'none', colour: 'nothing', css: '#b0aca0' }),
    ...BY_HAND,
  },
];

/** The legend of a circuit: its own, or the first one to begin with. */
export const legendOf = (circuit: { readonly legend?: Legend | undefined } | undefined): Legend =>
  circuit?.legend ?? LEGENDS[0]!;

/** On which side of the road what marks a corner stands; what is placed by hand may stand on either. */
const SIDES: Partial<Record<ConeKind, 'inside' | 'outside'>> = {
  brake: 'outside',
  turnIn: 'outside',
  apex: 'inside',
  exit: 'outside',
};

/** Two meanings that look the same: nobody could tell them apart. */
export type LegendFault = Fact<'sameLook', object, { kinds: readonly [ConeKind, ConeKind]; marker: Marker }>;
/** What looks like something else once one of its cones has fallen over. */
export type LegendWarning = Fact<'fallsInto', object, { kind: ConeKind; becomes: ConeKind; marker: Marker }>;

const placed = (legend: Legend) => coneKind.options.filter((kind) => legend[kind].by !== 'none');
const sharesSide = (a: ConeKind, b: ConeKind) => !SIDES[a] || !SIDES[b] || SIDES[a] === SIDES[b];

function looksLike(one: Marker, other: Marker): boolean {
  const name = ({ colour }: Marker) => colour.trim().toLowerCase();
  return one.by === other.by && name(one) === name(other) && one.count === other.count && one.pattern === other.pattern;
}

/** Meanings that cannot be told apart by colour, number, side and pattern; a legend with one is refused. */
export function legendFaults(legend: Legend): LegendFault[] {
  const kinds = placed(legend);
  return kinds.flatMap((kind, place) =>
    kinds
      .slice(place + 1)
      .filter((other) => sharesSide(kind, other) && looksLike(legend[kind], legend[other]))
      .map((other): LegendFault => fact('sameLook', {}, { kinds: [kind, other], marker: legend[kind] })),
  );
}

/** Meanings that become another one when one cone falls over: a pair beside a single of its colour, a single beside a lying one. */
export function legendWarnings(legend: Legend): LegendWarning[] {
  const kinds = placed(legend);
  return kinds.flatMap((kind) => {
    const marker = legend[kind];
    if (marker.by !== 'cone' || marker.pattern === 'lying') return [];
    const fallen: Marker = marker.count > 1 ? { ...marker, count: marker.count - 1 } : { ...marker, pattern: 'lying' };
    return kinds
      .filter((other) => other !== kind && sharesSide(kind, other) && looksLike(fallen, legend[other]))
      .map((other): LegendWarning => fact('fallsInto', {}, { kind, becomes: other, marker }));
  });
}
