import type { CostTerm } from './term';

/** Planned drives whose guest names preferred instructors and gets another one. */
export const preference: CostTerm = {
  name: 'preference',
  weight: 10,
  of: ({ drives }) =>
    drives.filter(({ guests, planned }) => {
      const preferred = guests[0]?.preferInstructors ?? [];
      return preferred.length > 0 && !preferred.includes(planned.instructor);
    }).length,
};
