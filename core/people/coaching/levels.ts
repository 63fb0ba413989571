import * as z from 'zod';

/** The programme in which everything is driven so far. */
export const COACHED_DRIVE = 'coached drive';

/** The level that a guest has reached in a programme: of the fiercest car that was driven with a clean lap. */
export const levelReached = z.object({
  programme: z.string(),
  level: z.number().int().min(1).max(5),
  car: z.string(),
  date: z.iso.date(),
});
export type LevelReached = z.output<typeof levelReached>;

/** The highest level by programme over some days, the first day on which it was reached. */
export function highestLevels(reached: readonly LevelReached[]): LevelReached[] {
  const best = new Map<string, LevelReached>();
  for (const one of reached) {
    const known = best.get(one.programme);
    const isHigher = !known || one.level > known.level || (one.level === known.level && one.date < known.date);
    if (isHigher) best.set(one.programme, one);
  }
  return [...best.values()];
}
