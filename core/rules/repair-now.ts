import type { Activity } from '../day';
import { activityTexts, frozenTexts } from './frozen';
import { rule, type Broken } from './rule';

export type RepairNowBroken = Broken<'past', { activity: Activity }, { startS: number; nowS: number }>;

/** Repair: nothing new holds anybody or anything before now. */
export const repairNow = rule('REPAIR_NOW', function* ({ day, plan, index, repair }): Iterable<RepairNowBroken> {
  if (!repair) return;
  const frozen = new Set(frozenTexts(day, repair, index).map(({ text }) => text));
  for (const { text, activity, startS } of activityTexts(plan, day, index)) {
    if (startS < repair.nowS && !frozen.has(text)) {
      yield { detail: 'past', subjects: { activity }, values: { startS, nowS: repair.nowS } };
    }
  }
});
