import type { StandingCone } from '@core/api';
import { studyCircuit, type FleetCar, type TeachingCustom } from '@core/track/car';
import type { Circuit } from '@core/track/circuit';

/** What decides where cones stand. */
export interface ConesToPlace {
  readonly circuit: Circuit;
  readonly fleet: readonly FleetCar[];
  readonly paces: readonly number[];
  readonly custom: TeachingCustom;
}

/** Cones and boards as they stand when it is dry, for a map of the circuit. Takes a second or two for a dozen cars. */
export function standingCones({ circuit, fleet, paces, custom }: ConesToPlace): StandingCone[] {
  return studyCircuit(circuit, fleet, paces, 1, custom).cones.cones.flatMap(({ id, xM, yM, marker }) =>
    marker.by === 'cone' || marker.by === 'board'
      ? [{ id, xM, yM, css: marker.css, board: marker.by === 'board' }]
      : [],
  );
}
