import type { DriveState } from '@core/journal';

/** Seconds of each lap of a drive, the first from the release on; laps that are not counted yet are missing. */
export function lapTimesOf(drive: DriveState): number[] {
  let fromS = drive.releasedS;
  const laps: number[] = [];
  for (const { atS } of drive.crossings) {
    if (fromS !== undefined) laps.push(atS - fromS);
    fromS = atS;
  }
  return laps;
}
