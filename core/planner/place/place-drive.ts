import { UNNOTICED_S, waitOfGap } from '../../cost';
import { carShift, crewLapsLeft, crewShift, guestGaps, ReleaseScan, type GuestGap } from './fits';
import { FriendsPrice } from './friends';
import { DRIVE, driveOccupancy, type Occupancy } from './occupancy';
import { NO_CHANGE, refuelsWith, type RefuelChange } from './refuels';
import { RETIMING_PENALTY_MIN, type Timetable } from './timetable';

/** A place for a drive, and what the plan with it costs more (without what leaving it out costs). */
export interface DrivePlace {
  readonly occupancy: Occupancy;
  readonly refuels: RefuelChange;
  readonly price: number;
}

/** Puts a drive into the place that was found for it. */
export function putIn(timetable: Timetable, { occupancy, refuels }: DrivePlace): void {
  for (const refuel of refuels.out) timetable.remove(refuel);
  for (const refuel of refuels.in) timetable.add(refuel);
  timetable.add(occupancy);
}

/** Where to look for a drive's place. */
export interface DriveSearch {
  /** Places that cost as much or more are not looked for. */
  readonly below?: number;
  /** After a release that is possible, the next one tried is so many seconds later. */
  readonly stepS?: number;
  /** Chance that a possible release is passed over, to vary the search. */
  readonly skip?: () => boolean;
  /** Only this car, only this instructor. */
  readonly car?: number;
  readonly crew?: number;
  /** Releases from `fromS` up to and with `toS`. */
  readonly fromS?: number;
  readonly toS?: number;
  /** Leave out the checks of one kind of resource, or the order listed, to learn whether that is what stands in the way. */
  readonly ignoring?: 'circuit' | 'car' | 'crew' | 'order';
}

const COARSE_S = 15;

interface Candidate {
  releaseS: number;
  car: number;
  crew: number;
  trackS: number;
  refuels: RefuelChange;
  price: number;
}

/**
 * The cheapest place of a drive among all its cars, instructors and releases, with refuels so that the fuel lasts. The
 * price is exactly what `Timetable.searchCost` grows by, the weight of an unplanned drive left aside. Nothing is added yet.
 */
export function cheapestDrive(timetable: Timetable, drive: number, search: DriveSearch = {}): DrivePlace | undefined {
  const { problem } = timetable;
  const facts = problem.drives[drive]!;
  const best: Candidate = {
    releaseS: -1,
    car: -1,
    crew: -1,
    trackS: 0,
    refuels: NO_CHANGE,
    price: search.below ?? Infinity,
  };
  const gaps = guestGaps(timetable, facts.guest, DRIVE, drive, search.ignoring !== 'order');
  if (gaps.length === 0) return undefined;
  const friends = FriendsPrice.of(timetable, facts.guest);
  for (const option of facts.options) {
    if (search.car !== undefined && search.car !== option.car) continue;
    problem.conditions.forEach((condition, c) => {
      const from = Math.max(condition.fromS, search.fromS ?? 0);
      const to = Math.min(condition.toS - 1, search.toS ?? Infinity);
      if (from > to) return;
      new OneCar(timetable, drive, option.car, option.crew, option.trackS[c]!, search, best, friends).look(
        gaps,
        from,
        to,
      );
    });
  }
  if (best.releaseS < 0) return undefined;
  return {
    occupancy: driveOccupancy(problem, drive, best.car, best.crew, best.releaseS, best.trackS),
    refuels: best.refuels,
    price: best.price,
  };
}

/** The search in one car under one condition: the time on the circuit is known. */
class OneCar {
  private readonly lengthS: number;
  private readonly level: number;
  /** Instructors with laps left, and what each costs wherever the drive goes. */
  private readonly crew: number[] = [];
  private readonly crewPrice: number[] = [];
  /** Release before which an instructor is known not to be free. */
  private readonly crewFrom: number[] = [];
  private readonly order: number[] = [];
  private readonly orderPrice: number[] = [];
  private leastCrewPrice = 0;

  constructor(
    private readonly timetable: Timetable,
    private readonly drive: number,
    private readonly car: number,
    crew: readonly number[],
    private readonly trackS: number,
    private readonly search: DriveSearch,
    private readonly best: Candidate,
    private readonly friends: FriendsPrice | undefined,
  ) {
    const { problem } = timetable;
    const facts = problem.drives[drive]!;
    const { setUpS, wrapUpS } = facts;
    const guest = problem.guests[facts.guest]!;
    const { before } = facts;
    this.lengthS = setUpS + trackS + wrapUpS;
    this.level = problem.cars[car]!.car.level;
    const level = timetable.balanceWith(-1, 0);
    const balanceWith = timetable.balancesWith(this.lengthS);
    for (const who of crew) {
      if (search.crew !== undefined && search.crew !== who) continue;
      if (search.ignoring !== 'crew' && !crewLapsLeft(timetable, who, facts.laps, this.level)) continue;
      let price = balanceWith(who) - level;
      if (guest.likes[who] === 0) price += problem.weights.preference;
      if (friends) price += friends.ofCrew(who);
      if (before && (before.car !== car || before.crew !== who)) price += problem.weights.reassigned;
      this.crew.push(who);
      this.crewPrice.push(price);
      this.crewFrom.push(0);
    }
  }

