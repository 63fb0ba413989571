import type { Programme, ProgrammeKind } from './programme';

interface ProgrammeTraits {
  /** Each guest drives a car of their own, and the cars have an order; otherwise guests share them. */
  readonly ownCars: boolean;
  /** What its guests do, and so which entries of the journal belong to it. */
  readonly exercise: 'train' | 'oval' | 'stations';
}

/** What follows from the kind of a programme: a new kind says all of it here, or does not compile. */
const TRAITS = {
  follow: { ownCars: true, exercise: 'train' },
  throttle: { ownCars: false, exercise: 'oval' },
  lowGrip: { ownCars: false, exercise: 'stations' },
} as const satisfies Record<ProgrammeKind, ProgrammeTraits>;

export function traitsOf({ programme }: { readonly programme: Programme }): ProgrammeTraits {
  return TRAITS[programme.kind];
}

type Exercise = ProgrammeTraits['exercise'];
type KindOf<E extends Exercise> = {
  [K in ProgrammeKind]: (typeof TRAITS)[K]['exercise'] extends E ? K : never;
}[ProgrammeKind];

/** What is set up for an exercise; nothing where the programme is another one. */
export function programmeOf<E extends Exercise>(
  exercise: E,
  programme: Programme,
): Extract<Programme, { kind: KindOf<E> }> | undefined {
  return TRAITS[programme.kind].exercise === exercise
    ? (programme as Extract<Programme, { kind: KindOf<E> }>)
    : undefined;
}
