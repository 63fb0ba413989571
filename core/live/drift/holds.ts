import {
  carsOf,
  crewOf,
  driveTrackS,
  takenByCar,
  type CarOccupancy,
  type CircuitOccupancy,
  type Day,
  type DriveOccupancy,
  type Guest,
  type PersonOccupancy,
} from '../../day';
import type { Interval } from '../../values';
import {
  circuitShut,
  type DayContext,
  type DayState,
  type DriveState,
  type GuestState,
  withLapsAdded,
} from '../../journal';
import { CircuitLoad, RASTER_S } from './circuit-load';
import { CrewDay } from './crew-day';
import type { Expected, Waited } from './expected';
import { Stints } from './stints';

/** What had somebody or something last. */
interface Before {
  readonly key: string;
  /** When it lets go, and when it was accepted to. */
  readonly freeS: number;
  readonly plannedEndS: number;
  /** Needed from then on until the next. */
  readonly restS: number;
}

/** Who has a room or a bay. */
export interface InPlace extends Interval {
  readonly key: string;
  readonly asAccepted: boolean;
}

/** Who and what is held by what, and until when, as the drift is worked out: first by what has begun, then by what comes. */
export class Holds {
  readonly day: Day;
  readonly nowS: number;
  readonly expected = new Map<string, Expected>();
  /** By person or thing: what had it last. */
  readonly last = new Map<string, Before>();
  readonly load: CircuitLoad;
  readonly classes: InPlace[] = [];
  readonly refuels: InPlace[] = [];
  /** Guests who will have been in a class, or on a run. */
  readonly taught = new Set<string>();
  readonly shown = new Set<string>();
  private readonly crewDays = new Map<string, CrewDay>();
  private readonly heat = new Map<string, Stints<CarOccupancy>>();
  private acceptedByCar: ReturnType<typeof takenByCar> | undefined;
  /** What instructors have begun and cars have driven, until it is settled. */
  private readonly worked: (Interval & { readonly crew: string })[] = [];
  private readonly driven: (Interval & { readonly car: string; readonly laps: number })[] = [];

  constructor(
    readonly context: DayContext,
    readonly state: DayState,
  ) {
    this.day = context.day;
    this.nowS = state.timeS;
    const closures = this.day.circuit.closures.filter(({ to }) => to > this.nowS);
    const shutNow = circuitShut(state, { ...context, day: { ...this.day, circuit: NO_CLOSURES } }) !== undefined;
    const shut = shutNow ? [...closures, { from: this.nowS, to: this.nowS + RASTER_S }] : closures;
    this.load = new CircuitLoad(this.day.rules, shut);
    for (const { guest, briefed, sighted } of state.guests.values()) {
      if (briefed) this.taught.add(guest.id);
      if (sighted) this.shown.add(guest.id);
    }
  }

  /** Counts work, rests and laps of what has begun, in the order of time; to be called once all of it is held. */
  settle(): void {
    const inTime = <T extends Interval>(list: readonly T[]) => [...list].sort((a, b) => a.startS - b.startS);
    for (const { crew, ...held } of inTime(this.worked)) this.crewDay(crew)?.work(held);
    for (const { car, laps, startS, endS } of inTime(this.driven)) this.heatOf(car)?.add(startS, endS, laps);
  }

  /** Guests who take part at all. */
  coming(guests: readonly Guest[]): GuestState[] {
    return guests.flatMap(({ id }) => this.state.guests.get(id) ?? []).filter(({ gone }) => gone === undefined);
  }

  /** The first moment at which a vehicle that is ready can be let out; it is on the circuit from then on. */
  letOut(key: string, occupancy: CircuitOccupancy, readyS: number, trackS: (releaseS: number) => number) {
    const { untilS, after } = this.load.firstFrom(readyS, occupancy.releaseS, occupancy.trackEndS, trackS);
    const trackEndS = untilS + trackS(untilS);
    this.onCircuit(key, occupancy, untilS, trackEndS);
    return { releaseS: untilS, trackEndS, after };
  }

  onCircuit(key: string, occupancy: CircuitOccupancy, releaseS: number, trackEndS: number): void {
    const { releaseS: plannedReleaseS, trackEndS: plannedTrackEndS, vehicles } = occupancy;
    for (let vehicle = 0; vehicle < vehicles; vehicle++) {
      this.load.put({ key, releaseS, trackEndS, plannedReleaseS, plannedTrackEndS });
    }
  }

