import { lapOfDriveS, paceFactorAt } from '@core/day';
import type { DayContext, DayState } from '@core/journal';
import { crossingsDue } from '@core/live/traffic';
import { LIFT_S, WAIT_S } from './chance';
import { Laps } from './laps';

interface Lapper {
  readonly vehicle: string;
  /** Who drives; nothing on a sighting run. */
  readonly guest: string | undefined;
  readonly chance: Laps;
  /** Seconds of an ordinary lap. */
  readonly paceS: number;
  readonly laps: number;
  progress: number;
  lapS: number;
  lostS: number;
}

interface Crossed {
  readonly vehicle: string;
  readonly ms: number;
}

/** What happens on the circuit in a second. */
export interface OnTrack {
  /** Vehicles that crossed the line, in thousandths of a second after the second's beginning. */
  readonly crossed: readonly Crossed[];
  readonly passes: number;
}

/** Drives round, second by second, what the journal has let out: laps by chance, passes cost both of them time. */
export class Track {
  private readonly lappers = new Map<string, Lapper>();
  private readonly ahead = new Map<string, number>();

  constructor(private readonly seed: number) {}

  step(context: DayContext, state: DayState): OnTrack {
    this.follow(context, state);
    const crossed: Crossed[] = [];
    for (const lapper of this.lappers.values()) {
      if (lapper.progress >= lapper.laps) continue;
      const rate = (lapper.lostS > 0 ? 0.5 : 1) / lapper.lapS;
      lapper.lostS = Math.max(0, lapper.lostS - 0.5);
      const line = Math.floor(lapper.progress) + 1;
      const before = lapper.progress;
      lapper.progress += rate;
      if (lapper.progress < line) continue;
      crossed.push({ vehicle: lapper.vehicle, ms: Math.min(999, Math.floor(((line - before) / rate) * 1000)) });
      this.nextLap(context, lapper, line);
    }
    return { crossed, passes: this.pass() };
  }

  private pass(): number {
    const running = [...this.lappers].filter(([, { progress, laps }]) => progress < laps);
    let passes = 0;
    running.forEach(([id, a], i) => {
      for (const [other, b] of running.slice(i + 1)) {
        const key = `${id} ${other}`;
        const now = Math.floor(a.progress - b.progress);
        const before = this.ahead.get(key);
        this.ahead.set(key, now);
        if (before === undefined || before === now) continue;
        passes += 1;
        const [quick, slow] = now > before ? [a, b] : [b, a];
        quick.lostS += WAIT_S;
        slow.lostS += LIFT_S;
      }
    });
    return passes;
  }

  private follow(context: DayContext, state: DayState): void {
    const out = new Set<string>();
    for (const drive of state.drives.values()) {
      if (drive.stage !== 'onCircuit' || drive.car === undefined) continue;
      const { id } = drive.drive;
      out.add(id);
      const car = context.schedule.index.cars.get(drive.car);
      if (this.lappers.has(id) || !car) continue;
      const lapS = lapOfDriveS(context.day, drive.drive, car, drive.guest, drive.releasedS ?? 0);
      const guest = drive.guest.id;
      this.take(context, id, { vehicle: drive.car, guest, paceS: lapS, laps: crossingsDue(context, drive) });
    }
    for (const [id, { sinceS }] of state.sightings) {
      const key = runKey(id, sinceS);
      out.add(key);
      const vehicle = context.schedule.index.vehicles.get(id);
      if (this.lappers.has(key) || !vehicle) continue;
      const paceS = vehicle.lapTimeS * paceFactorAt(context.day, sinceS);
      this.take(context, key, { vehicle: id, guest: undefined, paceS, laps: context.day.rules.sighting.laps });
    }
    for (const id of this.lappers.keys()) if (!out.has(id)) this.lappers.delete(id);
  }

  private take(context: DayContext, id: string, own: Pick<Lapper, 'vehicle' | 'guest' | 'paceS' | 'laps'>): void {
    const chance = new Laps(this.seed, id, own.guest);
    const lapper = { ...own, chance, progress: 0, lapS: own.paceS, lostS: 0 };
    this.nextLap(context, lapper, 0);
    this.lappers.set(id, lapper);
  }

  private nextLap({ day }: DayContext, lapper: Lapper, lap: number): void {
    const first = lap === 0 && lapper.guest !== undefined ? (day.rules.firstLapFactor ?? 1) : 1;
    lapper.lapS = lapper.paceS * first * lapper.chance.next(lap);
  }
}

/** The same vehicle runs several times a day. */
const runKey = (vehicle: string, sinceS: number): string => `${vehicle} ${sinceS}`;
