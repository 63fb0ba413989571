import {
  lineBeside,
  type CentreLine,
  type DrivenLine,
  type NamedCorner,
  corridorOf,
  minimumCurvature,
  taughtCorners,
  teachingOffsets,
} from '../circuit';
import type { Car } from './car';
import { isLap, LapModel } from './lap';

export type LineName = 'centre' | 'racing' | 'teaching';

/**
 * The racing line for a car: minimum curvature, or the centre line where that is quicker (a plain circle).
 *
 * @param centre its stations are where the line is optimised; the result is resampled at the same step
 */
export function racingLine(centre: CentreLine, car: Car, stepM = centre.stepM): DrivenLine {
  const line = lineBeside(centre, minimumCurvature(centre, corridorOf(centre, car.widthM)), stepM);
  return quickest(car, line, centre);
}

/** The line that is taught; never faster than the racing line: where it would be, it keeps further from the edges. */
export function teachingLine(
  centre: CentreLine,
  car: Car,
  named: readonly NamedCorner[],
  stepM = centre.stepM,
  racing = racingLine(centre, car, stepM),
): DrivenLine {
  const taught = taughtCorners(centre, racing, named);
  for (const marginM of [0.5, 1, 1.5, 2.5]) {
    const line = lineBeside(centre, teachingOffsets(centre, taught, car.widthM, marginM), stepM);
    if (quickest(car, racing, line) === racing) return line;
  }
  return racing;
}

/** The quicker of two lines for a good guest in the dry; the first where they are even or neither can be driven. */
function quickest(car: Car, one: DrivenLine, other: DrivenLine): DrivenLine {
  const time = (line: DrivenLine) => {
    const lap = new LapModel(car, line).lap();
    return isLap(lap) ? lap.lapTimeS : Infinity;
  };
  return time(other) < time(one) ? other : one;
}
