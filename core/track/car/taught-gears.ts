import { cornerName, type TaughtCorner } from '../circuit';
import { isLap, type Lap, type LapModel } from './lap';
import { Forces, type GearWindows } from './speed-profile';
import { brakingBefore, slowestIn, stationOn } from './braking';

/** How gears are taught at a venue, and in one car. */
export interface GearTeaching {
  /** The taught lap may take so much longer than the best one, seconds. */
  readonly withinS: number;
  /** Gears that guests do not use. */
  readonly without: readonly number[];
  /** The gear in which a corner is taken by order of the venue, by the name of the corner. */
  readonly corners: ReadonlyMap<string, number>;
}

/** A good guest's lap in the gears that are taught, beside the one in the gears that give the most. */
export interface TaughtGears {
  readonly windows: GearWindows | undefined;
  readonly lap: Lap;
  readonly best: Lap;
}

/** The gear before a corner is in so long before the turn-in, metres. */
const BEFORE_TURN_M = 10;
/** A lap is allowed to be a little over while it is being looked for. */
const CLOSE_S = 1e-3;
const TRIES = 8;
/** Where no lap with its gears in before the turns is within the room, it may take so much of it longer than the quickest. */
const NEAR_LEAST = 0.3;
/** The gear before a corner is called from this share of the braking on, as soon as the revolutions allow it. */
const DOWN_FROM = 0.6;

/** From the slowest place of one corner to that of the next, as stations from the first on. */
interface Section {
  readonly from: number;
  readonly stations: number;
  /** So many stations after `from` the gear may be changed up, and so many after it the one of the next corner is in. */
  readonly upFrom: number;
  readonly downAt: number;
  /** Where braking for the next corner begins; `downAt` where nobody brakes. */
  readonly brakesAt: number;
}

/** One way through a section: from the gear of its corner up to another and down to that of the next. */
interface Way {
  readonly gear: number;
  readonly highest: number;
  readonly timeS: number;
}

/**
 * The gears to teach: the fewest changes with which a good guest's lap is within so many seconds of the best one. Each
 * corner is taken in one gear, which is in before the turn-in and held until the last apex (where the corner book rules
 * out changes, until the exit); on the straight behind it the gear is changed up as far as that pays. Which gears these
 * are is found exactly (dynamic programming over the corners, the number of changes and the gear of the first corner) on
 * estimated times of the sections, and tried as a whole lap, with less room as long as it comes out over. Where no such lap
 * is within the room, it is one that is nearly as quick as the quickest of them.
 *
 * @param grip dry 1, damp 0.8, wet 0.65
 * @returns the best lap itself where nothing saves a change, or there is no corner
 */
export function taughtGears(
  model: LapModel,
  taught: readonly TaughtCorner[],
  teaching: GearTeaching,
  grip = 1,
): TaughtGears | undefined {
  const best = model.lap(1, grip);
  if (!isLap(best)) return undefined;
  const unchanged = { windows: undefined, lap: best, best };
  if (taught.length === 0) return unchanged;
  const sections = sectionsOf(best, taught);
  const gears = gearsOf(model, teaching);
  const table = new SectionTimes(model, best, sections, grip);
  const allowed = taught.map((corner) => {
    const ordered = teaching.corners.get(cornerName(corner));
    return ordered !== undefined && ordered <= model.car.gears.length
      ? [Math.max(ordered, model.car.lowestGear)]
      : gears;
  });
  const fewest = new FewestChanges(sections, allowed, gears, table);
  const leastS = fewest.leastS();
  const mostS = Math.max(teaching.withinS, leastS + NEAR_LEAST * teaching.withinS);
  let roomS = mostS;
  for (let turn = 0; turn < TRIES; turn++) {
    const found = fewest.within(roomS);
    if (!found) break;
    const windows = windowsOf(model, best, sections, found);
    const lap = model.taught(windows, 1, grip);
    if (isLap(lap) && lap.lapTimeS - best.lapTimeS <= mostS + CLOSE_S) return { windows, lap, best };
    roomS = isLap(lap) ? roomS - (lap.lapTimeS - best.lapTimeS - mostS) - 0.05 : roomS - 0.25;
  }
  return unchanged;
}

