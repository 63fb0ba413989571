import type { Day } from '../../day';

/** Times that have moved fall on full quarters of a minute. */
export const RASTER_S = 15;

export function onRaster(timeS: number): number {
  return Math.ceil(timeS / RASTER_S) * RASTER_S;
}

/** A stretch on the circuit, and the one that was accepted for it. */
export interface OnCircuit {
  readonly key: string;
  readonly releaseS: number;
  readonly trackEndS: number;
  readonly plannedReleaseS: number;
  readonly plannedTrackEndS: number;
}

/** Until when a release has to wait, and for whom; for nobody where the circuit is shut. */
interface Clash {
  readonly untilS: number;
  readonly after: string | undefined;
}

/** The releases and the time on the circuit as they are expected: who is put in later finds room beside who is there. */
export class CircuitLoad {
  private readonly there: OnCircuit[] = [];

  /** @param shut stretches in which nobody is let out or is on the circuit */
  constructor(
    private readonly rules: Pick<Day['rules'], 'releaseGapS' | 'maxCarsOnTrack'>,
    private readonly shut: readonly { readonly from: number; readonly to: number }[],
  ) {}

  put(one: OnCircuit): void {
    this.there.push(one);
  }

  /**
   * The first moment from `readyS` on at which a vehicle may be let out. A moment that was accepted is no clash with
   * others that are where they were accepted.
   *
   * @param trackS seconds on the circuit, by the release
   */
  firstFrom(readyS: number, plannedS: number, plannedTrackEndS: number, trackS: (releaseS: number) => number): Clash {
    let releaseS = readyS > plannedS ? onRaster(readyS) : plannedS;
    let after: string | undefined;
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      const clash = this.clashAt(releaseS, releaseS + trackS(releaseS), plannedS, plannedTrackEndS);
      if (!clash) break;
      after = clash.after;
      releaseS = onRaster(Math.max(clash.untilS, releaseS + 1));
    }
    return { untilS: releaseS, after };
  }

  private clashAt(releaseS: number, trackEndS: number, plannedS: number, plannedEndS: number): Clash | undefined {
    const asAccepted = releaseS === plannedS && trackEndS <= plannedEndS;
    for (const { from, to } of this.shut) {
      if (!asAccepted && releaseS < to && from < trackEndS) return { untilS: to, after: undefined };
    }
    let moved = !asAccepted;
    const beside: OnCircuit[] = [];
    for (const other of this.there) {
      const gapS = Math.min(this.rules.releaseGapS, Math.abs(plannedS - other.plannedReleaseS));
      if (Math.abs(releaseS - other.releaseS) < gapS) return { untilS: other.releaseS + gapS, after: other.key };
      if (other.releaseS >= trackEndS || other.trackEndS <= releaseS) continue;
      beside.push(other);
      moved ||= other.releaseS !== other.plannedReleaseS || other.trackEndS > other.plannedTrackEndS;
    }
    if (!moved || beside.length < this.rules.maxCarsOnTrack) return undefined;
    for (const momentS of [releaseS, ...beside.map((other) => other.releaseS).filter((atS) => atS > releaseS)]) {
      const then = beside.filter((other) => other.releaseS <= momentS && momentS < other.trackEndS);
      if (then.length < this.rules.maxCarsOnTrack) continue;
      const first = then.reduce((soonest, other) => (other.trackEndS < soonest.trackEndS ? other : soonest));
      return { untilS: first.trackEndS, after: first.key };
    }
    return undefined;
  }
}

/** A circuit on which that many attempts find no room has none for the rest of the day. */
const MOST_TRIES = 400;
