import { driveLapS, paceFactorAt } from '@core/day';
import type { DayContext, DayState } from '@core/journal';
import { normalOf, randomOf, type Random } from '@core/planner';
import { crossingsDue } from '@core/traffic';
import { FIRST_LAP_SD, GAIN_PER_LAP, LAP_SD, LIFT_S, PACE_SD, WAIT_S } from './chance';

interface Lapper {
  readonly vehicle: string;
  readonly isDrive: boolean;
  readonly random: Random;
  /** Seconds of an ordinary lap. */
  readonly paceS: number;
  readonly laps: number;
  progress: number;
  lapS: number;
  lostS: number;
}

/** What happens on the circuit in a second. */
export interface OnTrack {
  /** Vehicles that crossed the line, in thousandths of a second after the second's beginning. */
  readonly crossed: readonly { readonly vehicle: string; readonly ms: number }[];
  readonly passes: number;
}

/** Drives round, second by second, what the journal has let out: laps by chance, passes cost both of them time. */
export class Track {
  private readonly lappers = new Map<string, Lapper>();
  private readonly ahead = new Map<string, number>();

  constructor(private readonly seed: number) {}

  step(context: DayContext, state: DayState): OnTrack {
    this.follow(context, state);
    const crossed: { vehicle: string; ms: number }[] = [];
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
      const lapS = driveLapS(context.day, car, drive.guest, drive.releasedS ?? 0);
      this.take(context, id, drive.car, true, lapS, crossingsDue(context, drive));
    }
    for (const [id, { sinceS }] of state.sightings) {
      const key = `${id} ${sinceS}`;
      out.add(key);
      const vehicle = context.schedule.index.vehicles.get(id);
      if (this.lappers.has(key) || !vehicle) continue;
      const lapS = vehicle.lapTimeS * paceFactorAt(context.day, sinceS);
      this.take(context, key, id, false, lapS, context.day.rules.sighting.laps);
    }
    for (const id of this.lappers.keys()) if (!out.has(id)) this.lappers.delete(id);
  }

  private take(context: DayContext, id: string, vehicle: string, isDrive: boolean, lapS: number, laps: number): void {
    const random = randomOf(this.seed, `laps ${id}`);
    const paceS = lapS * (isDrive ? 1 + PACE_SD * normalOf(random) : 1);
    const lapper = { vehicle, isDrive, random, paceS, laps, progress: 0, lapS, lostS: 0 };
    this.nextLap(context, lapper, 0);
    this.lappers.set(id, lapper);
  }

  private nextLap({ day }: DayContext, lapper: Lapper, lap: number): void {
    const { isDrive, random, paceS } = lapper;
    const first = lap === 0 && isDrive ? (day.rules.firstLapFactor ?? 1) : 1;
    const gain = isDrive ? 1 - GAIN_PER_LAP * lap : 1;
    lapper.lapS = paceS * first * gain * (1 + (lap === 0 ? FIRST_LAP_SD : LAP_SD) * normalOf(random));
  }
}
