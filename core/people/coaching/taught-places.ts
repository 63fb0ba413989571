import { around, type DrivenLine } from '../../track/circuit';
import { lapNearest, type CircuitStudy } from '../../track/car';
import type { TaughtPlace } from './evidence';

/**
 * Where the corners of a circuit are taught, with the speeds of a car at the pace nearest to a guest's.
 *
 * @param pace the guest's, as a factor on a good guest's lap
 * @returns nothing where the study does not know the car
 */
export function taughtPlaces(study: CircuitStudy, car: string | undefined, pace: number): TaughtPlace[] {
  const lap = lapNearest(study.laps, car, pace);
  if (!lap) return [];
  const { lengthM } = study.centre;
  const left = (atM: number) => leftAt(study.teaching, lengthM, atM);
  return study.corners.map(({ name, taught, brake }, i) => {
    const apexM = taught.apexesM.at(-1)!;
    return {
      corner: name,
      turns: taught.corner.direction,
      brakeM: brake?.coneM,
      turnInM: taught.turnInM,
      apexM,
      exitM: taught.exitM,
      slowestKmh: lap.cornersKmh[i]!,
      apexLeftM: left(apexM),
      exitLeftM: taught.exitFree ? undefined : left(taught.exitM),
    };
  });
}

/** How far a driven line lies to the left of the centre line at a place, metres. */
export function leftAt(line: DrivenLine, centreLengthM: number, atM: number): number {
  const wanted = around(atM, centreLengthM);
  const after = line.centreM.findIndex((at) => at >= wanted);
  return line.offsetM[after < 0 ? 0 : after]!;
}
