import { judgeOf, type Judgement, type Violation } from '@core/rules';
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

let snapshot: PlanningSnapshot | undefined;
let judge: ReturnType<typeof judgeOf> | undefined;

/** What the thread that checks plans answers. */
const thread = {
  /** From where changes are judged from now on; gives what is broken there already, and what it costs. */
  judgeFrom(from: PlanningSnapshot): { readonly violations: readonly Violation[]; readonly cost: number } {
    snapshot = from;
    judge = judgeOf(from.day, from.plan, from.repair);
    const { violations, cost } = judge.verdict;
    return { violations, cost: cost.total };
  },
  /** Nothing before there is somewhere to stand. */
  judge: (plan: Plan): Judgement | undefined => judge?.of(plan),
  room: (day: Day, wanted: Wanted): DayRoom => roomOf(day, wanted),
  inPart(proposal: Plan, chosen: ReadonlySet<string>): PartOutcome {
    if (!snapshot) throw new Error('There is no snapshot yet.');
    return acceptInPart(snapshot, proposal, chosen);
  },
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
export type VerdictThread = typeof thread;

expose(thread);
