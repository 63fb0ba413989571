import {
  carsOf,
  crewOf,
  holdsAround,
  sightingTrackS,
  type BriefingOccupancy,
  type CarOccupancy,
  type CircuitOccupancy,
  type DriveOccupancy,
  type GroupOccupancy,
  type PersonOccupancy,
  type RefuelOccupancy,
  type SightingOccupancy,
} from '../../day';
import { CIRCUIT } from '../../programmes';
import type { Interval } from '../../values';
import type { GuestState } from '../../journal';
import { onRaster } from './circuit-load';
import type { Blocked, Occupancy, Stuck, Waited } from './expected';
import { freeAfter, type Holds, type InPlace } from './holds';

/** A class or a run waits so long for guests who are not there, and begins without them. */
const WAITS_FOR_GUESTS_S = 3 * 60;

/** The earliest begin so far, and what it waits for. */
interface Ready {
  atS: number;
  waited: Waited | undefined;
}

interface Need {
  readonly kind: 'car' | 'crew' | 'guest' | 'vehicle';
  readonly id: string;
}

/** What is to come: each begins as soon as everything that it needs is let go; to be called in the order of the plan. */
export class ToCome {
  readonly stuck = new Map<string, Stuck>();

  constructor(private readonly holds: Holds) {}

  readonly classToCome = (key: string, occupancy: BriefingOccupancy): void => {
    const ready = this.ready(key, occupancy, this.crewOf(occupancy), []);
    if (!ready) return;
    const there = this.gather(occupancy, ready);
    if (there.length === 0) return this.missed(key, occupancy);
    const lengthS = occupancy.endS - occupancy.startS;
    this.rest(occupancy, ready);
    const startS = this.freePlace(this.holds.classes, this.holds.day.rules.briefing.rooms, ready, occupancy, 'room');
    for (const { guest } of there) this.holds.taught.add(guest.id);
    this.holds.classes.push({ key, startS, endS: startS + lengthS, asAccepted: startS === occupancy.startS });
    const times = { startS, releaseS: startS, trackEndS: startS + lengthS, endS: startS + lengthS };
    this.holds.hold({ key, occupancy, phase: 'toCome', ...times }, undefined, ready.waited, there);
  };

  readonly runToCome = (key: string, occupancy: SightingOccupancy): void => {
    const vehicle = { kind: 'vehicle', id: occupancy.sighting.vehicle } as const;
    const ready = this.ready(key, occupancy, [...this.crewOf(occupancy), vehicle], []);
    if (!ready) return;
    const there = this.gather(occupancy, ready).filter(({ guest }) => this.holds.taught.has(guest.id));
    if (there.length === 0) return this.missed(key, occupancy);
    const { setUpS, wrapUpS } = this.holds.day.rules.sighting;
    const trackS = (releaseS: number) =>
      occupancy.vehicle ? sightingTrackS(this.holds.day, occupancy.vehicle, releaseS) : 0;
    this.rest(occupancy, ready);
    const { releaseS, trackEndS, after } = this.holds.letOut(key, occupancy, ready.atS + setUpS, trackS);
    const waited = this.heldBack(ready, occupancy, releaseS, after);
    for (const { guest } of there) this.holds.shown.add(guest.id);
    const times = { startS: releaseS - setUpS, releaseS, trackEndS, endS: trackEndS + wrapUpS };
    this.holds.hold({ key, occupancy, phase: 'toCome', ...times }, undefined, waited, there);
  };

  readonly driveToCome = (key: string, occupancy: DriveOccupancy): void => {
    const { setUpS, wrapUpS } = holdsAround(this.holds.day, occupancy.drive);
    const guests = this.holds.coming(occupancy.guests);
    const car = { kind: 'car', id: occupancy.planned.car } as const;
    const ready = this.ready(
      key,
      occupancy,
      [...this.crewOf(occupancy), car, ...guests.map(({ guest }): Need => ({ kind: 'guest', id: guest.id }))],
      guests,
    );
    if (!ready) return;
    this.coolDown(occupancy, ready, occupancy.planned.car);
    this.rest(occupancy, ready);
    const { releaseS, trackEndS, after } = this.holds.letOut(
      key,
      occupancy,
      ready.atS + setUpS,
      this.holds.trackOf(occupancy),
    );
    const waited = this.heldBack(ready, occupancy, releaseS, after);
    const times = { startS: releaseS - setUpS, releaseS, trackEndS, endS: trackEndS + wrapUpS };
    this.holds.hold({ key, occupancy, phase: 'toCome', ...times }, undefined, waited);
  };

