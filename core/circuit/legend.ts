import type { Legend, Marker } from './circuit-file';

const cone = (colour: string, css: string, count = 1): Marker => ({ by: 'cone', count, colour, css });

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
    pullOff: { by: 'board', count: 1, colour: 'anchor board', css: '#27445c' },
  },
  {
    name: 'One colour, counted',
    brake: cone('orange', '#e0772a', 3),
    turnIn: cone('orange', '#e0772a', 1),
    apex: cone('orange', '#e0772a', 2),
    exit: cone('orange', '#e0772a', 1),
    gate: cone('black', '#3a3a3a', 2),
    boundary: cone('black', '#3a3a3a', 1),
    pullOff: cone('pink', '#d95f9a', 1),
  },
  {
    name: 'Boards and landmarks',
    brake: { by: 'board', count: 1, colour: 'number board', css: '#d8d4c8' },
    turnIn: { by: 'landmark', count: 1, colour: 'landmark', css: '#8a7a5a' },
    apex: { by: 'landmark', count: 1, colour: 'landmark', css: '#8a7a5a' },
    exit: { by: 'none', count: 1, colour: 'nothing', css: '#b0aca0' },
    gate: { by: 'board', count: 2, colour: 'turnstile board', css: '#a8663a' },
    boundary: cone('orange', '#e0772a'),
    pullOff: { by: 'board', count: 1, colour: 'arrow board', css: '#27445c' },
  },
];

/** The legend of a circuit: its own, or the first one to begin with. */
export const legendOf = (circuit: { readonly legend?: Legend | undefined } | undefined): Legend =>
  circuit?.legend ?? LEGENDS[0]!;
