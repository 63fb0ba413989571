import { carMisfit, mayDo, teachesIn, owedMeal } from '../../rules';
import {
  carsNeeded,
  CIRCUIT,
  SPEAKING_ROLES,
  vehiclesOf,
  type Group,
  type GroupRole,
  type Surface,
} from '../../programmes';
import { COST_TERMS, type TermName } from '../../cost';
import {
  firstLapFactorOf,
  groupRun,
  holdsAround,
  indexDay,
  lapsDriven,
  type Car,
  type Day,
  type DayIndex,
  type Drive,
  type Guest,
  type Instructor,
  type PlannedDrive,
  type Repair,
  type SightingVehicle,
  type FriendWishKind,
} from '../../day';
import type { TimeWindow } from '../../values';
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
  readonly groups: readonly GroupFacts[];
  readonly surfaces: readonly SurfaceFacts[];
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

interface GuestFacts {
  readonly guest: Guest;
  readonly arrivesS: number;
  readonly leavesS: number;
  readonly party: number;
  /** Positions in the problem's `friendWishes` of those that this guest has a part in. */
  readonly wishes: readonly number[];
  readonly drives: readonly number[];
  /** Of those the ones that the guest drives: all but rides. */
  readonly ownDrives: readonly number[];
  readonly groups: readonly number[];
  readonly needsBriefing: boolean;
  readonly needsSighting: boolean;
  /** 1 for each instructor who may be with this guest. */
  readonly mayHave: Uint8Array;
  /** 1 for each instructor who costs the guest nothing by `preference`. */
  readonly likes: Uint8Array;
}

interface DriveFacts {
  readonly drive: Drive;
  readonly guest: number;
  /** Position in the guest's list. */
  readonly place: number;
  readonly laps: number;
  /** What holds guest, car and instructor before the release and after the last lap. */
  readonly setUpS: number;
  readonly wrapUpS: number;
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

/** A group with everything named by its number. */
interface GroupFacts {
  /** With those of its members who come. */
  readonly group: Group;
  readonly members: readonly number[];
  /** Its cars that are there at all. */
  readonly cars: readonly number[];
  readonly carCount: number;
  readonly leadCars: readonly number[];
  readonly staffCars: readonly number[];
  /** -1 for the circuit, -2 where the day does not know it. */
  readonly surface: number;
  /** Each place that has to be filled, with those who may. */
  readonly posts: readonly { readonly role: GroupRole; readonly able: readonly number[] }[];
  /** Seconds between the first start and the last car's coming in, under each of the problem's conditions. */
  readonly trackS: readonly number[];
  readonly laps: number;
  readonly vehicles: number;
  /** Its release in the plan before, in a repair. */
  readonly beforeS: number | undefined;
}

interface SurfaceFacts {
  readonly surface: Surface;
  readonly windows: readonly TimeWindow[];
}

interface CarFacts {
  readonly car: Car;
  readonly windows: readonly TimeWindow[];
  /** Readings of the tank in the order of time, however they are listed. */
  readonly readings: readonly { readonly at: number; readonly litres: number }[];
}

interface CrewFacts {
  readonly instructor: Instructor;
  readonly windows: readonly TimeWindow[];
  readonly availableS: number;
  readonly owedMeal: boolean;
  /** Most laps by level of car, 1 to 5. */
  readonly levelLaps: readonly number[];
}

interface VehicleFacts {
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
        ...holdsAround(day, drive),
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
      ownDrives: own.filter((drive) => !drives[drive]!.drive.ride),
      groups: (day.groups ?? []).flatMap(({ members }, group) => (members.includes(guest.id) ? [group] : [])),
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
    const first = firstLapFactorOf(day, drive);
    return [...new Set(drive.cars)].flatMap((id) => {
      const number = carNumber.get(id);
      const car = number === undefined ? undefined : day.cars[number];
      if (!car || number === undefined || carMisfit(car, drive, guest) || (pin?.car ?? id) !== id) return [];
      const crew = day.instructors.flatMap((instructor, i) =>
        mayHave[i] === 1 &&
        teachesIn(instructor, car) &&
        (!drive.ride || instructor.rides) &&
        (pin?.instructor ?? instructor.id) === instructor.id
          ? [i]
          : [],
      );
      const laps = lapsDriven(day, drive);
      const lapTimeS = drive.ride ? (car.ride?.lapTimeS ?? car.lapTimeS) : car.lapTimeS * guest.pace;
      const trackS = conditions.map(({ factor }) => Math.round((laps - 1 + first) * Math.round(lapTimeS * factor)));
      return crew.length > 0 ? [{ car: number, crew, trackS }] : [];
    });
  }

  function groupFacts(group: Group): GroupFacts {
    const known = (ids: readonly string[] = []) => [...new Set(ids)].flatMap((id) => carNumber.get(id) ?? []);
    const members = group.members.map((id) => guestNumber.get(id)!);
    const mayBe = (role: GroupRole, who: number) =>
      mayDo(day.instructors[who]!, role, group) &&
      (!SPEAKING_ROLES.has(role) || members.every((guest) => guests[guest]!.mayHave[who] === 1));
    return {
      group,
      members,
      cars: known(group.cars),
      carCount: carsNeeded(group),
      leadCars: known(group.leadCars),
      staffCars: known(group.staffCars),
      surface: surfaceNumber(group.surface),
      posts: group.roles.flatMap(({ role, count, people }) => {
        const able = day.instructors.flatMap(({ id }, who) =>
          (!people || people.includes(id)) && mayBe(role, who) ? [who] : [],
        );
        return Array.from({ length: count }, () => ({ role, able }));
      }),
      trackS: conditions.map(({ fromS }) => groupRun(day, index, group, fromS).trackS),
      laps: groupRun(day, index, group, 0).laps,
      vehicles: vehiclesOf(group),
      beforeS: repair?.previous.groups?.find((planned) => planned.group === group.id)?.release,
    };
  }

  function surfaceNumber(id: string): number {
    if (id === CIRCUIT) return -1;
    const number = (day.surfaces ?? []).findIndex((surface) => surface.id === id);
    return number < 0 ? -2 : number;
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
    groups: (day.groups ?? []).map(({ id }) => groupFacts(index.groups.get(id)!)),
    surfaces: (day.surfaces ?? []).map((surface) => ({ surface, windows: index.windows(surface) })),
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
