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

/** Seconds by which the best later lap that was not spoiled beats the first; nothing where there are none. */
export function gainOf(drive: DriveState): number | undefined {
  const laps = lapTimesOf(drive);
  const first = laps[0];
  const clean = laps.slice(1).filter((_, place) => !drive.spoiled.has(place + 2));
  return first === undefined || clean.length === 0 ? undefined : first - Math.min(...clean);
}
