import { checkPlan } from '@core/day';
import { planDay, seededRandom } from '@core/planner';
import { randomDay } from '../core/testing/random-day';

/** `npm run bench:planner`: how long one construction of a plan takes, on days made by seed. */
const DRIVES = 150;
console.log(
  '| seed | drives | first plan, ms | further plans, ms each | left out | valid |\n|---|---|---|---|---|---|',
);
for (let seed = 1; seed <= 8; seed++) {
  const day = randomDay(seededRandom(seed), { drives: DRIVES, cars: 14, instructors: 16 });
  const time = (iterations: number) => {
    const startedAt = performance.now();
    const planned = planDay(day, { iterations, random: seededRandom(1) });
    return { planned, ms: performance.now() - startedAt };
  };
  const first = time(1);
  const more = time(5);
  const { valid } = checkPlan(day, first.planned.plan);
  console.log(
    `| ${seed} | ${DRIVES} | ${first.ms.toFixed(0)} | ${(more.ms / 5).toFixed(0)} | ${first.planned.plan.unplanned.length} | ${valid ? 'yes' : 'no'} |`,
  );
}
