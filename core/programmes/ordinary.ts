import { FEWEST_CARS, MOST_CARS } from './order-table';

/** What groups and their programmes choose from, and what is usual where nobody says otherwise. */

export const SPACING_PHASES = ['start', 'practised', 'coolDown'] as const;
export type SpacingPhase = (typeof SPACING_PHASES)[number];

/** At the start, in a train of people who have practised, and while cars cool. */
export const ORDINARY_SPACING: Readonly<Record<SpacingPhase, readonly [number, number]>> = {
  start: [6, 7],
  practised: [2, 3],
  coolDown: [5, 6],
};

/** Metres, where nobody says otherwise. */
export const ORDINARY_CAR_M = 4.5;

export const CORNER_STEPS = ['coast', 'lightBrake', 'full'] as const;
export type CornerStep = (typeof CORNER_STEPS)[number];

/** How the cars of a train change places: rolling on a straight, rolling on the way out of a corner, or standing. */
export const CHANGE_WAYS = ['straight', 'corner', 'stopped'] as const;

/** Measured: three stopped changes within twenty minutes of driving. */
export const STOPPED_CHANGE_S = 90;

/** What a rolling one takes of the lap: the others lift until the first is behind them. */
export const ROLLING_CHANGE_S = 15;

export const STATION_KINDS = ['slalom', 'circle', 'figure', 'course'] as const;
export type StationKind = (typeof STATION_KINDS)[number];

/** Driving aids: all on, in part, off. */
export const DRIVING_AIDS = ['on', 'part', 'off'] as const;
export type DrivingAids = (typeof DRIVING_AIDS)[number];

/** Guests' cars that a train may have. */
export const TRAIN_CARS = { fewest: FEWEST_CARS, most: MOST_CARS } as const;

/** The id of the circuit among the surfaces; the others are listed. */
export const CIRCUIT = 'circuit';

/** What people do for a group who do not pay for it. */
export const GROUP_ROLES = ['lead', 'beside', 'inTrain', 'spotter', 'marshal', 'blocker', 'push'] as const;
export type GroupRole = (typeof GROUP_ROLES)[number];
/** Those who speak to the guests: they share a language with each, and no guest avoids them. */
export const SPEAKING_ROLES: ReadonlySet<GroupRole> = new Set(['lead', 'beside', 'spotter']);