  /** Seconds on the circuit, by the release. */
  trackOf({ drive, car, guests }: DriveOccupancy, inCar?: string): (releaseS: number) => number {
    const taken = inCar === undefined ? car : (this.context.schedule.index.cars.get(inCar) ?? car);
    const driven = drive && withLapsAdded(drive, this.state);
    return (releaseS) => (driven && taken && guests[0] ? driveTrackS(this.day, driven, taken, guests[0], releaseS) : 0);
  }

  /** Takes down when something is, and lets whom and what it holds go after it. */
  hold(
    times: Omit<Expected, 'lateS' | 'waited'>,
    drive?: DriveState,
    waited?: Waited,
    there?: readonly GuestState[],
  ): void {
    const { key, occupancy, phase, endS } = times;
    const releasePlannedS = 'releaseS' in occupancy ? occupancy.releaseS : occupancy.startS;
    const byS = phase === 'toCome' ? times.releaseS - releasePlannedS : endS - occupancy.endS;
    this.expected.set(key, { ...times, lateS: Math.max(0, byS), waited: phase === 'toCome' ? waited : undefined });
    const { turnaroundS, guestRestS } = this.day.rules;
    const letGo = (what: string, freeS: number, restS: number) => {
      const before = this.last.get(what);
      if (!before || before.freeS <= freeS) this.last.set(what, { key, freeS, plannedEndS: occupancy.endS, restS });
    };
    if (occupancy.kind === 'refuel') return letGo(`car ${occupancy.refuel.car}`, endS, 0);
    const crews = drive?.instructor === undefined ? crewOf(occupancy).map(({ id }) => id) : [drive.instructor];
    for (const crew of crews) {
      letGo(`crew ${crew}`, endS, 0);
      const beforeS = occupancy.kind === 'briefing' ? 0 : occupancy.releaseS - occupancy.startS;
      const held = { startS: times.releaseS - beforeS, endS };
      if (phase === 'toCome') this.crewDay(crew)?.work(held);
      else this.worked.push({ crew, ...held });
    }
    if (occupancy.kind === 'sighting') letGo(`vehicle ${occupancy.sighting.vehicle}`, endS, 0);
    for (const car of carsHeld(occupancy, drive)) {
      letGo(`car ${car}`, endS, turnaroundS);
      const held = { startS: times.releaseS - (releasePlannedS - occupancy.startS), endS };
      const gone = drive && ['rollingIn', 'parked', 'done'].includes(drive.stage);
      const laps = gone ? drive.crossings.length : 'lapsDriven' in occupancy ? occupancy.lapsDriven : 0;
      if (phase === 'toCome') this.heatOf(car)?.add(held.startS, held.endS, laps);
      else this.driven.push({ car, laps, ...held });
    }
    for (const { id } of there?.map(({ guest }) => guest) ?? occupancy.guests) letGo(`guest ${id}`, endS, guestRestS);
  }

  crewDay(id: string): CrewDay | undefined {
    let day = this.crewDays.get(id);
    const instructor = this.context.schedule.index.instructors.get(id);
    if (!day && instructor) {
      day = new CrewDay(instructor, this.context.accepted.crewOccupancies.get(id) ?? []);
      this.crewDays.set(id, day);
    }
    return day;
  }

  heatOf(id: string): Stints<CarOccupancy> | undefined {
    let heat = this.heat.get(id);
    const car = this.context.schedule.index.cars.get(id);
    if (!heat && car) {
      this.acceptedByCar ??= takenByCar(this.context.accepted);
      const { afterLaps, restS } = car.cooling;
      heat = new Stints(this.acceptedByCar.get(id) ?? [], ({ lapsDriven }) => lapsDriven, afterLaps, restS);
      this.heat.set(id, heat);
    }
    return heat;
  }
}

/** The cars that something has, as it is or as it is planned. */
function carsHeld(occupancy: PersonOccupancy, drive: DriveState | undefined): readonly string[] {
  if (occupancy.kind === 'drive') return [drive?.car ?? occupancy.planned.car];
  return carsOf(occupancy).map(({ id }) => id);
}

const NO_CLOSURES: Day['circuit'] = { name: '', lapLengthM: 1, closures: [] };

/**
 * When somebody or something is free again for what was accepted to begin then. As long as what went before ends as
 * accepted, the distance that was accepted is enough.
 */
export function freeAfter({ freeS, plannedEndS, restS }: Before, plannedStartS: number): number {
  const asAccepted = freeS <= plannedEndS && plannedStartS >= plannedEndS;
  return asAccepted ? Math.min(freeS + restS, plannedStartS) : freeS + restS;
}