/** Gears that guests use: all from the lowest on but those that are ruled out, unless that would leave none. */
function gearsOf({ car }: LapModel, { without }: GearTeaching): number[] {
  const all = Array.from({ length: car.gears.length - car.lowestGear + 1 }, (_, i) => car.lowestGear + i);
  const left = all.filter((gear) => !without.includes(gear));
  return left.length > 0 ? left : all;
}

function sectionsOf(best: Lap, taught: readonly TaughtCorner[]): Section[] {
  const n = best.speedMps.length;
  const slowest = taught.map((corner) => slowestIn(best, corner));
  return taught.map((corner, place): Section => {
    const next = taught[(place + 1) % taught.length]!;
    const from = slowest[place]!;
    const to = slowest[(place + 1) % taught.length]!;
    const stations = (to - from + n) % n || n;
    const after = (atM: number) => (stationOn(best.line, atM) - from + n) % n;
    const within = (count: number) => (count > stations ? 0 : count);
    const leftAtM = corner.named?.book.noGearChange ? corner.exitM : corner.apexesM.at(-1)!;
    const upFrom = within(after(leftAtM));
    const downAt = Math.max(upFrom, within(after(next.turnInM - BEFORE_TURN_M)));
    const braking = brakingBefore(best, next, corner);
    const brakesAt = braking ? Math.max(upFrom, Math.min(downAt, (braking.from - from + n) % n)) : downAt;
    return { from, stations, upFrom, downAt, brakesAt };
  });
}

/** How long each section takes in each gear of its corner and up to each other gear, estimated once. */
class SectionTimes {
  private readonly forces: Forces;
  private readonly known = new Map<string, number>();

  constructor(
    private readonly model: LapModel,
    private readonly best: Lap,
    private readonly sections: readonly Section[],
    grip: number,
  ) {
    this.forces = new Forces({ car: model.car, gearing: model.gearing, shares: best.shares, grip }, best.line);
  }

  /** Time in the gears that give the most. */
  freeS(): number {
    return this.sections.reduce((sum, _, place) => sum + this.timeS(place, undefined), 0);
  }

  /** Infinite where a gear does not go as fast as the corner that follows is arrived at. */
  wayS(place: number, gear: number, highest: number): number {
    const key = `${place} ${gear} ${highest}`;
    let timeS = this.known.get(key);
    if (timeS === undefined) this.known.set(key, (timeS = this.timeS(place, { gear, highest })));
    return timeS;
  }

  /** Whether the next corner can be arrived at in a gear without braking for the gear alone. */
  reaches(place: number, gear: number): boolean {
    const { from, downAt } = this.sections[place]!;
    const n = this.best.speedMps.length;
    return this.best.speedMps[(from + downAt) % n]! <= this.model.gearing.topMps[gear]!;
  }

  /** Nothing is quicker than the best lap at any place, so that its speed bounds that of any other from above. */
  private timeS(place: number, gears: { readonly gear: number; readonly highest: number } | undefined): number {
    const { from, stations, upFrom } = this.sections[place]!;
    const { line, speedMps } = this.best;
    const { gearing, car } = this.model;
    const n = speedMps.length;
    const top = (gear: number) => gearing.topMps[gear]!;
    let gear = gears?.gear ?? gearing.best(speedMps[from]!);
    let mps = Math.min(speedMps[from]!, top(gears?.gear ?? car.gears.length));
    let timeS = 0;
    for (let k = 0; k < stations; k++) {
      const i = (from + k) % n;
      const highest = gears ? (k < upFrom ? gears.gear : gears.highest) : car.gears.length;
      const best = gearing.best(mps);
      let lostS = 0;
      if (gears ? gear < highest && best > gear : best > gear) {
        gear = gears ? gear + 1 : best;
        lostS = car.shiftS;
      }
      const wayM = line.stepM * Math.sqrt(1 + line.slope[i]! ** 2);
      const takesS = wayM / Math.max(1, mps);
      const pull = this.forces.fullThrottle(i, mps * mps, gear) * (1 - Math.min(1, lostS / takesS));
      const square = mps * mps + 2 * wayM * (pull - this.forces.resistance(i, mps * mps));
      if (square < 1) return Infinity;
      const next = Math.min(Math.sqrt(square), speedMps[(i + 1) % n]!, top(highest));
      timeS += (2 * wayM) / (mps + next);
      mps = next;
    }
    return timeS;
  }
}

