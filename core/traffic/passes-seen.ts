import { isSpoiled, type DayContext, type DayState, type DriveState } from '../journal';
import type { LapShape } from './lap-shape';

/** A pass that the crossings of the line tell of, and the lap that it spoiled. */
export interface SeenPass {
  /** Drive that was passed, and that passed. */
  readonly passed: string;
  readonly passing: string;
  readonly atS: number;
  /** Lap of the one that was passed, by the day's custom; 0 is a lap out of the pits that does not count. */
  readonly lap: number;
}

/** A drive's way so far, as far as crossings have shown it: moments and the progress at them. */
interface Track {
  readonly drive: DriveState;
  readonly points: readonly { readonly atS: number; readonly progress: number }[];
}

/**
 * Passes among the drives that are on the circuit now, found where one has gained a lap on the other between two
 * crossings. The one that was passed lifts, so that its lap is the spoiled one. Laps that are marked already are left out.
 */
export function passesSeen(context: DayContext, state: DayState, shape: LapShape): SeenPass[] {
  const tracks: Track[] = [];
  for (const drive of state.drives.values()) {
    if (drive.releasedS === undefined || drive.crossings.length === 0) continue;
    const points = [{ atS: drive.releasedS, progress: shape.pitExit }];
    drive.crossings.forEach(({ atS }, place) => points.push({ atS, progress: place + 1 }));
    tracks.push({ drive, points });
  }
  const running = tracks.filter(({ drive }) => drive.stage === 'onCircuit');
  const outLap = context.day.rules.outLapCounts === false ? 1 : 0;
  const found: SeenPass[] = [];
  for (const passed of running) {
    for (const passing of tracks) {
      if (passing === passed) continue;
      for (const atS of gains(passing, passed)) {
        const crossing = Math.floor(progressAt(passed, atS)) + 1;
        if (isSpoiled(context, passed.drive, crossing)) continue;
        found.push({ passed: passed.drive.drive.id, passing: passing.drive.drive.id, atS, lap: crossing - outLap });
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
