import type { Plan, PlannedGroup, Unplanned, UnplannedGroup } from '../../day';
import { DAY_S } from '../../values';
import { passesBetween } from '../../cost';
import { BRIEFING, DRIVE, GROUP, REFUEL, SIGHTING, type GroupTakes, type Occupancy } from './occupancy';
import type { Problem } from './problem';
import { DAY_TERMS, GUEST_TERMS, PARTY_TERMS, WISH_TERMS } from './incremental-terms';

const BLOCK_S = 64;
/** Levels of cars count from 1 to 5. */
const LEVELS = 6;

/** In a repair, a drive is touched only if that saves more than this, in minutes of patience. */
export const RETIMING_PENALTY_MIN = 6;

/**
 * A plan while it is being searched: every occupancy filed under whom and what it occupies, in order of time, with the cost
 * kept up to date. Every change is noted, so that `back` can undo all of them down to a mark.
 */
export class Timetable {
  readonly guestOccupancies: Occupancy[][];
  readonly crewOccupancies: Occupancy[][];
  readonly carDrives: Occupancy[][];
  readonly carRefuels: Occupancy[][];
  readonly vehicleOccupancies: Occupancy[][];
  readonly briefings: Occupancy[] = [];
  readonly refuels: Occupancy[] = [];
  /** By release. */
  readonly circuit: Occupancy[] = [];
  readonly driveOccupancy: (Occupancy | undefined)[];
  readonly groups: Occupancy[] = [];
  readonly groupOccupancy: (Occupancy | undefined)[];
  /** Groups on each surface that is not the circuit. */
  readonly onSurface: Occupancy[][];
  /** Vehicles on the circuit in each second of the day; the limit is reached throughout a closure. */
  readonly load: Uint16Array;
  /** 1 for each second in which no more vehicles may come: the circuit is full or, with a ride on it, as full as rides allow. */
  private readonly full: Uint8Array;
  /** Seconds of each `BLOCK_S` of the day at which the circuit is full, so that a search may pass over whole blocks. */
  private readonly fullSeconds: Uint8Array;
  /** Rides on the circuit in each second of the day, and most other vehicles beside one. */
  private readonly ridesOut: Uint16Array;
  private readonly mostBesideRide: number;
  /** Seconds in which no ride may be out. */
  private readonly noRides: Uint8Array;
  /** Releases that are too near to each second of the day for another one. */
  readonly near: Uint16Array;
  /** Longest time that any vehicle so far has been on the circuit. */
  longestTrackS = 0;
  plannedDrives = 0;
  /** Guests of groups that have a place, each for each of them. */
  plannedMembers = 0;
  readonly allMembers: number;
  /** Seconds held by each instructor, and by all. */
  readonly heldS: Float64Array;
  totalHeldS = 0;
  /** Laps ridden by each instructor, and in cars of each level (`crew * LEVELS + level`). */
  private readonly crewLaps: Uint32Array;
  private readonly crewLevelLaps: Uint32Array;
  /** Passes predicted on the circuit. */
  passes = 0;
  private readonly guestCost: Float64Array;
  private readonly guestUnrest: Float64Array;
  private readonly guestStale: Uint8Array;
  private readonly staleGuests: number[] = [];
  private readonly parties: CostsKept;
  private readonly wishes: CostsKept;
  private readonly trail: Occupancy[] = [];
  private readonly trailAdded: boolean[] = [];
  private readonly totalAvailableS: number;
  private readonly mostOut: number;

