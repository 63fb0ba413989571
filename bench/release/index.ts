import { writeFileSync } from 'node:fs';
import { clockMinute } from '@core/values';
import { planDay, seededRandom } from '@core/planner';
import { PRICES, type WaitingPrices } from '@core/live/traffic';
import { ordinaryDay } from '../planner/days';
import { figures, percentile } from '../table';
import { curveAsSvg, type CurvePoint } from './curve';
import { simulate, type Outcome, type Policy } from './simulate';

/**
 * `npm run bench:release [-- days]`: what following the release advice saves, on simulated days.
 * `npm run bench:release -- days curve FILE`: the same at other prices of waiting, as a figure.
 */
const DAYS = Number(process.argv[2] ?? 200);
const CURVE = process.argv[3] === 'curve' ? (process.argv[4] ?? 'docs/release-curve.svg') : undefined;
const HOURS = [10, 11, 12, 13, 14, 15, 16, 17].map((hour) => hour * 3600);

const days = Array.from({ length: DAYS }, (_, i) => {
  const seed = i + 1;
  const day = ordinaryDay(seededRandom(seed), { drives: 110 + (seed % 5) * 10, cars: 14, load: 0.75 });
  return { seed, day, plan: planDay(day, { iterations: 0, random: seededRandom(seed) }).plan };
});
const outcomesOf = (policy: Policy): Outcome[] => days.map(({ day, plan, seed }) => simulate(day, plan, policy, seed));

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const passes = (outcomes: readonly Outcome[]) => sum(outcomes.map((outcome) => outcome.passes));
const doneBy = (outcomes: readonly Outcome[], hourS: number) =>
  sum(outcomes.map(({ endsS }) => endsS.filter((endS) => endS <= hourS).length));
const waitOf = (outcomes: readonly Outcome[]) =>
  sum(outcomes.map(({ waitedS }) => waitedS)) / sum(outcomes.map(({ endsS }) => endsS.length));

const { row, print } = figures();
const soonest = outcomesOf('asSoonAsTheGapAllows');
if (CURVE === undefined) compare(outcomesOf({ prices: PRICES }));
else drawCurve(CURVE);
print();

function compare(advised: readonly Outcome[]): void {
  const ratios = advised.map((outcome, day) => outcome.passes / soonest[day]!.passes);
  const adviceMs = advised.flatMap((outcome) => outcome.adviceMs);
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
}

/** The price of a minute from cheap to dear: mean wait, share of the passes, and the drives done later by the worst hour. */
function drawCurve(file: string): void {
  const chosen = PRICES.perMin;
  const point = (what: string, prices: WaitingPrices, foresight = false): CurvePoint => {
    const advised = outcomesOf({ prices, foresight });
    const later = Math.min(...HOURS.map((hourS) => doneBy(advised, hourS) / doneBy(soonest, hourS) - 1));
    const at = { waitS: waitOf(advised), passes: passes(advised) / passes(soonest), perMin: prices.perMin };
    row(
      `${prices.perMin} passes a minute, ${what}`,
      `${at.waitS.toFixed(1)} s, ${at.passes.toFixed(3)}, ${(later * 100).toFixed(1)} %`,
    );
    return at;
  };
  const perMins = [0.3, 0.45, 0.6, chosen, 1.1, 1.6, 2.4].sort((a, b) => a - b);
  const lines = [
    { name: 'what the plan can spare counts', points: perMins.map((perMin) => point('slack', { ...PRICES, perMin })) },
    { name: 'every minute alike', points: perMins.map((perMin) => point('alike', { ...PRICES, perMin, late: 0 })) },
    {
      name: 'if every pace were known',
      points: perMins.map((perMin) => point('foresight', { ...PRICES, perMin }, true)),
    },
  ];
  const own = lines[0]!.points.find(({ perMin }) => perMin === chosen)!;
  writeFileSync(file, curveAsSvg(lines, own));
}
