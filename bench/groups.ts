import { checkPlan } from '@core/rules';
import { planDay, seededRandom } from '@core/planner';
import { mixedDay } from '@core/testing/group-days';

/** How a day of 60 drives, two trains, an oval, a rotation of three teams and ten rides is planned within five seconds. */
const DAYS = 6;
const LIMIT_MS = 5000;
/** Reasons that hold whatever else is planned. */
const NEVER = new Set(['misfit', 'noInstructor', 'carsGone', 'leavesEarly', 'nothingLeft']);

console.log('day | valid | first plan ms | groups | rides | drives left out (never possible) | cost');
for (let seed = 1; seed <= DAYS; seed++) {
  const day = mixedDay(seededRandom(seed));
  const startMs = performance.now();
  let firstMs = 0;
  const { plan, cost } = planDay(day, {
    random: seededRandom(1),
    deadline: { now: () => performance.now(), untilMs: startMs + LIMIT_MS },
    onProgress: () => (firstMs ||= performance.now() - startMs),
  });
  const rides = plan.drives.filter(({ drive }) => drive.endsWith('-ride')).length;
  const never = plan.unplanned.filter(({ reason }) => typeof reason === 'object' && NEVER.has(reason.code)).length;
  const cells = [
    ...[seed, checkPlan(day, plan).valid, Math.round(firstMs)],
    ...[`${plan.groups?.length} of ${day.groups?.length}`, `${rides} of 10`],
    ...[`${plan.unplanned.length} (${never})`, Math.round(cost.total)],
  ];
  console.log(cells.join(' | '));
}
