import type { DayContext } from './state/context';
import type { CarState, CrewState, DayState, DriveState, GuestState } from './state/day-state';
import { emptyGarage } from './state/garage';
import { groupPlanned } from './state/group-state';
import { noCount } from './state/lap-count';

/** The day before anything has happened. */
export function beginning({ day, schedule }: DayContext): DayState {
  const drives = new Map<string, DriveState>();
  const planned = new Map(schedule.plan.drives.map((drive) => [drive.drive, drive]));
  for (const [id, { drive, guest }] of schedule.index.drives) {
    drives.set(id, {
      drive,
      guest,
      stage: 'planned',
      car: planned.get(id)?.car,
      instructor: planned.get(id)?.instructor,
      seatedS: undefined,
      paceKnown: undefined,
      releasedS: undefined,
      inS: undefined,
      parkedS: undefined,
      debriefedS: undefined,
      crossings: [],
      count: noCount(),
      spoiled: new Map(),
      extraLaps: drive.extraLaps ?? 0,
      extraLapAsked: undefined,
      interventions: [],
      checked: new Set(),
      talked: new Set(),
      standing: undefined,
      brokenOff: undefined,
      marked: [],
      handoverSeenBy: undefined,
      owedWish: undefined,
      madeUpIn: undefined,
    });
  }
  return {
    timeS: 0,
    guests: new Map(
      day.guests.map((guest): [string, GuestState] => [
        guest.id,
        {
          guest,
          stage: 'expected',
          arrivedS: undefined,
          waiver: false,
          licence: false,
          helmet: false,
          briefed: guest.briefed,
          sighted: guest.sighted,
          drive: undefined,
          heldBy: undefined,
          gone: undefined,
          unwell: false,
          deskDone: false,
          answers: {},
          misread: new Map(),
          sentFor: undefined,
          fitted: {},
          recording: undefined,
          received: 0,
          sold: 0,
          freeSinceS: undefined,
          sinceS: undefined,
        },
      ]),
    ),
    drives,
    groups: new Map([...schedule.index.groups].map(([id, group]) => [id, groupPlanned(group)])),
    cars: new Map(
      day.cars.map((car): [string, CarState] => [
        car.id,
        {
          car,
          status: 'ready',
          drive: undefined,
          group: undefined,
          heldFor: undefined,
          heldSinceS: undefined,
          backAtS: undefined,
          refuelling: false,
          refuelSinceS: undefined,
          laps: 0,
          lapsSinceRest: 0,
          parkedS: undefined,
          radio: undefined,
        },
      ]),
    ),
    crew: new Map(
      day.instructors.map((instructor): [string, CrewState] => [
        instructor.id,
        { instructor, status: 'free', busyWith: undefined, pause: undefined, laps: 0 },
      ]),
    ),
    sightings: new Map(),
    classes: new Map(),
    taught: [],
    shown: [],
    late: undefined,
    flag: { id: undefined, flag: 'green', sinceS: 0, by: '', reason: undefined, clearedBy: undefined },
    incidents: [],
    strays: [],
    resolved: [],
    left: new Map(),
    closed: undefined,
    garage: emptyGarage(),
  };
}
