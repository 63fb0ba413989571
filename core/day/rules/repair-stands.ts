import { activityTexts, standingTexts } from '../standing';
import { rule } from './rule';

/** Repair: what had begun before now, and is still allowed, is exactly as it was. */
export const repairStands = rule('REPAIR_STANDS', function* ({ day, plan, index, repair }) {
  if (!repair) return;
  const present = new Set(activityTexts(plan, day, index).map(({ text }) => text));
  for (const { text, label } of standingTexts(day, repair, index)) {
    if (!present.has(text)) yield `${label} had begun and must stand as it was`;
  }
});
