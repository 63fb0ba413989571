import type { DeviceBody, TrackedCar } from '@core/api';
import { paceFactorAt } from '@core/day';
import { lapEstimateOf, type DayContext, type DayState } from '@core/journal';
import { normalOf, type Random } from '@core/planner';
import { crossingsDue, offAfter, type LapShape } from '@core/traffic';

/** How often the simulated loop errs, as shares of all crossings. */
export interface ErrorRates {
  readonly missed: number;
  readonly double: number;
}

/** Something that a device sees, and when, in seconds since the venue's midnight. */
export interface Seen {
  readonly atS: number;
  readonly body: DeviceBody;
}

/** One lap differs from the next by this share, and a guest's pace from what is expected. */
const LAP_SD = 0.025;
const PACE_SD = 0.05;
const LOOP_NOISE_S = 0.003;
/** A receiver's error wanders slowly, by so much in all and with so much left of it from one position to the next … */
const DRIFT_M = 1.2;
const DRIFT_KEPT = 0.995;
/** … and each position has a little of its own. */
const JITTER_M = 0.15;
/** Guests use the road less than is taught, by up to this share of its offset from the middle. */
const MOST_HELD_IN = 0.6;
/** A double crossing follows the first one within this time. */
const DOUBLE_WITHIN_S = 1.2;

interface Lapper {
  readonly transponder: string;
  readonly paceS: number;
  readonly off: number;
  readonly random: Random;
  /** Share of the taught offset from the middle of the road that is not used. */
  readonly heldIn: number;
  /** How far the receiver is off, along and across. */
  driftM: readonly [along: number, across: number];
  progress: number;
  lapS: number;
}

/** Drives the cars round that the journal has let out, and tells what a timing loop and trackers would see of them. */
export class CircuitTraffic {
  private readonly lappers = new Map<string, Lapper>();

  constructor(
    private readonly shape: LapShape,
    private readonly lapLengthM: number,
    private readonly rates: ErrorRates,
    private readonly randomOf: (id: string) => Random,
    /** How far to the left of the centre line is taught at a place of the lap, metres; nothing where that is not known. */
    private readonly taughtLeftM: ((share: number) => number) | undefined = undefined,
  ) {}

  /** Everybody on the circuit begins anew from what the journal says, after a jump of the clock. */
  forget(): void {
    this.lappers.clear();
  }

  /** Goes on from one moment to another and gives the crossings on the way, in order. */
  drive(context: DayContext, state: DayState, fromS: number, toS: number): Seen[] {
    this.follow(context, state, fromS);
    const seen: Seen[] = [];
    for (const lapper of this.lappers.values()) {
      let atS = fromS;
      while (atS < toS && lapper.progress < lapper.off) {
        const line = Math.floor(lapper.progress) + 1;
        const lineS = atS + (line - lapper.progress) * lapper.lapS;
        if (lineS > toS) {
          lapper.progress += (toS - atS) / lapper.lapS;
          break;
        }
        lapper.progress = line;
        lapper.lapS = lapper.paceS * (1 + LAP_SD * normalOf(lapper.random));
        atS = lineS;
        seen.push(...this.crossings(lapper, lineS));
      }
    }
    return seen.sort((a, b) => a.atS - b.atS);
  }

  /** What receivers tell of every car that is on the circuit; their errors wander on with each time they are asked. */
  positions(): TrackedCar[] {
    return [...this.lappers.values()]
      .filter(({ progress, off }) => progress < off)
      .map((lapper) => {
        const { transponder, progress, random, heldIn } = lapper;
        const wander = (driftM: number) =>
          DRIFT_KEPT * driftM + DRIFT_M * Math.sqrt(1 - DRIFT_KEPT ** 2) * normalOf(random);
        lapper.driftM = [wander(lapper.driftM[0]), wander(lapper.driftM[1])];
        const [along, across] = lapper.driftM.map((driftM) => driftM + JITTER_M * normalOf(random)) as [number, number];
        const place = this.shape.placeAt(progress);
        const atM = place * this.lapLengthM + along;
        const seen = { transponder, atM: tenths((atM + this.lapLengthM) % this.lapLengthM) };
        if (!this.taughtLeftM) return seen;
        return { ...seen, leftM: tenths((1 - heldIn) * this.taughtLeftM(place) + across) };
      });
  }

  private crossings({ transponder, random }: Lapper, lineS: number): Seen[] {
    const body = { kind: 'crossing', transponder } as const;
    const chance = random();
    const atS = lineS + LOOP_NOISE_S * normalOf(random);
    if (chance < this.rates.missed) return [];
    const doubled = chance < this.rates.missed + this.rates.double;
    return [{ atS, body }, ...(doubled ? [{ atS: atS + 0.2 + random() * DOUBLE_WITHIN_S, body }] : [])];
  }

  /** Takes on who has been let out and lets go who has come in. */
  private follow(context: DayContext, state: DayState, nowS: number): void {
    const out = new Set<string>();
    for (const drive of state.drives.values()) {
      if (drive.stage !== 'onCircuit' || drive.car === undefined) continue;
      const { id } = drive.drive;
      out.add(id);
      if (this.lappers.has(id)) continue;
      const { lapS } = lapEstimateOf(context, drive);
      const first = context.day.rules.firstLapFactor ?? 1;
      const crossings = drive.crossings.length;
      const since = nowS - (drive.crossings.at(-1)?.atS ?? drive.releasedS ?? nowS);
      this.take(id, drive.car, lapS, crossings, since, offAfter(crossingsDue(context, drive), this.shape), first);
    }
    for (const [id, run] of state.sightings) {
      out.add(id);
      const vehicle = context.schedule.index.vehicles.get(id);
      if (!vehicle || this.lappers.has(id)) continue;
      const lapS = vehicle.lapTimeS * paceFactorAt(context.day, run.sinceS);
      const off = offAfter(context.day.rules.sighting.laps, this.shape);
      const since = nowS - (run.crossings.at(-1) ?? run.sinceS);
      this.take(id, id, lapS, run.crossings.length, since, off, 1);
    }
    for (const id of this.lappers.keys()) if (!out.has(id)) this.lappers.delete(id);
  }

  private take(
    id: string,
    transponder: string,
    lapS: number,
    crossings: number,
    sinceS: number,
    off: number,
    firstLapFactor: number,
  ): void {
    const random = this.randomOf(id);
    const paceS = lapS * (1 + PACE_SD * normalOf(random));
    const heldIn = MOST_HELD_IN * random();
    const current = paceS * (crossings === 0 ? firstLapFactor : 1);
    const base = crossings === 0 ? this.shape.pitExit : crossings;
    const progress = Math.min(Math.floor(base) + 0.98, base + Math.max(0, sinceS) / current);
    this.lappers.set(id, {
      transponder,
      paceS,
      off,
      random,
      heldIn,
      driftM: [DRIFT_M * normalOf(random), DRIFT_M * normalOf(random)],
      progress,
      lapS: current,
    });
  }
}

function tenths(metres: number): number {
  return Math.round(metres * 10) / 10;
}
