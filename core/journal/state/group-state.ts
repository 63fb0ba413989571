import type { Group, GroupRole } from '../../programmes';
import type { EntryOf } from '../entries/entry';
import type { MemberOutReason, SpacingSaid } from '../entries/parts';
import type { GroupStage } from './stages';

/** A group from gathering in the cars to the talk afterwards, as the journal shows it. */

export interface GroupState {
  readonly group: Group;
  stage: GroupStage;
  /** Guests' cars; in a train each guest's own, in the order of the start. */
  cars: readonly string[];
  leadCar: string | undefined;
  crew: readonly { readonly role: GroupRole; readonly instructor: string }[];
  /** Those who take part, by id. */
  readonly members: Map<string, MemberState>;
  /** The order in which it began. */
  start: readonly string[];
  /** Who follows the leader, the first directly behind; those who are out are not in it. */
  order: readonly string[];
  /** Laps that the leader has counted, each with the order in which it was driven. */
  readonly laps: { readonly atS: number; readonly order: readonly string[] }[];
  /** Laps of each of its cars, as they were counted. */
  readonly carLaps: Map<string, number>;
  /** When the timing loop saw the first car of a train. */
  readonly seen: number[];
  /** Guests who are on the oval now. */
  readonly turns: Map<string, Turn>;
  /** Everybody stands, by the stop phrase. */
  stopped: { readonly reason: string; readonly sinceS: number; readonly by: string } | undefined;
  beganS: number | undefined;
  releasedS: number | undefined;
  endedS: number | undefined;
}

export interface MemberState {
  readonly guest: string;
  car: string | undefined;
  /** Not with the others at the moment, or no more. */
  out: { readonly why: MemberOutReason; readonly sinceS: number } | undefined;
  radio: { readonly works: boolean; readonly atS: number } | undefined;
  /** What was said of the distance to the car before, in the order of time. */
  readonly spacing: SpacingSaid[];
  /** What a spotter has judged, in the order of time. */
  readonly steps: StepJudged[];
  /** Laps driven at each step of the throttle, by its place. */
  readonly lapsAtStep: Map<number, number>;
  /** Whether the turn on the oval is over, with brakes confirmed or without. */
  turnEnded: { readonly brakes: boolean; readonly atS: number } | undefined;
  readonly runs: StationRun[];
  /** Stations that were opened to the guest although not all before them are passed. */
  readonly opened: Map<string, string>;
  readonly marked: MemberMarks[];
}

interface Turn {
  readonly car: string;
  readonly lane: string | undefined;
  readonly sinceS: number;
  /** Place of the step of the throttle that is allowed now. */
  step: number;
  lapsAtStep: number;
}

type StepJudged = Pick<EntryOf<'stepSet'>, 'step' | 'line' | 'smooth' | 'answers'> & { readonly atS: number };
type StationRun = Pick<EntryOf<'stationRun'>, 'station' | 'passed' | 'spins' | 'stops'> & {
  readonly atS: number;
};
type MemberMarks = Pick<EntryOf<'memberMarked'>, 'marks' | 'good' | 'note' | 'by'> & { readonly atS: number };

/** A group before it has begun. */
export function groupPlanned(group: Group): GroupState {
  return {
    group,
    stage: 'planned',
    cars: [],
    leadCar: undefined,
    crew: [],
    members: new Map(group.members.map((guest) => [guest, memberOf(guest)])),
    start: [],
    order: [],
    laps: [],
    carLaps: new Map(),
    seen: [],
    turns: new Map(),
    stopped: undefined,
    beganS: undefined,
    releasedS: undefined,
    endedS: undefined,
  };
}

function memberOf(guest: string): MemberState {
  return {
    guest,
    car: undefined,
    out: undefined,
    radio: undefined,
    spacing: [],
    steps: [],
    lapsAtStep: new Map(),
    turnEnded: undefined,
    runs: [],
    opened: new Map(),
    marked: [],
  };
}

/** The vehicles of a train in the order in which they drive; whoever has fallen out is not among them. */
export function carsInOrder({ leadCar, order, members, group }: GroupState): string[] {
  const guests = order.flatMap((guest) => members.get(guest)?.car ?? []);
  return [...(leadCar === undefined ? [] : [leadCar]), ...guests, ...(group.staffCars ?? [])];
}

/** Laps that a guest of a train has been directly behind the leader so far. */
export function lapsLed({ laps }: Pick<GroupState, 'laps'>, guest: string): number {
  return laps.filter(({ order }) => order[0] === guest).length;
}
