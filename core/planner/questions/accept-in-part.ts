import { judgeOf, type Violation } from '../../rules';
import type { Plan } from '../../day';
import type { PlanningSnapshot } from '../../journal';

/** What comes of accepting a part of a proposal. */
export type PartOutcome =
  | { readonly valid: true; readonly plan: Plan; readonly costs: number }
  | { readonly valid: false; readonly broken: readonly Violation[] };

/**
 * The current plan with only the chosen drives as the proposal has them. Classes, sighting runs, groups and refuels are taken
 * from the proposal or from the current plan, whichever keeps every rule that the current plan keeps; where neither
 * does, what the better of the two breaks.
 */
export function acceptInPart(
  { day, plan: current, repair }: Pick<PlanningSnapshot, 'day' | 'plan' | 'repair'>,
  proposal: Plan,
  chosen: ReadonlySet<string>,
): PartOutcome {
  const judge = judgeOf(day, current, repair);
  const drives = [
    ...current.drives.filter(({ drive }) => !chosen.has(drive)),
    ...proposal.drives.filter(({ drive }) => chosen.has(drive)),
  ];
  const placed = new Set(drives.map(({ drive }) => drive));
  const reasons = new Map([...proposal.unplanned, ...current.unplanned].map((item) => [item.drive, item]));
  const unplanned = [...new Set([...reasons.keys(), ...current.drives.map(({ drive }) => drive)])]
    .filter((drive) => !placed.has(drive))
    .map((drive) => reasons.get(drive)!);
  const shared = ({ briefings, sightings, refuels, groups, unplannedGroups }: Plan) => ({
    briefings,
    sightings,
    refuels,
    ...(groups && { groups }),
    ...(unplannedGroups && { unplannedGroups }),
  });
  const candidates = [proposal, current]
    .map((from): Plan => ({ ...current, ...shared(from), drives, unplanned }))
    .map((plan) => ({ plan, ...judge.of(plan) }))
    .sort((a, b) => a.broken.length - b.broken.length);
  const best = candidates[0]!;
  return best.broken.length === 0
    ? { valid: true, plan: best.plan, costs: best.costs }
    : { valid: false, broken: best.broken };
}
