import {
  carsOf,
  crewOf,
  emptyPlan,
  holdsAround,
  indexDay,
  layOutBriefing,
  layOutDrive,
  layOutGroup,
  layOutSighting,
  type Car,
  type Day,
  type DayIndex,
  type DriveOccupancy,
  type Plan,
  type PlannedDrive,
  type PlannedGroup,
  type Repair,
} from '../day';
import { DAY_S, fact, withoutWindows, type Interval, type TimeWindow } from '../values';
import { frozenOf } from '../rules';
import { comesInS } from './state/context';
import type { DayState, DriveState } from './state/day-state';
import type { GroupState } from './state/group-state';
import { dayWithLapsAdded } from './laps-added';

/** A guest who is late is planned as if arriving this long from now. */
const LATE_GRACE_S = 10 * 60;
/** Earlier or later by less than this is noise. */
const UNNOTICED_LATE_S = 60;
/** A drive whose guest should have been seated by now may still be so for this long. */
const SEATING_GRACE_S = 10 * 60;

/**
 * The day as the journal has shown it to be, for planning again from the state's time on: guests who are gone take no
 * more part, late ones come soon, held cars and absent instructors are away from now, and whoever has been briefed or
 * has seen the circuit outside the plan need not be again.
 */
export function dayAsItIs(booked: Day, previous: Plan | undefined, state: DayState): Day {
  const day = dayWithLapsAdded(booked, state);
  const known = withoutWhoIsGone(day, state);
  const seen = withoutUnknown(known, withDelays(day, previous ?? emptyPlan(day.date), state));
  return withWhatWasSeen(allowingWhatHasBegun(known, seen, state), seen, state);
}

function withoutWhoIsGone(day: Day, state: DayState): Day {
  const nowS = state.timeS;
  /** The windows before now, and those from the return on, if one is expected. */
  const away = (windows: readonly TimeWindow[], backS = Infinity): TimeWindow[] => [
    ...windows.filter(({ from }) => from < nowS).map(({ from, to }) => ({ from, to: Math.min(to, nowS) })),
    ...windows.filter(({ to }) => to > backS).map(({ from, to }) => ({ from: Math.max(from, backS), to })),
  ];
  return {
    ...day,
    guests: day.guests.flatMap((guest) => {
      const now = state.guests.get(guest.id);
      if (!now) return [guest];
      const begun = guest.drives.filter(({ id }) => state.drives.get(id)?.stage !== 'planned');
      if (now.gone !== undefined) return begun.length > 0 ? [{ ...guest, drives: begun }] : [];
      const late = now.arrivedS === undefined && guest.arrives < nowS;
      return [
        {
          ...guest,
          arrives: late ? nowS + LATE_GRACE_S : Math.min(guest.arrives, now.arrivedS ?? guest.arrives),
        },
      ];
    }),
    cars: day.cars.map((planned) => {
      const now = state.cars.get(planned.id);
      const car = withFuelKnown(planned, state);
      if (now?.heldFor === undefined) return car;
      return { ...car, available: away(car.available, now.backAtS && Math.max(nowS, now.backAtS)) };
    }),
    instructors: day.instructors.map((instructor) =>
      state.crew.get(instructor.id)?.pause === 'off'
        ? { ...instructor, available: away(instructor.available) }
        : instructor,
    ),
  };
}

/**
 * The day as it must be for what has begun: a drive whose guest has sat down goes on in its car, with its instructor, to
 * its end, whatever was held, closed or changed since, and so do a class and a run in which somebody was. It stays what
 * it was and is never planned anew.
 */
