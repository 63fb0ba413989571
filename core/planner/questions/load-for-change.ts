import { indexDay, layOut, type Day, type DayIndex, type Plan, type Repair } from '../../day';
import { RULES, violationKey } from '../../rules';
import { loadPlan } from '../search/load';
import type { Problem } from '../place/problem';
import { rebuild, SOON } from '../search/rebuild';
import type { Timetable } from '../place/timetable';
import { withReasons } from '../search/explain';

/** What a plan breaks, one text each. */
export function brokenRules(day: Day, plan: Plan, repair?: Repair, index: DayIndex = indexDay(day)): Set<string> {
  const schedule = layOut(day, plan, repair, index);
  const violations = RULES.flatMap((rule) => rule.check(schedule));
  return new Set(violations.map(violationKey));
}

/** Whether a plan of a day breaks nothing beyond what is known to be broken. */
export function breaksNothingNew(
  { day, repair, index }: Pick<Problem, 'day' | 'repair' | 'index'>,
  plan: Plan,
  known: ReadonlySet<string>,
): boolean {
  return [...brokenRules(day, plan, repair, index)].every((rule) => known.has(rule));
}

/** A plan in a timetable, to be changed in one place while all else stays. */
export interface LoadedForChange {
  readonly timetable: Timetable;
  /** The whole plan, once the timetable has been changed. */
  readonly toPlan: () => Plan;
}

/**
 * Loads a plan for a change in one place. Drives whose place is broken already stay there where they break nothing more:
 * that may be somebody's decision. Where they cannot (their guest's class has fallen, say), they are planned anew.
 *
 * @param known what the plan breaks already
 */
export function loadForChange(problem: Problem, plan: Plan, known: ReadonlySet<string>): LoadedForChange {
  const { drives } = problem;
  const timetable = loadPlan(problem, plan);
  const planned = new Set(plan.drives.map(({ drive }) => drive));
  const dropped = drives.flatMap(({ drive }, number) =>
    planned.has(drive.id) && !timetable.driveOccupancy[number] ? [number] : [],
  );
  const reasons = new Map(plan.unplanned.map(({ drive, reason }) => [drive, reason]));
  const asItIs = () => withReasons(timetable, reasons);
  const groupsDropped = plan.groups?.some(({ group }) => {
    const number = problem.groups.findIndex((facts) => facts.group.id === group);
    return number >= 0 && !timetable.groupOccupancy[number];
  });
  if (dropped.length === 0 && !groupsDropped) return { timetable, toPlan: asItIs };
  const withFallen = () => withUnloaded(asItIs(), plan);
  if (breaksNothingNew(problem, withFallen(), known)) return { timetable, toPlan: withFallen };
  rebuild(timetable, dropped, SOON);
  return { timetable, toPlan: asItIs };
}

/** A plan made from a timetable, with the drives and groups that the timetable could not take over from the plan before. */
function withUnloaded(made: Plan, before: Plan): Plan {
  const planned = new Set(made.drives.map(({ drive }) => drive));
  const unloaded = before.drives.filter(({ drive }) => !planned.has(drive));
  const ids = new Set(unloaded.map(({ drive }) => drive));
  const standing = new Set(made.groups?.map(({ group }) => group));
  const groups = before.groups?.filter(({ group }) => !standing.has(group)) ?? [];
  const isKept = new Set(groups.map(({ group }) => group));
  return {
    ...made,
    ...(made.groups && { groups: [...made.groups, ...groups] }),
    ...(made.unplannedGroups && {
      unplannedGroups: made.unplannedGroups.filter(({ group }) => !isKept.has(group)),
    }),
    drives: [...made.drives, ...unloaded],
    unplanned: made.unplanned.filter(({ drive }) => !ids.has(drive)),
  };
}