  look(gaps: readonly GuestGap[], fromS: number, toS: number): void {
    if (this.crew.length === 0) return;
    const { pin } = this.timetable.problem.drives[this.drive]!.drive;
    for (const gap of gaps) {
      const first = Math.max(gap.fromS + this.setUpS, fromS);
      const last = Math.min(gap.toS - this.trackS - this.wrapUpS, toS);
      if (first > last) continue;
      this.inGap(
        gap,
        pin?.release === undefined ? first : Math.max(first, pin.release),
        pin?.release === undefined ? last : Math.min(last, pin.release),
      );
    }
  }

  private get setUpS(): number {
    return this.timetable.problem.drives[this.drive]!.setUpS;
  }
  private get wrapUpS(): number {
    return this.timetable.problem.drives[this.drive]!.wrapUpS;
  }

  private inGap(gap: GuestGap, firstS: number, lastS: number): void {
    const { timetable, best, search, trackS, setUpS, wrapUpS } = this;
    const { problem } = timetable;
    const { guest: guestNumber, laps, before } = problem.drives[this.drive]!;
    const { arrivesS, party } = problem.guests[guestNumber]!;
    const { weights } = problem;
    const rest = problem.day.rules.guestRestS;
    const ride = problem.drives[this.drive]!.drive.ride !== undefined;
    const driveBefore = ride ? undefined : gap.driveBefore;
    const driveAfter = ride ? undefined : gap.driveAfter;
    // A ride is no step between two drives of a guest.
    const fixedPrice = this.priceOfOrder(driveBefore, driveAfter);
    this.sortCrew(driveBefore, driveAfter);
    const waitedBefore = !gap.after
      ? 0
      : waitOfGap(gap.before ? gap.after.startS - gap.before.endS - rest : gap.after.startS - arrivesS);
    const isLast = gap.after === undefined;
    const partyBefore = party >= 0 && isLast ? timetable.partyWith(party, -1, 0) : 0;
    const leastPrice = this.leastCrewPrice + (this.friends?.least ?? 0);
    const scan = new ReleaseScan(timetable, trackS, ride);
    const step = search.stepS ?? COARSE_S;
    const movesFor = before ? weights.moved : 0;

    let releaseS = firstS;
    while (releaseS <= lastS) {
      const startS = releaseS - setUpS;
      const endS = releaseS + trackS + wrapUpS;
      let price =
        weights.waiting *
          (waitOfGap(gap.before ? startS - gap.before.endS - rest : startS - arrivesS) +
            (gap.after ? waitOfGap(gap.after.startS - endS - rest) : 0) -
            waitedBefore) +
        fixedPrice;
      if (party >= 0 && isLast) price += timetable.partyWith(party, guestNumber, endS) - partyBefore;
      if (price + leastPrice >= best.price) {
        // Waiting only grows from here where nothing comes after; a move back to the old release may yet save its price.
        if (isLast && (movesFor === 0 || releaseS > before!.releaseS + UNNOTICED_S)) return;
        if (isLast && price + leastPrice - movesFor >= best.price) return;
        releaseS += step;
        continue;
      }
      if (before && Math.abs(before.releaseS - releaseS) > UNNOTICED_S) price += weights.moved;

      if (search.ignoring !== 'circuit') {
        const allowed = scan.next(releaseS);
        if (allowed > releaseS) {
          releaseS = allowed;
          continue;
        }
      }
      if (search.ignoring !== 'car') {
        const shift = carShift(timetable, this.car, startS, endS, laps);
        if (shift > 0) {
          releaseS += shift;
          continue;
        }
      }
      price +=
        weights.passes * timetable.passesOf({ releaseS, trackEndS: releaseS + trackS, lapsDriven: laps, vehicles: 1 });
      if (this.friends) price += this.friends.ofTime({ startS, endS, releaseS, trackEndS: releaseS + trackS });
      const shift = this.tryCrew(releaseS, price);
      const next = Math.max(step, shift);
      // The old release itself is worth trying, wherever the steps fall.
      const old = before?.releaseS ?? -1;
      releaseS = releaseS < old && releaseS + next > old ? old : releaseS + next;
    }
  }

