/** What keeps a group from having a place. */
export const GROUP_NEEDS = ['surface', 'cars', 'crew', 'guests'] as const;
export type GroupNeed = (typeof GROUP_NEEDS)[number];
