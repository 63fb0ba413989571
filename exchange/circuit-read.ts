import type { Circuit, KnownPlace } from '@core/track/circuit';
import type { Fault } from '@core/values';

/** A circuit as it was read, and what had to be assumed for it; or what is wrong with the file. */
export type CircuitRead =
  | { readonly ok: true; readonly circuit: Circuit; readonly assumed: readonly string[] }
  | { readonly ok: false; readonly faults: readonly Fault[] };

export interface CircuitReadOptions {
  /** Widths where the file has none, metres to the left and right. */
  readonly width?: readonly [number, number];
  /** Where a receiver's track crosses the start line; its first point where not given. */
  readonly start?: readonly [latDeg: number, lonDeg: number];
  /** Two places of a file in plane coordinates that are known on the globe. */
  readonly placed?: readonly [KnownPlace, KnownPlace];
  /** Width of the widest car that is to get round. */
  readonly carWidthM?: number;
}

export const failed = (faults: readonly Fault[]): CircuitRead => ({ ok: false, faults });

/** What a file that holds a line alone says of everything beside it. */
export const nothingBeside = () => ({
  corners: [],
  cones: [],
  movedCones: [],
  removedCones: [],
  landmarks: [],
  marshalPosts: [],
});

/** Of a circuit whose file does not say what it is called. */
export const UNNAMED = 'circuit';
