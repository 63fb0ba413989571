import type { Day, Plan } from '@core/day';
import type { PlanningSnapshot } from '@core/journal';
import {
  acceptInPart,
  assignmentsOf,
  carsFor,
  dayAhead,
  remediesFor,
  roomOf,
  stillSold,
  type Assignment,
  type CarChoice,
  type DayRoom,
  type Remedy,
  type PartOutcome,
  type StillSold,
  type Wanted,
} from '@core/planner';
import { expose } from 'comlink';

/** What the thread that plans answers. */
const thread = {
  room: (day: Day, wanted: Wanted): DayRoom => roomOf(day, wanted),
  inPart: (snapshot: PlanningSnapshot, proposal: Plan, chosen: ReadonlySet<string>): PartOutcome =>
    acceptInPart(snapshot, proposal, chosen),
  remedies: ({ day, from, repair }: PlanningSnapshot, drive: string): readonly Remedy[] =>
    remediesFor(day, from.previous, drive, repair),
  assignments: ({ day, plan, repair }: PlanningSnapshot, drive: string): readonly Assignment[] =>
    assignmentsOf(day, plan, drive, repair),
  cars: ({ day, plan, repair }: PlanningSnapshot, drive: string): readonly CarChoice[] =>
    carsFor(day, plan, drive, repair),
  stillSold: ({ day, plan, from }: PlanningSnapshot, wanted: Wanted): StillSold =>
    stillSold(day, plan, from.nowS, wanted),
  dayAhead,
};
export type QuestionsThread = typeof thread;

expose(thread);
