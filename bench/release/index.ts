import { clockMinute } from '@core/day';
import { planDay, seededRandom } from '@core/planner';
import { ordinaryDay } from '../planner/days';
import { figures, percentile } from '../table';
import { simulate, type Outcome } from './simulate';

/** `npm run bench:release [-- days]`: what following the release advice saves, on simulated days. */
const DAYS = Number(process.argv[2] ?? 200);
const HOURS = [10, 11, 12, 13, 14, 15, 16, 17].map((hour) => hour * 3600);

const soonest: Outcome[] = [];
const advised: Outcome[] = [];
for (let seed = 1; seed <= DAYS; seed++) {
  const random = seededRandom(seed);
  const day = ordinaryDay(random, { drives: 110 + (seed % 5) * 10, cars: 14, load: 0.75 });
  const { plan } = planDay(day, { iterations: 0, random: seededRandom(seed) });
  soonest.push(simulate(day, plan, 'asSoonAsTheGapAllows', seed));
  advised.push(simulate(day, plan, 'advice', seed));
  if (seed % 20 === 0) process.stderr.write(`${seed} days\n`);
}

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const passes = (outcomes: readonly Outcome[]) => sum(outcomes.map((outcome) => outcome.passes));
const doneBy = (outcomes: readonly Outcome[], hourS: number) =>
  sum(outcomes.map(({ endsS }) => endsS.filter((endS) => endS <= hourS).length));
const waitOf = (outcomes: readonly Outcome[]) =>
  sum(outcomes.map(({ waitedS }) => waitedS)) / sum(outcomes.map(({ endsS }) => endsS.length));
const ratios = advised.map((outcome, day) => outcome.passes / soonest[day]!.passes);
const adviceMs = advised.flatMap((outcome) => outcome.adviceMs);

const { row, print } = figures();
row('simulated days, drives', `${DAYS}, ${sum(advised.map(({ endsS }) => endsS.length))}`);
row('passes, out as soon as the gap allows', String(passes(soonest)));
row('passes, following the advice', String(passes(advised)));
row('of it', (passes(advised) / passes(soonest)).toFixed(3));
row('of it, day by day: median, worst', `${percentile(ratios, 0.5).toFixed(3)}, ${Math.max(...ratios).toFixed(3)}`);
for (const hourS of HOURS) {
  const [before, after] = [doneBy(soonest, hourS), doneBy(advised, hourS)];
  row(`drives done by ${clockMinute(hourS)}`, `${before} → ${after} (${((after / before - 1) * 100).toFixed(1)} %)`);
}
row('seconds a car waits at the exit, mean', `${waitOf(soonest).toFixed(1)} → ${waitOf(advised).toFixed(1)}`);
row(
  'ms for a piece of advice: p50, p95',
  `${percentile(adviceMs, 0.5).toFixed(2)}, ${percentile(adviceMs, 0.95).toFixed(2)}`,
);
print();
