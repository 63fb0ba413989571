import {
  byStart,
  indexDay,
  type BriefingHold,
  type CircuitHold,
  type Day,
  type DayIndex,
  type DriveHold,
  type Interval,
  type PersonHold,
  type Plan,
  type RefuelHold,
  type SightingHold,
  type Unplanned,
} from '../day';

/**
 * A plan while it is being made: every activity filed under the car, the person and the circuit that it holds, each list
 * in order of time. It says what is taken; what that allows is for `obstacles` to judge.
 */
export class Timetable {
  readonly index: DayIndex;
  readonly briefings: BriefingHold[] = [];
  readonly sightings: SightingHold[] = [];
  readonly drives = new Map<string, DriveHold>();
  readonly refuels: RefuelHold[] = [];
  /** In order of their releases. */
  readonly circuit: CircuitHold[] = [];
  private readonly byGuest = new Map<string, PersonHold[]>();
  private readonly byCrew = new Map<string, PersonHold[]>();
  private readonly byCar = new Map<string, DriveHold[]>();
  private readonly refuelsByCar = new Map<string, RefuelHold[]>();

  /** @param nowS nothing new may hold anybody before this time of day */
  constructor(
    readonly day: Day,
    readonly nowS: number,
  ) {
    this.index = indexDay(day);
  }

  guest(id: string): readonly PersonHold[] {
    return this.byGuest.get(id) ?? [];
  }
  crew(id: string): readonly PersonHold[] {
    return this.byCrew.get(id) ?? [];
  }
  car(id: string): readonly DriveHold[] {
    return this.byCar.get(id) ?? [];
  }
  carRefuels(id: string): readonly RefuelHold[] {
    return this.refuelsByCar.get(id) ?? [];
  }
  vehicle(id: string): SightingHold[] {
    return this.sightings.filter((hold) => hold.sighting.vehicle === id);
  }

  add(hold: PersonHold | RefuelHold): void {
    if (hold.kind === 'refuel') {
      insert(this.refuels, hold, byStart);
      insert(listOf(this.refuelsByCar, hold.refuel.car), hold, byStart);
      return;
    }
    for (const guest of hold.guests) insert(listOf(this.byGuest, guest.id), hold, byStart);
    if (hold.instructor) insert(listOf(this.byCrew, hold.instructor.id), hold, byStart);
    if (hold.kind === 'briefing') {
      insert(this.briefings, hold, byStart);
      return;
    }
    insert(this.circuit, hold, (a, b) => a.releaseS - b.releaseS);
    if (hold.kind === 'sighting') insert(this.sightings, hold, byStart);
    else {
      this.drives.set(hold.planned.drive, hold);
      insert(listOf(this.byCar, hold.planned.car), hold, byStart);
    }
  }

  remove(hold: PersonHold | RefuelHold): void {
    if (hold.kind === 'refuel') {
      take(this.refuels, hold);
      take(listOf(this.refuelsByCar, hold.refuel.car), hold);
      return;
    }
    for (const guest of hold.guests) take(listOf(this.byGuest, guest.id), hold);
    if (hold.instructor) take(listOf(this.byCrew, hold.instructor.id), hold);
    if (hold.kind === 'briefing') {
      take(this.briefings, hold);
      return;
    }
    take(this.circuit, hold);
    if (hold.kind === 'sighting') take(this.sightings, hold);
    else {
      this.drives.delete(hold.planned.drive);
      take(listOf(this.byCar, hold.planned.car), hold);
    }
  }

  /** Seconds that this instructor is held so far. */
  heldS(instructorId: string): number {
    return this.crew(instructorId).reduce((sum, hold) => sum + hold.endS - hold.startS, 0);
  }

  /** The plan as it stands, with the drives that were left out. */
  toPlan(unplanned: Unplanned[]): Plan {
    return {
      format: 'joylap-plan',
      version: 1,
      date: this.day.date,
      briefings: this.briefings.map(({ briefing }) => briefing),
      sightings: this.sightings.map(({ sighting }) => sighting),
      drives: [...this.drives.values()].sort((a, b) => a.releaseS - b.releaseS).map(({ planned }) => planned),
      refuels: this.refuels.map(({ refuel }) => refuel),
      unplanned,
    };
  }
}

/** A list in order of time with one more interval in its place; the list itself stays as it is. */
export function withHold<T extends Interval>(holds: readonly T[], hold: T): T[] {
  const copy = [...holds];
  insert(copy, hold, byStart);
  return copy;
}

function listOf<T>(lists: Map<string, T[]>, id: string): T[] {
  let list = lists.get(id);
  if (!list) lists.set(id, (list = []));
  return list;
}

function insert<T>(list: T[], item: T, order: (a: T, b: T) => number): void {
  let at = list.length;
  while (at > 0 && order(list[at - 1]!, item) > 0) at -= 1;
  list.splice(at, 0, item);
}

function take<T>(list: T[], item: T): void {
  const at = list.indexOf(item);
  if (at >= 0) list.splice(at, 1);
}