function allowingWhatHasBegun(known: Day, seen: Plan, state: DayState): Day {
  const index = indexDay(known);
  const begun = (id: string) => hasBegun(state, id);
  const there = (what: 'class' | 'sighting') => (id: string) => wasThere(state, id, what);
  const drives = seen.drives.filter(({ drive }) => begun(drive)).map((planned) => layOutDrive(known, index, planned));
  const runs = seen.sightings
    .filter(({ guests }) => guests.some(there('sighting')))
    .map((sighting) => layOutSighting(known, index, sighting));
  const classes = seen.briefings
    .filter(({ guests }) => guests.some(there('class')))
    .map((briefing) => layOutBriefing(known, index, briefing));
  const groups = (seen.groups ?? [])
    .filter(({ group }) => groupHasBegun(state, group))
    .map((planned) => layOutGroup(known, index, planned));
  const all = [...drives, ...runs, ...classes, ...groups].filter(({ startS }) => startS < state.timeS);
  if (all.length === 0) return known;
  const during = (occupancies: readonly Interval[]): TimeWindow[] =>
    occupancies.map(({ startS, endS }) => ({ from: startS, to: Math.max(startS + 1, endS) }));
  const more = <T extends { readonly available: readonly TimeWindow[] }>(
    thing: T,
    occupancies: readonly Interval[],
  ): T => (occupancies.length > 0 ? { ...thing, available: [...thing.available, ...during(occupancies)] } : thing);
  const onTheCircuit = [...drives, ...runs, ...groups].map(({ releaseS, trackEndS }) => ({
    from: releaseS,
    to: trackEndS,
  }));
  return {
    ...known,
    opens: Math.min(known.opens, ...all.map(({ startS }) => Math.max(0, startS))),
    circuit: {
      ...known.circuit,
      closures: known.circuit.closures.flatMap((closure) =>
        withoutWindows([closure], onTheCircuit).map((window) => ({ ...closure, ...window })),
      ),
    },
    cars: known.cars.map((car) =>
      more(
        car,
        [...drives, ...groups].filter((occupancy) => carsOf(occupancy).some(({ id }) => id === car.id)),
      ),
    ),
    sightingVehicles: known.sightingVehicles.map((vehicle) =>
      more(
        vehicle,
        runs.filter(({ sighting }) => sighting.vehicle === vehicle.id),
      ),
    ),
    instructors: known.instructors.map((instructor) =>
      more(
        instructor,
        all.filter((occupancy) => crewOf(occupancy).some(({ id }) => id === instructor.id)),
      ),
    ),
    guests: known.guests.map((guest) => {
      const own = during(all.filter(({ guests }) => guests.some(({ id }) => id === guest.id)));
      if (own.length === 0) return guest;
      const [fromS, toS] = [Math.min(...own.map(({ from }) => from)), Math.max(...own.map(({ to }) => to))];
      const { leavesBy } = guest;
      return {
        ...guest,
        arrives: Math.min(guest.arrives, fromS),
        leavesBy: leavesBy === undefined ? undefined : Math.max(leavesBy, toS),
        drives: guest.drives.map(({ pin, notBefore, ...drive }) =>
          begun(drive.id) ? drive : { ...drive, ...(pin && { pin }), ...(notBefore !== undefined && { notBefore }) },
        ),
      };
    }),
  };
}

/** Whether a group sits in its cars, is out, or is over. */
function groupHasBegun(state: DayState, group: string): boolean {
  return (state.groups.get(group)?.stage ?? 'planned') !== 'planned';
}

function hasBegun(state: DayState, drive: string): boolean {
  return (state.drives.get(drive)?.stage ?? 'planned') !== 'planned';
}

/** Whether a guest is or was out with a group. */
function wasInGroup(state: DayState, id: string): boolean {
  return [...state.groups.values()].some(({ stage, members }) => stage !== 'planned' && members.has(id));
}

/** Whether a guest is or was in a class, or on a sighting run. */
function wasThere(state: DayState, id: string, what: 'class' | 'sighting'): boolean {
  const guest = state.guests.get(id);
  return guest !== undefined && (guest.heldBy === what || (what === 'class' ? guest.briefed : guest.sighted));
}

/**
 * Whoever has been in a class or on a run needs none any more, whether or not it stands in the plan; nor does a guest
 * who drives already, however that came about.
 */
function withWhatWasSeen(known: Day, seen: Plan, state: DayState): Day {
  const repair = { previous: seen, nowS: state.timeS };
  const needsNone = (
    day: Day,
    standing: readonly { readonly guests: readonly string[] }[],
    what: 'class' | 'sighting',
  ) => {
    const inPlan = new Set(standing.flatMap(({ guests }) => guests));
    const done = what === 'class' ? 'briefed' : 'sighted';
    const guests = day.guests.map((guest) => {
      if (guest[done] || inPlan.has(guest.id)) return guest;
      const drove = guest.drives.some(({ id, ride }) => !ride && hasBegun(state, id));
      const seenIt = wasThere(state, guest.id, what) || drove || (what === 'class' && wasInGroup(state, guest.id));
      return seenIt ? { ...guest, [done]: true } : guest;
    });
    return guests.every((guest, place) => guest === day.guests[place]) ? day : { ...day, guests };
  };
  const frozen = frozenOf(known, repair);
  const briefed = needsNone(known, frozen.briefings, 'class');
  // Which runs can stay depends on who is briefed.
  const { sightings } = briefed === known ? frozen : frozenOf(briefed, repair);
  return needsNone(briefed, sightings, 'sighting');
}