  constructor(readonly problem: Problem) {
    const { day, guests, crew, cars, vehicles, drives, groups, surfaces, parties, friendWishes } = problem;
    this.guestOccupancies = guests.map(() => []);
    this.crewOccupancies = crew.map(() => []);
    this.carDrives = cars.map(() => []);
    this.carRefuels = cars.map(() => []);
    this.vehicleOccupancies = vehicles.map(() => []);
    this.driveOccupancy = drives.map(() => undefined);
    this.groupOccupancy = groups.map(() => undefined);
    this.onSurface = surfaces.map(() => []);
    this.allMembers = groups.reduce((sum, { members }) => sum + members.length, 0);
    this.heldS = new Float64Array(crew.length);
    this.guestCost = new Float64Array(guests.length);
    this.guestUnrest = new Float64Array(guests.length);
    this.guestStale = new Uint8Array(guests.length);
    this.parties = new CostsKept(parties.length);
    this.wishes = new CostsKept(friendWishes.length);
    this.totalAvailableS = crew.reduce((sum, { availableS }) => sum + availableS, 0);
    this.load = new Uint16Array(DAY_S + 1);
    this.ridesOut = new Uint16Array(DAY_S + 1);
    this.noRides = new Uint8Array(DAY_S + 1);
    const rides = drives.some(({ drive }) => drive.ride);
    this.mostBesideRide = (rides ? day.rules.rides?.mostBeside : undefined) ?? Infinity;
    if (day.rules.rides?.only) {
      this.noRides.fill(1);
      for (const { from, to } of day.rules.rides.only) this.noRides.fill(0, from, to);
    }
    this.near = new Uint16Array(DAY_S + 1);
    this.full = new Uint8Array(DAY_S + 1);
    this.mostOut = day.rules.maxCarsOnTrack;
    this.fullSeconds = new Uint8Array(Math.ceil((DAY_S + 1) / BLOCK_S));
    this.crewLaps = new Uint32Array(crew.length);
    this.crewLevelLaps = new Uint32Array(crew.length * LEVELS);
    for (const { from, to } of day.circuit.closures) {
      for (let s = from; s < to; s++) this.load[s]! += day.rules.maxCarsOnTrack;
    }
    for (let s = 0; s <= DAY_S; s++) {
      if (this.load[s]! < this.mostOut) continue;
      this.full[s] = 1;
      this.fullSeconds[Math.floor(s / BLOCK_S)]! += 1;
    }
  }

  add(occupancy: Occupancy): void {
    this.apply(occupancy, true);
    this.trail.push(occupancy);
    this.trailAdded.push(true);
  }

  remove(occupancy: Occupancy): void {
    this.apply(occupancy, false);
    this.trail.push(occupancy);
    this.trailAdded.push(false);
  }

  /** Where the list of changes stands now. */
  mark(): number {
    return this.trail.length;
  }

  /** Undoes every change since the mark, the latest first. */
  back(mark: number): void {
    while (this.trail.length > mark) this.apply(this.trail.pop()!, !this.trailAdded.pop()!);
  }

  /** Forgets how to undo: what is, stays. */
  commit(): void {
    this.trail.length = 0;
    this.trailAdded.length = 0;
  }

  private apply(occupancy: Occupancy, added: boolean): void {
    const { kind, crew, guests } = occupancy;
    const file = added ? insert : take;
    if (kind === GROUP) {
      this.applyGroup(occupancy, occupancy.takes!, added);
      return;
    }
    if (kind === REFUEL) {
      file(this.carRefuels[occupancy.car]!, occupancy);
      file(this.refuels, occupancy);
      return;
    }
    for (const guest of guests) {
      file(this.guestOccupancies[guest]!, occupancy);
      this.stale(guest);
    }
    file(this.crewOccupancies[crew]!, occupancy);
    const lengthS = added ? occupancy.endS - occupancy.startS : occupancy.startS - occupancy.endS;
    this.heldS[crew]! += lengthS;
    this.totalHeldS += lengthS;
    if (kind === BRIEFING) {
      file(this.briefings, occupancy);
      return;
    }
    this.applyOnCircuit(occupancy, added);
    if (kind === SIGHTING) file(this.vehicleOccupancies[occupancy.car]!, occupancy);
    else {
      const laps = added ? occupancy.lapsDriven : -occupancy.lapsDriven;
      this.crewLaps[crew]! += laps;
      this.crewLevelLaps[crew * LEVELS + this.problem.cars[occupancy.car]!.car.level]! += laps;
      file(this.carDrives[occupancy.car]!, occupancy);
      this.driveOccupancy[occupancy.drive] = added ? occupancy : undefined;
      this.plannedDrives += added ? 1 : -1;
    }
  }

  private applyOnCircuit(occupancy: Occupancy, added: boolean): void {
    if (added) this.passes += this.passesOf(occupancy);
    (added ? insert : take)(this.circuit, occupancy, true);
    if (!added) this.passes -= this.passesOf(occupancy);
    this.occupy(occupancy, added ? 1 : -1);
  }

  private applyGroup(occupancy: Occupancy, takes: GroupTakes, added: boolean): void {
    const file = added ? insert : take;
    const sign = added ? 1 : -1;
    const lengthS = sign * (occupancy.endS - occupancy.startS);
    for (const guest of occupancy.guests) {
      file(this.guestOccupancies[guest]!, occupancy);
      this.stale(guest);
    }
    for (const { who } of takes.crew) {
      file(this.crewOccupancies[who]!, occupancy);
      this.heldS[who]! += lengthS;
      this.totalHeldS += lengthS;
    }
    for (const car of takes.allCars) file(this.carDrives[car]!, occupancy);
    const { surface } = this.problem.groups[takes.group]!;
    if (surface < 0) this.applyOnCircuit(occupancy, added);
    else file(this.onSurface[surface]!, occupancy);
    file(this.groups, occupancy);
    this.groupOccupancy[takes.group] = added ? occupancy : undefined;
    this.plannedMembers += sign * occupancy.guests.length;
  }

