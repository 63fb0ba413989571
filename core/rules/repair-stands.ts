import type { Activity } from '../day';
import { activityTexts, frozenTexts } from './frozen';
import { rule, type Broken } from './rule';

export type RepairStandsBroken = Broken<'gone', { activity: Activity }>;

/** Repair: what had begun before now, and is still allowed, is exactly as it was. */
export const repairStands = rule(
  'REPAIR_STANDS',
  function* ({ day, plan, index, repair }): Iterable<RepairStandsBroken> {
    if (!repair) return;
    const present = new Set(activityTexts(plan, day, index).map(({ text }) => text));
    for (const { text, activity } of frozenTexts(day, repair, index)) {
      if (!present.has(text)) yield { detail: 'gone', subjects: { activity }, values: {} };
    }
  },
);
