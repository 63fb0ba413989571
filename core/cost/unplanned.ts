import type { CostTerm } from './term';

/** Drives of the day that are not planned, and guests of groups that are not. */
export const unplanned: CostTerm = {
  name: 'unplanned',
  weight: 2000,
  of: ({ index, plan }) => {
    const planned = new Set(plan.drives.map(({ drive }) => drive));
    const drives = [...index.drives.keys()].filter((id) => !planned.has(id)).length;
    const out = new Set((plan.groups ?? []).map(({ group }) => group));
    const members = [...index.groups.values()].flatMap((group) => (out.has(group.id) ? [] : group.members));
    return drives + members.length;
  },
};