  private occupy(occupancy: Occupancy, by: number): void {
    const { near } = this;
    const { releaseGapS } = this.problem.day.rules;
    const trackEndS = Math.min(occupancy.trackEndS, DAY_S);
    if (this.mostBesideRide === Infinity && occupancy.vehicles === 1) this.occupyOne(occupancy.releaseS, trackEndS, by);
    else this.occupyMany(occupancy, trackEndS, by);
    const to = Math.min(DAY_S, occupancy.releaseS + releaseGapS - 1);
    for (let s = Math.max(0, occupancy.releaseS - releaseGapS + 1); s <= to; s++) near[s]! += by;
    this.longestTrackS = Math.max(this.longestTrackS, occupancy.trackEndS - occupancy.releaseS);
  }

  /** One vehicle more or less: a second becomes full, or stops being full, at one load alone. */
  private occupyOne(releaseS: number, trackEndS: number, by: number): void {
    const { load, full, fullSeconds, mostOut } = this;
    const turn = by > 0 ? mostOut : mostOut - 1;
    for (let s = releaseS; s < trackEndS; s++) {
      const now = load[s]! + by;
      load[s] = now;
      if (now !== turn) continue;
      full[s]! += by;
      fullSeconds[(s / BLOCK_S) | 0]! += by;
    }
  }

  /** A group, or anything where rides are limited by what is beside them. */
  private occupyMany({ releaseS, vehicles, ride }: Occupancy, trackEndS: number, by: number): void {
    const { load, full, fullSeconds, ridesOut, mostOut, mostBesideRide } = this;
    for (let s = releaseS; s < trackEndS; s++) {
      const now = (load[s]! += by * vehicles);
      const rides = (ridesOut[s]! += ride ? by : 0);
      const isFull = now >= mostOut || (rides > 0 && now - rides >= mostBesideRide) ? 1 : 0;
      if (isFull === full[s]) continue;
      full[s] = isFull;
      fullSeconds[(s / BLOCK_S) | 0]! += isFull === 1 ? 1 : -1;
    }
  }

  /** The last second in `[fromS, toS)` at which there is no room for so many vehicles more, or for a ride, or -1. */
  lastWithoutRoom(fromS: number, toS: number, vehicles: number, ride: boolean): number {
    for (let s = toS - 1; s >= fromS; s--) {
      const load = this.load[s]!;
      const rides = this.ridesOut[s]!;
      if (load + vehicles > this.mostOut) return s;
      if (ride ? load - rides > this.mostBesideRide || this.noRides[s] === 1 : false) return s;
      if (!ride && rides > 0 && load - rides + vehicles > this.mostBesideRide) return s;
    }
    return -1;
  }

  /** The last second in `[fromS, toS)` at which the circuit is full, or -1. */
  lastFull(fromS: number, toS: number): number {
    const { full, fullSeconds } = this;
    let s = toS - 1;
    while (s >= fromS) {
      if (fullSeconds[(s / BLOCK_S) | 0] === 0) s -= (s % BLOCK_S) + 1;
      else if (full[s] === 1) return s;
      else s -= 1;
    }
    return -1;
  }

  /** Laps that an instructor rides, in all and in cars of one level. */
  lapsOf(crew: number, level: number): { readonly all: number; readonly ofLevel: number } {
    return { all: this.crewLaps[crew]!, ofLevel: this.crewLevelLaps[crew * LEVELS + level]! };
  }

  /** Passes predicted between a vehicle and all that are on the circuit already. */
  passesOf(running: Pick<Occupancy, 'releaseS' | 'trackEndS' | 'lapsDriven' | 'vehicles'>): number {
    const { circuit } = this;
    let sum = 0;
    for (let i = firstFrom(circuit, running.releaseS - this.longestTrackS); i < circuit.length; i++) {
      const other = circuit[i]!;
      if (other.releaseS >= running.trackEndS) break;
      if (other.trackEndS > running.releaseS) sum += passesBetween(running, other);
    }
    return sum;
  }

  private stale(guest: number): void {
    if (this.guestStale[guest] === 1) return;
    this.guestStale[guest] = 1;
    this.staleGuests.push(guest);
  }