/** The quickest way to where a section begins in a gear, after so many changes. */
interface Reached {
  readonly gear: number;
  readonly changes: number;
  readonly ways: readonly Way[];
  readonly timeS: number;
}

/** Ways round with each number of changes: the quickest of each. */
class FewestChanges {
  private readonly freeS: number;
  private readonly ways: readonly (readonly Way[] | undefined)[];

  constructor(
    private readonly sections: readonly Section[],
    private readonly allowed: readonly (readonly number[])[],
    gears: readonly number[],
    private readonly times: SectionTimes,
  ) {
    this.freeS = times.freeS();
    this.ways = this.quickestByChanges(gears);
  }

  /** The way with the fewest changes that takes at most so much longer than the best one. */
  within(roomS: number): readonly Way[] | undefined {
    return this.ways.find((ways) => ways && totalS(ways) <= this.freeS + roomS);
  }

  /** How much longer than the best one the quickest way takes. */
  leastS(): number {
    return Math.min(...this.ways.flatMap((ways) => (ways ? [totalS(ways) - this.freeS] : [])));
  }

  private quickestByChanges(gears: readonly number[]): (readonly Way[] | undefined)[] {
    const most = 4 * this.sections.length;
    const quickest: (readonly Way[] | undefined)[] = [];
    for (const first of this.allowed[0]!) {
      // By the gear in which a section begins and the changes until then: the quickest way there.
      let reached = new Map<string, Reached>();
      reached.set(`${first} 0`, { gear: first, changes: 0, ways: [], timeS: 0 });
      this.sections.forEach((_, place) => {
        const onward: typeof reached = new Map();
        const nextGears = place === this.sections.length - 1 ? [first] : this.allowed[place + 1]!;
        for (const before of reached.values()) {
          const { gear } = before;
          for (const highest of new Set([gear, ...gears.filter((one) => one > gear)])) {
            const wayS = this.times.wayS(place, gear, highest);
            const ups = gears.filter((one) => one > gear && one <= highest).length;
            for (const next of nextGears) {
              if (next > highest || !this.times.reaches(place, next)) continue;
              const changes = before.changes + ups + (highest > next ? 1 : 0);
              const timeS = before.timeS + wayS;
              const known = onward.get(`${next} ${changes}`);
              if (changes > most || !Number.isFinite(timeS) || (known && known.timeS <= timeS)) continue;
              const ways = [...before.ways, { gear, highest, timeS: wayS }];
              onward.set(`${next} ${changes}`, { gear: next, changes, ways, timeS });
            }
          }
        }
        reached = onward;
      });
      for (const { ways, timeS, changes } of reached.values()) {
        const known = quickest[changes];
        if (!known || timeS < totalS(known)) quickest[changes] = ways;
      }
    }
    return quickest;
  }
}

const totalS = (ways: readonly Way[]) => ways.reduce((sum, { timeS }) => sum + timeS, 0);

function windowsOf({ gearing }: LapModel, best: Lap, sections: readonly Section[], ways: readonly Way[]): GearWindows {
  const n = best.speedMps.length;
  const [lowest, highest] = [new Uint8Array(n), new Uint8Array(n)];
  sections.forEach(({ from, stations, upFrom, brakesAt, downAt }, place) => {
    const { gear, highest: top } = ways[place]!;
    const next = ways[(place + 1) % ways.length]!.gear;
    let down = Math.round(brakesAt + DOWN_FROM * (downAt - brakesAt));
    while (down < downAt && best.speedMps[(from + down) % n]! > gearing.topMps[next]!) down += 1;
    for (let k = 0; k < stations; k++) {
      const i = (from + k) % n;
      [lowest[i], highest[i]] = k >= down ? [next, next] : k < upFrom ? [gear, gear] : [gear, top];
    }
  });
  return { lowest, highest };
}
