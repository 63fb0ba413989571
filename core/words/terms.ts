import type { ConeKind, Marker } from '../circuit';
import type { Phase } from '../coaching';

/** The terms of the field in the language of the screens. */

export const PHASE_WORDS: Record<Phase, string> = {
  look: 'Look',
  brake: 'Brake',
  gear: 'Gear',
  release: 'Release',
  turnIn: 'Turn in',
  apex: 'Apex',
  balance: 'Balance',
  throttle: 'Throttle',
  exit: 'Exit',
  slide: 'Slide',
  whole: 'Whole drive',
};

export const CONE_WORDS: Record<ConeKind, string> = {
  brake: 'brake',
  turnIn: 'turn in',
  apex: 'apex',
  exit: 'exit',
  gate: 'gate',
  boundary: 'boundary',
  pullOff: 'pull off',
};

/** What stands at the road, by number and kind: `a pair of white cones`. */
export function markerWords({ by, count, colour }: Marker, pair: string, cones: (count: number) => string): string {
  if (by !== 'cone') return colour;
  const amount = count === 2 ? `${pair} ` : count > 2 ? `${count} ` : '';
  return `${amount}${cones(count)}`;
}

/** What stands at the road and what it says: `a pair of white cones: brake`. */
export function coneWords(kind: ConeKind, marker: Marker): string {
  const cones = (count: number) => `${marker.colour} ${count > 1 ? 'cones' : 'cone'}`;
  return `${markerWords(marker, 'a pair of', cones)}: ${CONE_WORDS[kind]}`;
}