  /** The weighted cost of all that is planned and of all that is not, as `costOf` says. */
  cost(): number {
    this.refresh();
    const { weights } = this.problem;
    let sum = 0;
    for (const { name, amount } of DAY_TERMS) sum += weights[name] * amount(this);
    for (const cost of this.guestCost) sum += cost;
    return sum + this.parties.sum() + this.wishes.sum();
  }

  /** What the search makes small: the cost and, in a repair, a little for each drive that is not as it was. */
  searchCost(): number {
    let sum = this.cost();
    for (const unrest of this.guestUnrest) sum += unrest;
    return sum;
  }

  /** Cost of the terms that are counted over one guest. */
  costOfGuest(guest: number): number {
    this.refresh();
    return this.guestCost[guest]!;
  }

  /** The weighted `balance` if one instructor were held so much longer. */
  balanceWith(crew: number, moreS: number): number {
    return this.problem.weights.balance * this.imbalanceWith(crew, moreS);
  }

  /**
   * What the weighted `balance` becomes for each instructor who were held so much longer, for the price of asking once: the
   * share of all grows alike, whoever it is.
   */
  balancesWith(moreS: number): (crew: number) => number {
    const { heldS, totalAvailableS } = this;
    const facts = this.problem.crew;
    const share = totalAvailableS === 0 ? 0 : (this.totalHeldS + moreS) / totalAvailableS;
    let sum = 0;
    for (let i = 0; i < facts.length; i++) sum += Math.abs(heldS[i]! - share * facts[i]!.availableS);
    const perS = this.problem.weights.balance / 60;
    return (crew) => {
      const apartS = heldS[crew]! - share * facts[crew]!.availableS;
      return (sum - Math.abs(apartS) + Math.abs(apartS + moreS)) * perS;
    };
  }

  /** Minutes by which instructors are held more or less than their share, if one were held so much longer. */
  imbalanceWith(crew: number, moreS: number): number {
    const { heldS, totalAvailableS } = this;
    const facts = this.problem.crew;
    const share = totalAvailableS === 0 ? 0 : (this.totalHeldS + moreS) / totalAvailableS;
    let sum = 0;
    for (let i = 0; i < facts.length; i++) {
      sum += Math.abs(heldS[i]! + (i === crew ? moreS : 0) - share * facts[i]!.availableS);
    }
    return sum / 60;
  }

  /** The weighted `party` of one party if one of them finished at `endS`. */
  partyWith(party: number, guest: number, endS: number): number {
    return this.problem.weights.party * this.partyApartWith(party, guest, endS);
  }

  /** Minutes between the first and the last of a party to finish, if one of them finished at `endS`. */
  partyApartWith(party: number, guest: number, endS: number): number {
    let first = Infinity;
    let last = -Infinity;
    for (const member of this.problem.parties[party]!) {
      const finish = member === guest ? endS : this.finishOf(member);
      if (finish < 0) continue;
      if (finish < first) first = finish;
      if (finish > last) last = finish;
    }
    return last < first ? 0 : (last - first) / 60;
  }

  /** End of a guest's last occupancy, or -1. */
  finishOf(guest: number): number {
    let end = -1;
    for (const occupancy of this.guestOccupancies[guest]!) if (occupancy.endS > end) end = occupancy.endS;
    return end;
  }

  private refresh(): void {
    const { guests } = this.problem;
    for (const guest of this.staleGuests) {
      this.guestStale[guest] = 0;
      this.guestCost[guest] = this.countGuest(guest);
      const { party, wishes } = guests[guest]!;
      if (party >= 0) this.parties.stale(party);
      for (const wish of wishes) this.wishes.stale(wish);
    }
    if (this.staleGuests.length === 0) return;
    this.staleGuests.length = 0;
    this.parties.refresh((party) => this.weighted(PARTY_TERMS, party));
    this.wishes.refresh((wish) => this.weighted(WISH_TERMS, wish));
  }

  private weighted(terms: typeof PARTY_TERMS, of: number): number {
    let cost = 0;
    for (const { name, amount } of terms) cost += this.problem.weights[name] * amount(this, of);
    return cost;
  }

  private countGuest(guest: number): number {
    const { problem } = this;
    const occupancies = this.guestOccupancies[guest]!;
    let cost = 0;
    for (const { name, amount } of GUEST_TERMS) cost += problem.weights[name] * amount(problem, guest, occupancies);
    let unrest = 0;
    for (const occupancy of occupancies)
      if (occupancy.kind === DRIVE && !this.isAsBefore(occupancy)) unrest += RETIMING_PENALTY_MIN;
    this.guestUnrest[guest] = unrest;
    return cost;
  }

