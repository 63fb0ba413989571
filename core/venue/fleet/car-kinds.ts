/** What kind of car it is to people who choose one. */
export const CAR_KINDS = ['small', 'roadster', 'grandTourer', 'midEngined', 'fourDriven', 'fierce'] as const;
export type CarKind = (typeof CAR_KINDS)[number];
