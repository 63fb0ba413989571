import type { DeviceBody, TrackedCar } from '@core/api';
import { lapOfDriveS, paceFactorAt } from '@core/day';
import type { DayContext, DayState } from '@core/journal';
import { normalOf, randomOf, type Random } from '@core/planner';
import { crossingsDue, offAfter, type LapShape } from '@core/live/traffic';
import { Laps } from '../../demo/crew/laps';

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
  /** Seconds that car and booking promise, and what becomes of them. */
  readonly paceS: number;
  readonly chance: Laps;
  readonly off: number;
  /** Of what devices see. */
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
    private readonly seed: number,
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
        lapper.lapS = lapper.paceS * lapper.chance.next(line);
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
      const car = context.schedule.index.cars.get(drive.car);
      if (this.lappers.has(id) || !car) continue;
      const paceS = lapOfDriveS(context.day, drive.drive, car, drive.guest, drive.releasedS ?? nowS);
      const first = context.day.rules.firstLapFactor ?? 1;
      const sinceS = nowS - (drive.crossings.at(-1)?.atS ?? drive.releasedS ?? nowS);
      const begun = { crossings: drive.crossings.length, sinceS, due: crossingsDue(context, drive), first };
      this.take(id, drive.car, paceS, drive.guest.id, begun);
    }
    for (const [id, run] of state.sightings) {
      const key = `${id} ${run.sinceS}`;
      out.add(key);
      const vehicle = context.schedule.index.vehicles.get(id);
      if (!vehicle || this.lappers.has(key)) continue;
      const paceS = vehicle.lapTimeS * paceFactorAt(context.day, run.sinceS);
      const sinceS = nowS - (run.crossings.at(-1) ?? run.sinceS);
      const begun = { crossings: run.crossings.length, sinceS, due: context.day.rules.sighting.laps, first: 1 };
      this.take(key, id, paceS, undefined, begun);
    }
    for (const id of this.lappers.keys()) if (!out.has(id)) this.lappers.delete(id);
  }

  /** Goes on from the last crossing, or from the release. */
  private take(id: string, transponder: string, paceS: number, guest: string | undefined, begun: Begun): void {
    const { crossings, sinceS, due, first } = begun;
    const random = randomOf(this.seed, `seen ${id}`);
    const chance = new Laps(this.seed, id, guest);
    let lapS = paceS * first * chance.next(0);
    for (let lap = 1; lap <= crossings; lap++) lapS = paceS * chance.next(lap);
    const heldIn = MOST_HELD_IN * random();
    const base = crossings === 0 ? this.shape.pitExit : crossings;
    const progress = Math.min(Math.floor(base) + 0.98, base + Math.max(0, sinceS) / lapS);
    this.lappers.set(id, {
      ...{ transponder, paceS, chance, random, heldIn, progress, lapS },
      off: offAfter(due, this.shape),
      driftM: [DRIFT_M * normalOf(random), DRIFT_M * normalOf(random)],
    });
  }
}

/** How far something has come that the journal has let out. */
interface Begun {
  readonly crossings: number;
  /** Seconds since the last of them, or since the release. */
  readonly sinceS: number;
  /** Crossings after which it comes in. */
  readonly due: number;
  readonly first: number;
}

function tenths(metres: number): number {
  return Math.round(metres * 10) / 10;
}