  /** A group waits for its cars and people, and for its guests as a class does. */
  readonly groupToCome = (key: string, occupancy: GroupOccupancy): void => {
    const cars = carsOf(occupancy).map(({ id }): Need => ({ kind: 'car', id }));
    const ready = this.ready(key, occupancy, [...this.crewOf(occupancy), ...cars], []);
    if (!ready) return;
    const there = this.gather(occupancy, ready);
    if (there.length === 0) return this.missed(key, occupancy);
    for (const { id } of cars) this.coolDown(occupancy, ready, id);
    this.rest(occupancy, ready);
    const setUpS = occupancy.releaseS - occupancy.startS;
    const lengthS = occupancy.trackEndS - occupancy.releaseS;
    const onCircuit = occupancy.group?.surface === CIRCUIT;
    const { releaseS, trackEndS, after } = onCircuit
      ? this.holds.letOut(key, occupancy, ready.atS + setUpS, () => lengthS)
      : { releaseS: ready.atS + setUpS, trackEndS: ready.atS + setUpS + lengthS, after: undefined };
    const waited = onCircuit ? this.heldBack(ready, occupancy, releaseS, after) : ready.waited;
    const endS = trackEndS + occupancy.endS - occupancy.trackEndS;
    const times = { startS: releaseS - setUpS, releaseS, trackEndS, endS };
    this.holds.hold({ key, occupancy, phase: 'toCome', ...times }, undefined, waited, there);
  };

  readonly refuelToCome = (key: string, occupancy: RefuelOccupancy): void => {
    const needs = [{ kind: 'car', id: occupancy.refuel.car } as const];
    const ready = this.ready(key, occupancy, needs, []);
    if (!ready) return;
    const lengthS = occupancy.endS - occupancy.startS;
    const startS = this.freePlace(this.holds.refuels, this.holds.day.rules.refuelBays, ready, occupancy, 'bay');
    this.holds.refuels.push({ key, startS, endS: startS + lengthS, asAccepted: startS === occupancy.startS });
    const times = { startS, releaseS: startS, trackEndS: startS + lengthS, endS: startS + lengthS };
    this.holds.hold({ key, occupancy, phase: 'toCome', ...times }, undefined, ready.waited);
  };

  /** Whether everybody and everything is there, and from when on; nothing where something can't be at all. */
  private ready(
    key: string,
    occupancy: Occupancy,
    needs: readonly Need[],
    guests: readonly GuestState[],
  ): Ready | undefined {
    const why = this.blocked(occupancy, needs, guests);
    if (why) {
      this.stuck.set(key, { key, occupancy, why });
      return undefined;
    }
    const ready: Ready = { atS: occupancy.startS, waited: undefined };
    const later = (atS: number, waited: Waited) => {
      if (atS > ready.atS) Object.assign(ready, { atS, waited });
    };
    // What waits for something waits for that; only what waits for nothing could have begun.
    for (const need of needs) {
      const before = this.holds.last.get(`${need.kind} ${need.id}`);
      if (before) later(freeAfter(before, occupancy.startS), { kind: need.kind, after: before.key });
      const backS = need.kind === 'car' ? this.holds.state.cars.get(need.id)?.backAtS : undefined;
      if (backS !== undefined) later(Math.max(backS, this.holds.nowS), { kind: 'carBack', car: need.id });
    }
    for (const { guest, arrivedS } of guests) {
      if (arrivedS === undefined)
        later(Math.max(guest.arrives, this.holds.nowS), { kind: 'guestComes', guest: guest.id });
    }
    later(this.holds.nowS, { kind: 'begin' });
    if (ready.atS > occupancy.startS) ready.atS = onRaster(ready.atS);
    return ready;
  }

  private blocked(occupancy: Occupancy, needs: readonly Need[], guests: readonly GuestState[]): Blocked | undefined {
    for (const { kind, id } of needs) {
      const car = kind === 'car' ? this.holds.state.cars.get(id) : undefined;
      if (car?.heldFor !== undefined && car.backAtS === undefined) return { kind: 'carOut', car: id };
      if (kind === 'crew' && this.isAway(id)) return { kind: 'crewOff', instructor: id };
    }
    if (occupancy.kind !== 'drive' || occupancy.drive?.ride) return undefined;
    for (const { guest, unwell } of guests) {
      if (unwell) return { kind: 'guestUnwell', guest: guest.id };
      if (!this.holds.taught.has(guest.id)) return { kind: 'missedClass', guest: guest.id };
      if (!this.holds.shown.has(guest.id)) return { kind: 'missedRun', guest: guest.id };
    }
    return undefined;
  }