/** A car with the levels that were read or filled today: the planner goes by them and not by what it computed before. */
function withFuelKnown(car: Car, state: DayState): Car {
  const marks = state.garage.cars.get(car.id)?.fuelMarks ?? [];
  const known = marks.filter(({ atS }) => atS <= DAY_S).map(({ atS, litres }) => ({ at: Math.floor(atS), litres }));
  if (known.length === 0) return car;
  return { ...car, fuel: { ...car.fuel, readings: [...(car.fuel.readings ?? []), ...known] } };
}

/** The plan as it was meant: without what ran late. An accepted plan is kept like this, for the journal knows the rest. */
export function withoutDelays(plan: Plan): Plan {
  return {
    ...plan,
    briefings: plan.briefings.map(({ heldUntil: _, ...briefing }) => briefing),
    sightings: plan.sightings.map(({ heldUntil: _, ...sighting }) => sighting),
    drives: plan.drives.map(({ heldUntil: _, ...planned }) => planned),
    ...(plan.groups && { groups: plan.groups.map(({ heldUntil: _, ...planned }) => planned) }),
  };
}

/**
 * What has begun stands in the plan as it was: with who was there, when it really began, and until when it held them or
 * will hold them. What nobody has entered is taken to be as planned.
 */
export function withDelays(booked: Day, plan: Plan, state: DayState): Plan {
  const day = dayWithLapsAdded(booked, state);
  const index = indexDay(day);
  const nowS = state.timeS;
  const { late } = state;
  const meant = withoutDelays(plan);
  /** End of an occupancy that is running, with what somebody said of running late. */
  const lateEnd = (startS: number, endS: number): number | undefined =>
    late && startS <= late.sinceS && late.sinceS < endS && nowS < endS + late.byS ? endS + late.byS : undefined;
  const until = (endS: number | undefined, plannedS: number, isOver: boolean) => {
    const unnoticed = endS === undefined || isNoise(endS, plannedS) || (endS < plannedS && !isOver);
    return unnoticed ? {} : { heldUntil: Math.min(DAY_S, Math.floor(endS)) };
  };
  return {
    ...meant,
    briefings: meant.briefings.map((briefing) => {
      const was = momentOf(briefing, state.classes, state.taught);
      if (!was) {
        const { startS, endS } = layOutBriefing(day, index, briefing);
        return { ...briefing, ...until(lateEnd(startS, endS), endS, false) };
      }
      const { instructor, guests, sinceS } = was;
      const start = isNoise(sinceS, briefing.start) ? briefing.start : sinceS;
      const begun = { ...briefing, instructor, guests: [...guests], start };
      const { endS } = layOutBriefing(day, index, begun);
      const runsS = Math.max(nowS, lateEnd(sinceS, endS) ?? 0);
      return { ...begun, ...until(was.endS ?? runsS, endS, was.endS !== undefined) };
    }),
    sightings: meant.sightings.map((sighting) => {
      const was = momentOf(sighting, state.sightings, state.shown);
      if (!was) {
        const { startS, endS } = layOutSighting(day, index, sighting);
        return { ...sighting, ...until(lateEnd(startS, endS), endS, false) };
      }
      const { instructor, guests, sinceS } = was;
      const release = isNoise(sinceS, sighting.release) ? sighting.release : sinceS;
      const begun = { ...sighting, instructor, guests: [...guests], release };
      const { startS, endS } = layOutSighting(day, index, begun);
      const { wrapUpS } = day.rules.sighting;
      const runsS = Math.max(nowS + wrapUpS, lateEnd(startS, endS) ?? 0);
      const backS = was.endS === undefined ? runsS : was.endS + wrapUpS;
      return { ...begun, ...until(backS, endS, was.endS !== undefined) };
    }),
    ...(meant.groups && {
      groups: meant.groups.map((planned) => {
        const group = state.groups.get(planned.group);
        if (!group || group.stage === 'planned') return planned;
        const begun = groupAsBegun(planned, group, nowS);
        const { startS, endS } = layOutGroup(day, index, begun);
        const runsS = Math.max(nowS, lateEnd(startS, endS) ?? 0);
        return { ...begun, ...until(group.endedS ?? runsS, endS, group.endedS !== undefined) };
      }),
    }),
    drives: meant.drives.map((planned) => {
      const drive = state.drives.get(planned.drive);
      if (!drive || drive.stage === 'planned') return planned;
      const begun = asBegun(day, planned, drive, nowS);
      const occupancy = layOutDrive(day, index, begun);
      const { wrapUpS } = holdsAround(day, drive.drive);
      const latestS = lastTrackS(day, occupancy) + wrapUpS;
      const endsS = driveEndS(day, index, occupancy, drive, nowS);
      const overS = drive.stage === 'done' ? drive.debriefedS : undefined;
      const saidS = overS === undefined ? (lateEnd(occupancy.startS, occupancy.endS) ?? 0) : 0;
      const untilS = Math.max(occupancy.releaseS, Math.min(overS ?? Math.max(endsS, saidS), latestS));
      return { ...begun, ...until(untilS, occupancy.endS, untilS < occupancy.endS || overS !== undefined) };
    }),
  };
}