  private isAsBefore({ drive, car, crew, releaseS }: Occupancy): boolean {
    const { before } = this.problem.drives[drive]!;
    return !before || (before.releaseS === releaseS && before.car === car && before.crew === crew);
  }

  /** Every occupancy, in no particular order. */
  occupancies(): Occupancy[] {
    const elsewhere = this.onSurface.flat();
    return [...this.briefings, ...this.circuit, ...this.refuels, ...elsewhere];
  }

  /** The plan as it stands, with the drives that were left out. */
  toPlan(unplanned: Unplanned[], unplannedGroups: UnplannedGroup[] = []): Plan {
    const { day, guests, crew, cars, vehicles, drives } = this.problem;
    const held = ({ heldUntilS }: Occupancy) => (heldUntilS === undefined ? {} : { heldUntil: heldUntilS });
    const who = (occupancy: Occupancy) => ({
      instructor: crew[occupancy.crew]!.instructor.id,
      guests: occupancy.guests.map((guest) => guests[guest]!.guest.id),
    });
    const bySort = (a: { release: number }, b: { release: number }) => a.release - b.release;
    return {
      format: 'joylap-plan',
      version: this.problem.groups.length > 0 ? 2 : 1,
      date: day.date,
      briefings: this.briefings.map((occupancy) => ({
        start: occupancy.startS,
        ...who(occupancy),
        ...held(occupancy),
      })),
      sightings: this.circuit
        .filter(({ kind }) => kind === SIGHTING)
        .map((occupancy) => ({
          release: occupancy.releaseS,
          vehicle: vehicles[occupancy.car]!.vehicle.id,
          ...who(occupancy),
          ...held(occupancy),
        })),
      drives: this.circuit
        .filter(({ kind }) => kind === DRIVE)
        .map((occupancy) => ({
          drive: drives[occupancy.drive]!.drive.id,
          car: cars[occupancy.car]!.car.id,
          instructor: crew[occupancy.crew]!.instructor.id,
          release: occupancy.releaseS,
          ...held(occupancy),
        }))
        .sort(bySort),
      refuels: this.refuels.map((occupancy) => ({ car: cars[occupancy.car]!.car.id, start: occupancy.startS })),
      unplanned,
      ...(this.problem.groups.length > 0 && {
        groups: this.groups.map((one) => this.plannedGroup(one)),
        unplannedGroups,
      }),
    };
  }

  private plannedGroup({ takes, releaseS, heldUntilS }: Occupancy): PlannedGroup {
    const { groups, cars, crew } = this.problem;
    const idOf = (car: number) => cars[car]!.car.id;
    return {
      group: groups[takes!.group]!.group.id,
      release: releaseS,
      cars: takes!.cars.map(idOf),
      ...(takes!.leadCar >= 0 && { leadCar: idOf(takes!.leadCar) }),
      crew: takes!.crew.map(({ role, who }) => ({ role, instructor: crew[who]!.instructor.id })),
      ...(heldUntilS !== undefined && { heldUntil: heldUntilS }),
    };
  }
}

/** Costs of numbered things, each counted again only once something of it has changed. */
class CostsKept {
  private readonly costs: Float64Array;
  private readonly isStale: Uint8Array;

  constructor(count: number) {
    this.costs = new Float64Array(count);
    this.isStale = new Uint8Array(count);
  }

  stale(number: number): void {
    this.isStale[number] = 1;
  }

  refresh(count: (number: number) => number): void {
    for (let number = 0; number < this.costs.length; number++) {
      if (this.isStale[number] === 0) continue;
      this.isStale[number] = 0;
      this.costs[number] = count(number);
    }
  }

  sum(): number {
    let sum = 0;
    for (const cost of this.costs) sum += cost;
    return sum;
  }
}

function insert(list: Occupancy[], occupancy: Occupancy, byRelease = false): void {
  let at = list.length;
  list.push(occupancy);
  const key = byRelease ? occupancy.releaseS : occupancy.startS;
  while (at > 0 && (byRelease ? list[at - 1]!.releaseS : list[at - 1]!.startS) > key) {
    list[at] = list[at - 1]!;
    at -= 1;
  }
  list[at] = occupancy;
}

function take(list: Occupancy[], occupancy: Occupancy): void {
  const at = list.indexOf(occupancy);
  if (at < 0) throw new Error('an occupancy was taken out that is not there');
  list.splice(at, 1);
}

/** Position of the first occupancy released at or after a time. */
function firstFrom(circuit: readonly Occupancy[], fromS: number): number {
  let low = 0;
  let high = circuit.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (circuit[middle]!.releaseS < fromS) low = middle + 1;
    else high = middle;
  }
  return low;
}
