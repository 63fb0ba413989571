import { CIRCUIT } from '../../programmes';
import {
  holdsAround,
  type BriefingOccupancy,
  type DriveOccupancy,
  type GroupOccupancy,
  type RefuelOccupancy,
  type SightingOccupancy,
} from '../../day';
import { comesInS, type DriveState, type GuestState } from '../../journal';
import type { Occupancy } from './expected';
import type { Holds } from './holds';

/** A car that stands on the circuit is taken to be away from there after this. */
const STANDS_S = 5 * 60;
/** A car that was filled so long before it was to be has been filled. */
const FILLED_BEFORE_S = 20 * 60;

/** What has begun or is over, as the journal shows it: each answers whether it has, and holds what it holds. */
export class Begun {
  /** Cars whose refuel that is running is found. */
  private readonly filling = new Set<string>();

  constructor(private readonly holds: Holds) {}

  readonly classBegun = (key: string, occupancy: BriefingOccupancy): boolean => {
    const guests = this.holds.coming(occupancy.guests);
    const running = this.holds.state.classes.get(occupancy.briefing.instructor);
    const inIt = guests.filter(({ guest }) => running?.guests.includes(guest.id));
    const lengthS = occupancy.endS - occupancy.startS;
    if (running && inIt.length > 0) {
      const endS = Math.max(this.holds.nowS, running.sinceS + lengthS + this.saidLate(occupancy));
      for (const { guest } of inIt) this.holds.taught.add(guest.id);
      this.holds.hold({
        key,
        occupancy,
        phase: 'running',
        startS: running.sinceS,
        releaseS: running.sinceS,
        trackEndS: endS,
        endS,
      });
      this.holds.classes.push({ key, startS: running.sinceS, endS, asAccepted: endS <= occupancy.endS });
      return true;
    }
    if (guests.length === 0) return true;
    const done = guests.filter(({ briefed }) => briefed);
    if (done.length === 0) return false;
    const endS = this.freed(done) ?? occupancy.endS;
    this.holds.hold({
      key,
      occupancy,
      phase: 'over',
      startS: endS - lengthS,
      releaseS: endS - lengthS,
      trackEndS: endS,
      endS,
    });
    return true;
  };

  readonly runBegun = (key: string, occupancy: SightingOccupancy): boolean => {
    const guests = this.holds.coming(occupancy.guests);
    const running = this.holds.state.sightings.get(occupancy.sighting.vehicle);
    const inIt = guests.filter(({ guest }) => running?.guests.includes(guest.id));
    const { setUpS, wrapUpS } = this.holds.day.rules.sighting;
    const trackS = occupancy.trackEndS - occupancy.releaseS;
    if (running && inIt.length > 0) {
      const trackEndS = Math.max(this.holds.nowS, running.sinceS + trackS + this.saidLate(occupancy));
      for (const { guest } of inIt) this.holds.shown.add(guest.id);
      const times = { startS: running.sinceS - setUpS, releaseS: running.sinceS, trackEndS, endS: trackEndS + wrapUpS };
      this.holds.hold({ key, occupancy, phase: 'running', ...times });
      this.holds.onCircuit(key, occupancy, running.sinceS, trackEndS);
      return true;
    }
    if (guests.length === 0) return true;
    const done = guests.filter(({ sighted }) => sighted);
    if (done.length === 0) return false;
    const endS = this.freed(done) ?? occupancy.endS;
    const releaseS = endS - trackS;
    this.holds.hold({ key, occupancy, phase: 'over', startS: releaseS - setUpS, releaseS, trackEndS: endS, endS });
    return true;
  };

  readonly driveBegun = (key: string, occupancy: DriveOccupancy): boolean => {
    const drive = this.holds.state.drives.get(occupancy.planned.drive);
    if (!drive) return true;
    if (drive.stage === 'planned') return this.holds.state.guests.get(drive.guest.id)?.gone !== undefined;
    const { wrapUpS, setUpS } = holdsAround(this.holds.day, drive.drive);
    const startS = drive.seatedS ?? occupancy.startS;
    if (drive.stage === 'seated') {
      this.seated(key, occupancy, drive, startS);
      return true;
    }
    const releaseS = drive.releasedS ?? startS + setUpS;
    const trackEndS = this.comesIn(drive) + (drive.stage === 'onCircuit' ? this.saidLate(occupancy) : 0);
    const over = drive.stage === 'done';
    const endS = over ? (drive.debriefedS ?? trackEndS) : Math.max(this.holds.nowS, trackEndS + wrapUpS);
    this.holds.hold({ key, occupancy, phase: over ? 'over' : 'running', startS, releaseS, trackEndS, endS }, drive);
    this.holds.onCircuit(key, occupancy, releaseS, trackEndS);
    return true;
  };