/** A group that has begun, as it is: with the cars and people it has, when it was let out. */
function groupAsBegun(planned: PlannedGroup, group: GroupState, nowS: number): PlannedGroup {
  const { setUpS } = group.group;
  const out = group.releasedS ?? Math.max(planned.release, (group.beganS ?? nowS) + setUpS);
  return {
    ...planned,
    cars: [...group.cars],
    ...(group.leadCar !== undefined && { leadCar: group.leadCar }),
    crew: [...group.crew],
    release: Math.min(isNoise(out, planned.release) ? planned.release : out, nowS - 1 + setUpS),
  };
}

/** When a drive that has begun lets go of whom and what it holds, as far as can be seen. */
function driveEndS(day: Day, index: DayIndex, occupancy: DriveOccupancy, drive: DriveState, nowS: number): number {
  const { wrapUpS } = holdsAround(day, drive.drive);
  // One that was broken off is over early: whoever was to be in it is free then.
  if (drive.brokenOff && drive.inS !== undefined) return (drive.parkedS ?? Math.max(nowS, drive.inS)) + wrapUpS;
  if (drive.inS !== undefined) return Math.max(nowS, drive.inS + wrapUpS);
  if (drive.stage === 'onCircuit') return comesInS({ day, schedule: { index } }, drive, nowS) + wrapUpS;
  const trackS = occupancy.trackEndS - occupancy.releaseS;
  return Math.max(nowS, Math.max(occupancy.releaseS, nowS) + trackS + wrapUpS);
}

/** Earlier or later by no more than anybody notices. */
function isNoise(timeS: number, plannedS: number): boolean {
  return Math.abs(timeS - plannedS) <= UNNOTICED_LATE_S;
}

/** Something that several guests are in together, as it was entered; `endS` once it is over. */
interface Together {
  readonly instructor: string;
  readonly guests: readonly string[];
  readonly sinceS: number;
  readonly endS?: number;
}

/** The class, or the run, in which the guests of a planned one are or were. */
function momentOf(
  { guests }: { readonly guests: readonly string[] },
  running: ReadonlyMap<string, Omit<Together, 'instructor'> & { readonly instructor?: string }>,
  over: readonly Together[],
): Together | undefined {
  const isIt = (other: { readonly guests: readonly string[] }) => other.guests.some((id) => guests.includes(id));
  for (const [id, one] of running) if (isIt(one)) return { instructor: id, ...one };
  return over.find(isIt);
}

/** A drive that has begun, as it is: in the car and with the instructor with whom the guest sat down, when it was let out. */
function asBegun(day: Day, planned: PlannedDrive, drive: DriveState, nowS: number): PlannedDrive {
  const { setUpS } = holdsAround(day, drive.drive);
  const latestS = nowS - 1 + setUpS;
  const early = planned.release - setUpS >= nowS ? (drive.seatedS ?? nowS) + setUpS : planned.release;
  const out = drive.releasedS === undefined || isNoise(drive.releasedS, planned.release) ? early : drive.releasedS;
  return {
    ...planned,
    car: drive.car ?? planned.car,
    instructor: drive.instructor ?? planned.instructor,
    release: Math.min(out, latestS),
  };
}

