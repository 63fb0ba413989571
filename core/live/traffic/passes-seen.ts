import { isSpoiled, type DayContext, type DayState, type DriveState } from '../../journal';
import type { LapShape } from './lap-shape';
import type { RunnerName } from './release-advice';

/** A pass that the crossings of the line tell of, and the lap that it spoiled. */
export interface SeenPass {
  /** Drive that was passed, and who passed it. */
  readonly passed: string;
  readonly passing: RunnerName;
  readonly atS: number;
  /** Lap of the one that was passed, by the day's custom; 0 is a lap out of the pits that does not count. */
  readonly lap: number;
}

/** The way of a drive or a run so far, as far as crossings have shown it: moments and the progress at them. */
interface Track {
  readonly of: RunnerName;
  /** Nothing for a sighting vehicle. */
  readonly drive: DriveState | undefined;
  readonly points: readonly { readonly atS: number; readonly progress: number }[];
}

/**
 * By whom the drives that are on the circuit now were passed, sighting vehicles among them, found where one has gained a
 * lap on the other between two crossings. The one that was passed lifts, so that its lap is the spoiled one. Laps that are
 * marked already are left out.
 */
export function passesSeen(context: DayContext, state: DayState, shape: LapShape): SeenPass[] {
  const points = (fromS: number, crossings: readonly number[]) => [
    { atS: fromS, progress: shape.pitExit },
    ...crossings.map((atS, place) => ({ atS, progress: place + 1 })),
  ];
  const running = [...state.drives.values()].filter(
    ({ stage, crossings }) => stage === 'onCircuit' && crossings.length > 0,
  );
  // Who was off before the first of them was let out has passed none of them.
  const sinceS = Math.min(...running.map(({ releasedS }) => releasedS ?? Infinity));
  const tracks: Track[] = [];
  for (const drive of state.drives.values()) {
    if (drive.releasedS === undefined || (drive.crossings.at(-1)?.atS ?? 0) <= sinceS) continue;
    const crossings = drive.crossings.map(({ atS }) => atS);
    const of = { kind: 'drive', vehicle: drive.car ?? '' } as const;
    tracks.push({ of, drive, points: points(drive.releasedS, crossings) });
  }
  const runs = [...state.shown, ...[...state.sightings].map(([vehicle, run]) => ({ vehicle, ...run }))];
  for (const { vehicle, sinceS: outS, crossings } of runs) {
    if ((crossings.at(-1) ?? 0) <= sinceS) continue;
    tracks.push({ of: { kind: 'sighting', vehicle }, drive: undefined, points: points(outS, crossings) });
  }
  const outLap = context.day.rules.outLapCounts === false ? 1 : 0;
  const found: SeenPass[] = [];
  for (const passed of tracks) {
    const { drive } = passed;
    if (drive?.stage !== 'onCircuit') continue;
    for (const passing of tracks) {
      if (passing === passed) continue;
      for (const atS of gains(passing, passed)) {
        const crossing = Math.floor(progressAt(passed, atS)) + 1;
        if (isSpoiled(context, drive, crossing)) continue;
        found.push({ passed: drive.drive.id, passing: passing.of, atS, lap: crossing - outLap });
      }
    }
  }
  return found.sort((a, b) => a.atS - b.atS);
}

/** Moments at which one has gained a whole lap, or drawn level from behind. */
function gains(passing: Track, passed: Track): number[] {
  const fromS = Math.max(passing.points[0]!.atS, passed.points[0]!.atS);
  const toS = Math.min(passing.points.at(-1)!.atS, passed.points.at(-1)!.atS);
  if (fromS >= toS) return [];
  const moments = [fromS, ...passing.points, ...passed.points, toS]
    .map((point) => (typeof point === 'number' ? point : point.atS))
    .filter((atS) => atS >= fromS && atS <= toS)
    .sort((a, b) => a - b);
  const found: number[] = [];
  let before = progressAt(passing, fromS) - progressAt(passed, fromS);
  let beforeS = fromS;
  for (const atS of moments) {
    const ahead = progressAt(passing, atS) - progressAt(passed, atS);
    for (let whole = Math.floor(before) + 1; whole <= ahead; whole++) {
      found.push(beforeS + ((whole - before) / (ahead - before)) * (atS - beforeS));
    }
    [before, beforeS] = [ahead, atS];
  }
  return found;
}

function progressAt({ points }: Track, atS: number): number {
  const next = points.findIndex((point) => point.atS > atS);
  if (next < 0) return points.at(-1)!.progress;
  if (next === 0) return points[0]!.progress;
  const [from, to] = [points[next - 1]!, points[next]!];
  return from.progress + ((atS - from.atS) / (to.atS - from.atS)) * (to.progress - from.progress);
}