  readonly groupBegun = (key: string, occupancy: GroupOccupancy): boolean => {
    const group = this.holds.state.groups.get(occupancy.planned.group);
    if (!group) return true;
    if (group.stage === 'planned') return this.holds.coming(occupancy.guests).length === 0;
    const { setUpS, wrapUpS } = group.group;
    const startS = group.beganS ?? occupancy.startS;
    const releaseS = group.releasedS ?? Math.max(startS + setUpS, this.holds.nowS);
    const trackS = occupancy.trackEndS - occupancy.releaseS + this.saidLate(occupancy);
    const over = group.stage === 'over';
    const trackEndS = over ? (group.endedS ?? this.holds.nowS) : Math.max(this.holds.nowS, releaseS + trackS);
    const endS = over ? trackEndS : trackEndS + wrapUpS;
    this.holds.hold({ key, occupancy, phase: over ? 'over' : 'running', startS, releaseS, trackEndS, endS });
    if (occupancy.group?.surface === CIRCUIT) this.holds.onCircuit(key, occupancy, releaseS, trackEndS);
    return true;
  };

  private comesIn(drive: DriveState): number {
    if (drive.inS !== undefined) return drive.inS;
    return drive.stage === 'standing'
      ? this.holds.nowS + STANDS_S
      : comesInS(this.holds.context, drive, this.holds.nowS);
  }

  /** Whoever sits in the car and waits to be let out. */
  private seated(key: string, occupancy: DriveOccupancy, drive: DriveState, startS: number): void {
    const { setUpS, wrapUpS } = holdsAround(this.holds.day, drive.drive);
    const readyS = Math.max(occupancy.releaseS, startS + setUpS, this.holds.nowS);
    const { releaseS, trackEndS } = this.holds.letOut(key, occupancy, readyS, this.holds.trackOf(occupancy, drive.car));
    const endS = trackEndS + wrapUpS;
    this.holds.hold({ key, occupancy, phase: 'running', startS, releaseS, trackEndS, endS }, drive);
  }

  /**
   * A refuel is over once the car has been filled or has driven on, and runs while the car stands at a bay. Where nobody
   * enters refuels, one takes place as planned as soon as the car is there.
   */
  readonly refuelBegun = (key: string, occupancy: RefuelOccupancy): boolean => {
    const { refuel, startS: plannedS, endS: plannedEndS } = occupancy;
    const car = this.holds.state.cars.get(refuel.car);
    const lengthS = plannedEndS - plannedS;
    const times = (startS: number, endS: number) => {
      const phase = endS > this.holds.nowS ? 'running' : 'over';
      this.holds.hold({ key, occupancy, phase, startS, releaseS: startS, trackEndS: endS, endS });
      this.holds.refuels.push({ key, startS, endS, asAccepted: endS <= plannedEndS });
      return true;
    };
    const marks = this.holds.state.garage.cars.get(refuel.car)?.fuelMarks ?? [];
    const filled = marks.findLast(({ atS }) => atS >= plannedS - FILLED_BEFORE_S);
    if (filled) return times(filled.atS - lengthS, filled.atS);
    const droveOn = this.holds.context.accepted.drives.some(
      ({ planned, startS }) =>
        planned.car === refuel.car &&
        startS >= plannedS &&
        this.holds.state.drives.get(planned.drive)?.stage !== 'planned',
    );
    if (droveOn) return times(plannedS, Math.min(this.holds.nowS, plannedEndS));
    if (car?.refuelling && !this.filling.has(refuel.car)) {
      this.filling.add(refuel.car);
      const startS = car.refuelSinceS ?? this.holds.nowS;
      return times(startS, Math.max(this.holds.nowS, startS + lengthS));
    }
    const startS = Math.max(plannedS, car?.parkedS ?? 0);
    if (car?.drive !== undefined || startS > this.holds.nowS) return false;
    return times(startS, startS + lengthS);
  };

  private freed(guests: readonly GuestState[]): number | undefined {
    const known = guests.flatMap(({ freeSinceS }) => freeSinceS ?? []);
    return known.length > 0 ? Math.min(...known) : undefined;
  }

  /** By how much somebody has said that what is running now ends later. */
  private saidLate({ startS, endS }: Occupancy): number {
    const { late } = this.holds.state;
    return late && startS <= late.sinceS && late.sinceS < endS ? late.byS : 0;
  }
}