/** Until when a drive that is running may stay on the circuit: the next closure brings it in, and so does the end of the day. */
function lastTrackS(day: Day, { releaseS }: { readonly releaseS: number }): number {
  const closures = day.circuit.closures.filter(({ to }) => to > releaseS).map(({ from }) => from);
  return Math.min(day.closes - day.rules.wrapUpS, ...closures);
}

/**
 * The plan before, as the journal has shown it to be: what runs late is held until it will really end, and what should
 * have begun but has not is out of the plan, so that it can be planned anew.
 */
function planAsItIs(day: Day, previous: Plan, state: DayState): Plan {
  const overdueS = state.timeS - SEATING_GRACE_S + day.rules.setUpS;
  const late = withDelays(day, previous, state);
  return {
    ...late,
    drives: late.drives.filter(
      ({ drive, release }) => state.drives.get(drive)?.stage !== 'planned' || release >= overdueS,
    ),
    ...(late.groups && {
      groups: late.groups.filter(
        ({ group, release }) => state.groups.get(group)?.stage !== 'planned' || release >= overdueS,
      ),
    }),
  };
}

/** What planning and checking go by at one time of a day that has a plan. */
export interface PlanningSnapshot {
  /** The day as it is. */
  readonly day: Day;
  /** The plan as people see it, what runs late held for longer: what a change by hand starts from. */
  readonly plan: Plan;
  /** What a repair starts from: the plan as it is, and the time. */
  readonly from: Repair;
  /** The same where the day has begun; before that, nothing stands and nobody has been told a time. */
  readonly repair: Repair | undefined;
}

/** The snapshot of a state. */
export function planningSnapshotOf(day: Day, plan: Plan, state: DayState): PlanningSnapshot {
  const known = dayAsItIs(day, plan, state);
  const from = { previous: withoutUnknown(known, planAsItIs(day, plan, state)), nowS: state.timeS };
  return {
    day: known,
    plan: runningPlan(day, plan, state, known),
    from,
    repair: state.timeS > day.opens ? from : undefined,
  };
}

/** Any plan of the day as people see it from a state: with what runs late, without who is gone. */
export function runningPlan(day: Day, plan: Plan, state: DayState, known: Day): Plan {
  return withoutUnknown(known, withDelays(day, plan, state));
}

/** The plan without the drives and guests that the day does not know (any more). */
export function withoutUnknown(known: Day, plan: Plan): Plan {
  const guests = new Set(known.guests.map(({ id }) => id));
  const drives = new Set(known.guests.flatMap((guest) => guest.drives.map(({ id }) => id)));
  const groups = new Set(known.groups?.map(({ id }) => id));
  const coming = <T extends { guests: string[] }>(activities: readonly T[]): T[] =>
    activities
      .map((activity) => ({ ...activity, guests: activity.guests.filter((id) => guests.has(id)) }))
      .filter((activity) => activity.guests.length > 0);
  return {
    ...plan,
    briefings: coming(plan.briefings),
    sightings: coming(plan.sightings),
    drives: plan.drives.filter(({ drive }) => drives.has(drive)),
    unplanned: plan.unplanned.filter(({ drive }) => drives.has(drive)),
    ...(plan.groups && { groups: plan.groups.filter(({ group }) => groups.has(group)) }),
    ...(plan.unplannedGroups && { unplannedGroups: plan.unplannedGroups.filter(({ group }) => groups.has(group)) }),
  };
}

/** The drives of guests who take no more part stand in the plan as left out, so that no drive is lost from sight. */
export function withGuestsGone(day: Day, known: Day, plan: Plan): Plan {
  const there = new Set(known.guests.flatMap(({ drives }) => drives.map(({ id }) => id)));
  const gone = day.guests.flatMap((guest) =>
    guest.drives
      .filter(({ id }) => !there.has(id))
      .map(({ id }) => ({ drive: id, reason: fact('guestGone', { guest: guest.id }) })),
  );
  const planned = withoutUnknown(known, plan);
  return { ...planned, unplanned: [...planned.unplanned, ...gone] };
}
