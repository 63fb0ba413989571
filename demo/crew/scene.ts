import type { DayContext, DayState, DriveState, JournalEntry } from '@core/journal';
import { normalOf, randomOf } from '@core/planner';
import { turnsNow, type Activity } from './order';

type DistributiveOmit<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never;
export type DeedFields = DistributiveOmit<JournalEntry, 'id' | 'at' | 'by'>;

/** Something that somebody of the crew enters. */
export interface Deed {
  readonly by: string;
  /** When it was done, seconds since midnight, where that is not just now: a tap belongs to what was seen. */
  readonly atS?: number;
  readonly fields: DeedFields;
}

/** How often a vehicle has come past the line since it was let out, and when it did so last, as somebody there sees it. */
export interface Seen {
  readonly laps: number;
  readonly lastS: number | undefined;
}

/** What people at the circuit see of it. */
export interface Sight {
  readonly ofDrive: (drive: DriveState) => Seen;
  readonly ofRun: (vehicle: string, run: SightingState) => Seen;
}
type SightingState = DayState['sightings'] extends ReadonlyMap<string, infer Run> ? Run : never;

/** Where a timing loop sees every crossing, they are in the journal. */
export const BY_LOOP: Sight = {
  ofDrive: ({ count: { loop = 0, marks } }) => ({
    laps: loop,
    lastS: marks.findLast(({ source }) => source === 'loop')?.atS,
  }),
  ofRun: (_, { crossings }) => ({ laps: crossings.length, lastS: crossings.at(-1) }),
};

/** What one of the crew sees at a moment, with a chance of its own for everything. */
export interface Scene {
  readonly context: DayContext;
  readonly state: DayState;
  readonly nowS: number;
  readonly sight: Sight;
  /** What has its turn by the plan, worked out when first asked for. */
  readonly turns: () => readonly Activity[];
  /** A number between 0 and 1 that is always the same for a thing. */
  readonly draw: (key: string) => number;
  readonly between: (key: string, range: readonly [number, number]) => number;
  readonly normal: (key: string) => number;
  /** Whether something has been possible for so long; begins anew whenever it is not. */
  readonly ripe: (key: string, possible: boolean, afterS: number) => boolean;
}

/** What the crew remembers from one look to the next: since when things are possible, and what chance has drawn. */
export class Memory {
  private readonly since = new Map<string, number>();
  private readonly drawn = new Map<string, number>();

  constructor(private readonly seed: number) {}

  scene(context: DayContext, state: DayState, nowS: number, sight: Sight): Scene {
    const draw = (key: string) => this.once(key, () => randomOf(this.seed, key)());
    let turns: readonly Activity[] | undefined;
    return {
      context,
      state,
      nowS,
      sight,
      turns: () => (turns ??= turnsNow(context, state, nowS)),
      draw,
      between: (key, [low, high]) => low + draw(key) * (high - low),
      normal: (key) => this.once(`normal ${key}`, () => normalOf(randomOf(this.seed, key))),
      ripe: (key, possible, afterS) => {
        if (!possible) return this.since.delete(key) && false;
        const sinceS = this.since.get(key) ?? nowS;
        this.since.set(key, sinceS);
        return nowS >= sinceS + afterS;
      },
    };
  }

  private once(key: string, make: () => number): number {
    let drawn = this.drawn.get(key);
    if (drawn === undefined) this.drawn.set(key, (drawn = make()));
    return drawn;
  }
}
