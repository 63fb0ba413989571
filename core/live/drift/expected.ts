import type { PersonOccupancy, RefuelOccupancy } from '../../day';

/** What is laid out in the plan and takes part in the drift. */
export type Occupancy = PersonOccupancy | RefuelOccupancy;

/** The last thing for which an activity has to wait. */
export type Waited =
  /** Another activity that has the car, the instructor, the guest, a place on the circuit, a room or a bay until then. */
  | { readonly kind: 'car' | 'crew' | 'guest' | 'vehicle' | 'circuit' | 'room' | 'bay'; readonly after: string }
  /** Nothing: it could have begun. */
  | { readonly kind: 'begin' }
  | { readonly kind: 'guestComes'; readonly guest: string }
  | { readonly kind: 'carBack'; readonly car: string }
  /** A closure, or a flag, or a car that stands in the way. */
  | { readonly kind: 'shut' };

/** Why an activity cannot begin at any time that is known. */
export type Blocked =
  | { readonly kind: 'carOut'; readonly car: string }
  | { readonly kind: 'crewOff'; readonly instructor: string }
  | { readonly kind: 'guestUnwell' | 'missedClass' | 'missedRun' | 'missesAll'; readonly guest: string };

/** An activity as it was, is or can be expected to be; times in seconds since midnight. */
export interface Expected {
  readonly key: string;
  /** As it was accepted. */
  readonly occupancy: Occupancy;
  readonly phase: 'over' | 'running' | 'toCome';
  /** Begin of its hold. */
  readonly startS: number;
  /** The release; of a class or a refuel its begin. */
  readonly releaseS: number;
  /** End of the time on the circuit; of a class or a refuel its end. */
  readonly trackEndS: number;
  readonly endS: number;
  /** By how much later than accepted it begins, or ends where it has begun; never below 0. */
  readonly lateS: number;
  readonly waited: Waited | undefined;
}

/** An activity that cannot take place as it is planned. */
export interface Stuck {
  readonly key: string;
  readonly occupancy: Occupancy;
  readonly why: Blocked;
}

/** Where a day is heading, if everybody keeps car, instructor and order. */
export interface Drift {
  readonly timeS: number;
  /** In the order of the plan. */
  readonly expected: ReadonlyMap<string, Expected>;
  readonly stuck: ReadonlyMap<string, Stuck>;
}

/** By which an activity of a plan is known in its drift. */
export const keyOf = {
  drive: (id: string): string => `drive ${id}`,
  briefing: (place: number): string => `class ${place}`,
  sighting: (place: number): string => `run ${place}`,
  refuel: (place: number): string => `refuel ${place}`,
  group: (id: string): string => `group ${id}`,
};