  /** An instructor who is off for the day, though it is within the own hours. */
  private isAway(id: string): boolean {
    return this.holds.state.crew.get(id)?.pause === 'off';
  }

  /** The guests of a class or a run, who are waited for a while; begins when those who are there by then are free. */
  private gather(occupancy: Exclude<PersonOccupancy, DriveOccupancy>, ready: Ready): GuestState[] {
    const patientS = occupancy.startS + WAITS_FOR_GUESTS_S;
    const latestS = ready.waited?.kind === 'begin' ? patientS : Math.max(patientS, ready.atS);
    const there = this.holds
      .coming(occupancy.guests)
      .filter(
        ({ unwell, arrivedS, guest }) => !unwell && (arrivedS ?? Math.max(guest.arrives, this.holds.nowS)) <= latestS,
      )
      .map((it) => {
        const before = this.holds.last.get(`guest ${it.guest.id}`);
        const freeS = before ? freeAfter(before, occupancy.startS) : 0;
        const hereS = it.arrivedS === undefined ? Math.max(it.guest.arrives, this.holds.nowS) : 0;
        const waited: Waited =
          before && freeS >= hereS ? { kind: 'guest', after: before.key } : { kind: 'guestComes', guest: it.guest.id };
        return { it, atS: onRaster(Math.max(freeS, hereS)), waited };
      });
    for (const { atS, waited } of there) if (atS > ready.atS) Object.assign(ready, { atS, waited });
    return there.map(({ it }) => it);
  }

  private missed(key: string, occupancy: Exclude<PersonOccupancy, DriveOccupancy>): void {
    const guest = occupancy.guests[0]?.id ?? '';
    this.stuck.set(key, { key, occupancy, why: { kind: 'missesAll', guest } });
  }

  /** A car that would get too hot stands still for its rest first. */
  private coolDown(occupancy: CarOccupancy, ready: Ready, car: string): void {
    const before = this.holds.last.get(`car ${car}`);
    const atS = this.holds.heatOf(car)?.earliestS(occupancy, ready.atS) ?? ready.atS;
    if (atS > ready.atS && before) {
      Object.assign(ready, { atS: onRaster(atS), waited: { kind: 'car', after: before.key } });
    }
  }

  /** The first begin at which fewer than so many others have a room, or a bay. */
  private freePlace(
    others: readonly InPlace[],
    places: number,
    ready: Ready,
    { startS: plannedS, endS: plannedEndS }: Interval,
    kind: 'room' | 'bay',
  ): number {
    const lengthS = plannedEndS - plannedS;
    for (;;) {
      const startS = ready.atS;
      const beside = others.filter((other) => other.startS < startS + lengthS && startS < other.endS);
      const accepted = startS === plannedS && beside.every(({ asAccepted }) => asAccepted);
      if (beside.length < places || accepted) return startS;
      const first = beside.reduce((soonest, other) => (other.endS < soonest.endS ? other : soonest));
      Object.assign(ready, { atS: onRaster(first.endS), waited: { kind, after: first.key } });
    }
  }

  /** What kept something that is ready from being let out, where that was the circuit alone. */
  private heldBack(
    ready: Ready,
    occupancy: CircuitOccupancy,
    releaseS: number,
    after: string | undefined,
  ): Waited | undefined {
    if (ready.atS > occupancy.startS || releaseS === occupancy.releaseS) return ready.waited;
    return after === undefined ? { kind: 'shut' } : { kind: 'circuit', after };
  }

  /** Lets the instructor have the rest and the meal that are due before it. */
  private rest(occupancy: PersonOccupancy, ready: Ready): void {
    for (const { id: crew } of crewOf(occupancy)) {
      const atS = this.holds.crewDay(crew)?.earliestS(occupancy, ready.atS) ?? ready.atS;
      const before = this.holds.last.get(`crew ${crew}`);
      if (atS > ready.atS && before) {
        Object.assign(ready, { atS: onRaster(atS), waited: { kind: 'crew', after: before.key } });
      }
    }
  }

  private crewOf(occupancy: PersonOccupancy): Need[] {
    return crewOf(occupancy).map(({ id }) => ({ kind: 'crew', id }));
  }
}
