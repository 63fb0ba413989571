import { circuitOccupancies, type CircuitOccupancy } from '../day';
import type { CostTerm } from './term';

/** The part of a vehicle's time on the circuit that predicts passes. */
export type Running = Pick<CircuitOccupancy, 'releaseS' | 'trackEndS' | 'lapsDriven' | 'vehicles'>;

/**
 * Predicted passes between two vehicles that run at their mean pace: the whole numbers strictly between the difference
 * of laps run when both are on the circuit first and last. Computed as a fraction of whole numbers. Whoever passes a group
 * passes each of its cars.
 */
export function passesBetween(a: Running, b: Running): number {
  const fromS = Math.max(a.releaseS, b.releaseS);
  const toS = Math.min(a.trackEndS, b.trackEndS);
  if (fromS >= toS) return 0;
  const trackA = a.trackEndS - a.releaseS;
  const trackB = b.trackEndS - b.releaseS;
  const denominator = trackA * trackB;
  // Laps that a is ahead of b at both ends, times the denominator.
  const runA = a.lapsDriven * trackB;
  const runB = b.lapsDriven * trackA;
  const x = (fromS - a.releaseS) * runA - (fromS - b.releaseS) * runB;
  const y = (toS - a.releaseS) * runA - (toS - b.releaseS) * runB;
  const low = Math.floor(Math.min(x, y) / denominator);
  const high = Math.ceil(Math.max(x, y) / denominator);
  return Math.max(0, high - low - 1) * a.vehicles * b.vehicles;
}

/** Predicted passes over all pairs on the circuit, drives, sighting runs and groups alike. */
export const passes: CostTerm = {
  name: 'passes',
  weight: 2,
  of: (schedule) => {
    const occupancies = circuitOccupancies(schedule).sort((a, b) => a.releaseS - b.releaseS);
    let sum = 0;
    for (let i = 0; i < occupancies.length; i++) {
      for (let j = i + 1; j < occupancies.length; j++) {
        if (occupancies[j]!.releaseS >= occupancies[i]!.trackEndS) break;
        sum += passesBetween(occupancies[i]!, occupancies[j]!);
      }
    }
    return sum;
  },
};
