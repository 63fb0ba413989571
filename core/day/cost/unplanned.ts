import type { CostTerm } from './term';

/** Drives of the day that are not planned. */
export const unplanned: CostTerm = {
  name: 'unplanned',
  weight: 2000,
  of: ({ index, plan }) => {
    const planned = new Set(plan.drives.map(({ drive }) => drive));
    return [...index.drives.keys()].filter((id) => !planned.has(id)).length;
  },
};
