import {
  carMisfit,
  COST_TERMS,
  indexDay,
  lapsDriven,
  teachesIn,
  type Car,
  type Day,
  type DayIndex,
  type Drive,
  type Guest,
  type Instructor,
  type PlannedDrive,
  type Repair,
  type SightingVehicle,
  type TermName,
  type TimeWindow,
} from '../../day';
import type { FriendWishKind } from '../../day/friends';
import { owedMeal } from '../../day/rules/crew-meal';
import { mayTeach } from './may-teach';

/**
 * A day with every name replaced by a number and everything that never changes during a search computed once: who may
 * drive what with whom, and how long it takes.
 */
export interface Problem {
  readonly day: Day;
  readonly index: DayIndex;
  readonly repair: Repair | undefined;
  /** Nothing new may hold anybody before this time of day. */
  readonly nowS: number;
  readonly weights: Readonly<Record<TermName, number>>;
  readonly guests: readonly GuestFacts[];
  readonly drives: readonly DriveFacts[];
  readonly cars: readonly CarFacts[];
  readonly crew: readonly CrewFacts[];
  readonly vehicles: readonly VehicleFacts[];
  /** Members of each party by number. */
  readonly parties: readonly (readonly number[])[];
  readonly friendWishes: readonly FriendFacts[];
  /** Guests whose places bear on one another: each party, and each two friends with a wish. */
  readonly companies: readonly (readonly number[])[];
  /** Stretches of releases with one pace factor each, in order, without gaps. */
  readonly conditions: readonly { readonly fromS: number; readonly toS: number; readonly factor: number }[];
}

/** A wish of two friends, counted over the drives of the one who leads. */
export interface FriendFacts {
  readonly kind: FriendWishKind;
  readonly lead: number;
  readonly other: number;
}

export interface GuestFacts {
  readonly guest: Guest;
  readonly arrivesS: number;
  readonly leavesS: number;
  readonly party: number;
  /** Positions in the problem's `friendWishes` of those that this guest has a part in. */
  readonly wishes: readonly number[];
  readonly drives: readonly number[];
  readonly needsBriefing: boolean;
  readonly needsSighting: boolean;
  /** 1 for each instructor who may be with this guest. */
  readonly mayHave: Uint8Array;
  /** 1 for each instructor who costs the guest nothing by `preference`. */
  readonly likes: Uint8Array;
}

export interface DriveFacts {
  readonly drive: Drive;
  readonly guest: number;
  /** Position in the guest's list. */
  readonly place: number;
  readonly laps: number;
  readonly options: readonly CarOption[];
  /** Where the plan before had it, in a repair. */
  readonly before: { readonly releaseS: number; readonly car: number; readonly crew: number } | undefined;
}

/** One car in which a drive can take place. */
export interface CarOption {
  readonly car: number;
  /** Instructors who may teach this guest in this car. */
  readonly crew: readonly number[];
  /** Seconds on the circuit under each of the problem's conditions. */
  readonly trackS: readonly number[];
}

export interface CarFacts {
  readonly car: Car;
  readonly windows: readonly TimeWindow[];
  /** Readings of the tank in the order of time, however they are listed. */
  readonly readings: readonly { readonly at: number; readonly litres: number }[];
}

export interface CrewFacts {
  readonly instructor: Instructor;
  readonly windows: readonly TimeWindow[];
  readonly availableS: number;
  readonly owedMeal: boolean;
  /** Most laps by level of car, 1 to 5. */
  readonly levelLaps: readonly number[];
}

export interface VehicleFacts {
  readonly vehicle: SightingVehicle;
  readonly windows: readonly TimeWindow[];
  readonly trackS: readonly number[];
}

