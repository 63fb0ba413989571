import { activityTexts, standingTexts } from '../standing';
import { wallClock } from '../time';
import { rule } from './rule';

/** Repair: nothing new holds anybody or anything before now. */
export const repairNow = rule('REPAIR_NOW', function* ({ day, plan, index, repair }) {
  if (!repair) return;
  const standing = new Set(standingTexts(day, repair, index).map(({ text }) => text));
  for (const { text, label, startS } of activityTexts(plan, day, index)) {
    if (startS < repair.nowS && !standing.has(text)) {
      yield `${label} begins at ${wallClock(startS)}, but it is ${wallClock(repair.nowS)} already`;
    }
  }
});
