import { progressOfRunner, reachedS, type Runner } from './runner';

/** One vehicle that is going to pass another. */
export interface Pass {
  readonly passing: string;
  readonly passed: string;
  /** Seconds since midnight. */
  readonly atS: number;
  /** The lap that each is on then, 1… from the release. */
  readonly passingLap: number;
  readonly passedLap: number;
  /** Share of the lap's time at which it happens; see `LapShape`. */
  readonly timeShare: number;
}

/** The moments between which both are on the circuit. */
function together(a: Runner, b: Runner): { readonly fromS: number; readonly toS: number } {
  return { fromS: Math.max(a.fromS, b.fromS), toS: Math.min(reachedS(a, a.off), reachedS(b, b.off)) };
}

/** The passes between two vehicles if each drives as expected: where the difference of their progress is whole. */
export function passesOf(a: Runner, b: Runner): Pass[] {
  const { fromS, toS } = together(a, b);
  if (fromS >= toS) return [];
  const ahead = (atS: number) => progressOfRunner(a, atS) - progressOfRunner(b, atS);
  // Between the ends of first laps both rates are constant, so that each stretch is crossed at most once a whole number.
  const bends = [reachedS(a, 1), reachedS(b, 1)].filter((bendS) => bendS > fromS && bendS < toS).sort((x, y) => x - y);
  const found: Pass[] = [];
  let startS = fromS;
  for (const endS of [...bends, toS]) {
    const [before, after] = [ahead(startS), ahead(endS)];
    const low = Math.ceil(Math.min(before, after));
    const high = Math.floor(Math.max(before, after));
    for (let whole = low; whole <= high; whole++) {
      if (whole === before) continue;
      const atS = startS + ((whole - before) / (after - before)) * (endS - startS);
      const [passing, passed] = after > before ? [a, b] : [b, a];
      found.push({
        passing: passing.id,
        passed: passed.id,
        atS,
        passingLap: Math.floor(progressOfRunner(passing, atS)) + 1,
        passedLap: Math.floor(progressOfRunner(passed, atS)) + 1,
        timeShare: progressOfRunner(passing, atS) % 1,
      });
    }
    startS = endS;
  }
  return found.sort((x, y) => x.atS - y.atS);
}

/**
 * How many passes are to be expected between two vehicles, with what is not known of their pace: the
 * difference of their progress at the end is taken as normal, and each whole number on the way counts with the chance
 * that it is reached.
 */
export function expectedPasses(a: Runner, b: Runner): number {
  const { fromS, toS } = together(a, b);
  if (fromS >= toS) return 0;
  const before = progressOfRunner(a, fromS) - progressOfRunner(b, fromS);
  const after = progressOfRunner(a, toS) - progressOfRunner(b, toS);
  const spread = Math.hypot(uncertainty(a, toS - fromS), uncertainty(b, toS - fromS), START_SPREAD);
  let sum = 0;
  for (let whole = Math.floor(before) + 1; ; whole++) {
    const chance = 1 - normal((whole - after) / spread);
    sum += chance;
    if (chance < NEGLIGIBLE) break;
  }
  for (let whole = Math.floor(before); ; whole--) {
    const chance = normal((whole - after) / spread);
    sum += chance;
    if (chance < NEGLIGIBLE) break;
  }
  return sum;
}

/** How far off the computed place at the beginning may be, laps. */
const START_SPREAD = 0.01;
const NEGLIGIBLE = 0.002;

/** How far off the computed progress may be after a time (standard deviation), laps. */
function uncertainty({ lap: { lapS, sdS, noiseS } }: Runner, afterS: number): number {
  const laps = afterS / lapS;
  return Math.hypot((laps * sdS) / lapS, (Math.sqrt(laps) * noiseS) / lapS);
}

/** The normal distribution function (Abramowitz and Stegun, 26.2.17, to 1e-7). */
export function normal(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = 0.3989422804014327 * Math.exp((-x * x) / 2) * poly;
  return x >= 0 ? 1 - tail : tail;
}