/** Computes a day, or the rest of one where it is a repair. */
export function problemOf(day: Day, repair?: Repair): Problem {
  const index = indexDay(day);
  const conditions = conditionsOf(day);
  const numbers = (things: readonly { id: string }[]) => new Map(things.map(({ id }, number) => [id, number]));
  const carNumber = numbers(day.cars);
  const crewNumber = numbers(day.instructors);
  const before = new Map(repair?.previous.drives.map((planned) => [planned.drive, planned]));
  const partyNames = [...new Set(day.guests.flatMap(({ party }) => party ?? []))];
  const partyNumber = new Map(partyNames.map((name, number) => [name, number]));
  const parties: number[][] = partyNames.map(() => []);
  const guestNumber = numbers(day.guests);
  const friendWishes = index.friendWishes.map(({ kind, lead, other }) => ({
    kind,
    lead: guestNumber.get(lead)!,
    other: guestNumber.get(other)!,
  }));
  const drives: DriveFacts[] = [];

  const guests = day.guests.map((guest, number): GuestFacts => {
    const party = guest.party === undefined ? -1 : partyNumber.get(guest.party)!;
    if (party >= 0) parties[party]!.push(number);
    const mayHave = Uint8Array.from(day.instructors, (instructor) => (mayTeach(instructor, guest) ? 1 : 0));
    const preferred = guest.preferInstructors ?? [];
    const own = guest.drives.map((drive, place) => {
      drives.push({
        drive,
        guest: number,
        place,
        laps: lapsDriven(day, drive),
        options: optionsOf(guest, drive, mayHave),
        before: numbered(before.get(drive.id)),
      });
      return drives.length - 1;
    });
    return {
      guest,
      arrivesS: guest.arrives,
      leavesS: guest.leavesBy ?? Infinity,
      party,
      wishes: friendWishes.flatMap(({ lead, other }, wish) => (lead === number || other === number ? [wish] : [])),
      drives: own,
      needsBriefing: !guest.briefed,
      needsSighting: !guest.sighted,
      mayHave,
      likes: Uint8Array.from(day.instructors, ({ id }) => (preferred.length === 0 || preferred.includes(id) ? 1 : 0)),
    };
  });

  function numbered(planned: PlannedDrive | undefined): DriveFacts['before'] {
    if (!planned) return undefined;
    return {
      releaseS: planned.release,
      car: carNumber.get(planned.car) ?? -1,
      crew: crewNumber.get(planned.instructor) ?? -1,
    };
  }

  function optionsOf(guest: Guest, drive: Drive, mayHave: Uint8Array): CarOption[] {
    const { pin } = drive;
    const first = day.rules.firstLapFactor ?? 1;
    return [...new Set(drive.cars)].flatMap((id) => {
      const number = carNumber.get(id);
      const car = number === undefined ? undefined : day.cars[number];
      if (!car || number === undefined || carMisfit(car, drive, guest) || (pin?.car ?? id) !== id) return [];
      const crew = day.instructors.flatMap((instructor, i) =>
        mayHave[i] === 1 && teachesIn(instructor, car) && (pin?.instructor ?? instructor.id) === instructor.id
          ? [i]
          : [],
      );
      const laps = lapsDriven(day, drive);
      const trackS = conditions.map(({ factor }) =>
        Math.round((laps - 1 + first) * Math.round(car.lapTimeS * guest.pace * factor)),
      );
      return crew.length > 0 ? [{ car: number, crew, trackS }] : [];
    });
  }

  return {
    day,
    index,
    repair,
    nowS: repair?.nowS ?? 0,
    weights: Object.fromEntries(
      COST_TERMS.map(({ name, weight }) => [name, day.rules.weights?.[name] ?? weight]),
    ) as Record<TermName, number>,
    guests,
    drives,
    cars: day.cars.map((car) => ({
      car,
      windows: index.windows(car),
      readings: [...(car.fuel.readings ?? [])].sort((a, b) => a.at - b.at),
    })),
    crew: day.instructors.map((instructor) => ({
      instructor,
      windows: index.windows(instructor),
      availableS: instructor.available.reduce((sum, { from, to }) => sum + to - from, 0),
      owedMeal: owedMeal(instructor, index.windows(instructor)),
      levelLaps: ([1, 2, 3, 4, 5] as const).map((level) => instructor.levelLaps?.[`${level}`] ?? Infinity),
    })),
    vehicles: day.sightingVehicles.map((vehicle) => ({
      vehicle,
      windows: index.windows(vehicle),
      trackS: conditions.map(({ factor }) => day.rules.sighting.laps * Math.round(vehicle.lapTimeS * factor)),
    })),
    parties,
    friendWishes,
    companies: [...parties, ...friendWishes.map(({ lead, other }) => [lead, other])],
    conditions,
  };
}

function conditionsOf(day: Day): { fromS: number; toS: number; factor: number }[] {
  const byStart = new Map([[0, day.condition.paceFactor]]);
  const changes = day.condition.changes ?? [];
  // Of changes at the same time the first one listed holds.
  for (const { from, paceFactor } of [...changes].reverse()) byStart.set(from, paceFactor);
  const starts = [...byStart].sort(([a], [b]) => a - b);
  return starts.map(([fromS, factor], place) => ({ fromS, factor, toS: starts[place + 1]?.[0] ?? Infinity }));
}