  /** Takes the cheapest instructor who is free; says after how many seconds it is worth asking again. */
  private tryCrew(releaseS: number, price: number): number {
    const { timetable, best, search, order, orderPrice } = this;
    const startS = releaseS - this.setUpS;
    const endS = releaseS + this.trackS + this.wrapUpS;
    let soonest = Infinity;
    for (let i = 0; i < order.length; i++) {
      if (price + orderPrice[i]! >= best.price) return 0;
      const slot = order[i]!;
      const total = price + orderPrice[i]! + this.unrest(releaseS, this.crew[slot]!);
      if (total >= best.price) continue;
      if (search.ignoring !== 'crew') {
        if (this.crewFrom[slot]! > releaseS) {
          soonest = Math.min(soonest, this.crewFrom[slot]! - releaseS);
          continue;
        }
        const shift = crewShift(timetable, this.crew[slot]!, startS, endS);
        if (shift > 0) {
          this.crewFrom[slot] = releaseS + shift;
          soonest = Math.min(soonest, shift);
          continue;
        }
      }
      if (search.skip?.()) return 0;
      // The dearest question comes last: whether the car has the fuel, or can be given it.
      const refuels = search.ignoring === 'car' ? NO_CHANGE : this.refuelsFor(releaseS);
      if (!refuels) return this.shiftToRefuel(startS);
      best.releaseS = releaseS;
      best.car = this.car;
      best.crew = this.crew[slot]!;
      best.trackS = this.trackS;
      best.refuels = refuels;
      best.price = total;
      return 0;
    }
    return soonest;
  }

  private unrest(releaseS: number, crew: number): number {
    const { before } = this.timetable.problem.drives[this.drive]!;
    const same = !before || (before.releaseS === releaseS && before.car === this.car && before.crew === crew);
    return same ? 0 : RETIMING_PENALTY_MIN;
  }

  /** Ladder and the end of an old continuity: what does not depend on the instructor. */
  private priceOfOrder(before: Occupancy | undefined, after: Occupancy | undefined): number {
    const { cars, weights } = this.timetable.problem;
    const levelOf = (occupancy: Occupancy) => cars[occupancy.car]!.car.level;
    let price = 0;
    if (before && this.level < levelOf(before)) price += weights.ladder;
    if (after && levelOf(after) < this.level) price += weights.ladder;
    if (before && after) {
      if (levelOf(after) < levelOf(before)) price -= weights.ladder;
      if (after.crew !== before.crew) price -= weights.continuity;
    }
    return price;
  }

  /** Instructors by what they cost between these two drives. */
  private sortCrew(before: Occupancy | undefined, after: Occupancy | undefined): void {
    const { continuity } = this.timetable.problem.weights;
    this.order.length = 0;
    this.orderPrice.length = 0;
    for (let slot = 0; slot < this.crew.length; slot++) {
      const who = this.crew[slot]!;
      let price = this.crewPrice[slot]!;
      if (before && before.crew !== who) price += continuity;
      if (after && after.crew !== who) price += continuity;
      let at = this.order.length;
      this.order.push(slot);
      this.orderPrice.push(price);
      while (at > 0 && this.orderPrice[at - 1]! > price) {
        this.order[at] = this.order[at - 1]!;
        this.orderPrice[at] = this.orderPrice[at - 1]!;
        at -= 1;
      }
      this.order[at] = slot;
      this.orderPrice[at] = price;
      this.crewFrom[slot] = 0;
    }
    this.leastCrewPrice = this.orderPrice[0] ?? 0;
  }

  private refuelsFor(releaseS: number): RefuelChange | undefined {
    const trackEndS = releaseS + this.trackS;
    return refuelsWith(this.timetable, this.car, {
      startS: releaseS - this.setUpS,
      endS: trackEndS + this.wrapUpS,
      trackEndS,
      lapsDriven: this.timetable.problem.drives[this.drive]!.laps,
    });
  }

  /** When the car is done with what it does before a start. */
  private freeBefore(startS: number): number {
    const { timetable, car } = this;
    const { turnaroundS } = timetable.problem.day.rules;
    let free = 0;
    for (const occupancy of timetable.carDrives[car]!)
      if (occupancy.startS < startS) free = Math.max(free, occupancy.endS + turnaroundS);
    return free;
  }

  /** Shift after which a refuel before the drive has room, where that is what it lacks; else a coarse step. */
  private shiftToRefuel(startS: number): number {
    const { refuelS } = this.timetable.problem.cars[this.car]!.car.fuel;
    const shift = this.freeBefore(startS) + refuelS - startS;
    return shift > 0 ? shift : 4 * COARSE_S;
  }
}
