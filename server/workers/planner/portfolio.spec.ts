import { checkPlan } from '@core/rules';
import type { Day } from '@core/day';
import { seededRandom } from '@core/planner';
import { randomDay } from '@core/testing/random-day';
import { Portfolio, type PortfolioOrder } from './portfolio';
import type { ThreadFound, ThreadProgress, ThreadReport } from './worker';

const day = randomDay(seededRandom(3), { drives: 25 });

function order(id: string, more: Partial<PortfolioOrder> = {}): PortfolioOrder {
  const stop = new Int32Array(new SharedArrayBuffer(4));
  const least = new Float64Array(new SharedArrayBuffer(8)).fill(-Infinity);
  return { id, day, seconds: 1, seed: 1, current: undefined, stop, least, ...more };
}

/** Hands an order over and waits for its end. */
function ended(portfolio: Portfolio, wanted: PortfolioOrder, told: (report: ThreadReport) => void = () => undefined) {
  return new Promise<ThreadFound>((resolve, reject) => {
    portfolio.run(wanted, {
      told: (report) => {
        told(report);
        if (report.kind === 'found') resolve(report);
      },
      failed: reject,
    });
  });
}

describe('Several searches at once', () => {
  it('tell of one plan, valid and no dearer than any that was told on the way', async () => {
    const progress: ThreadProgress[] = [];
    let ends = 0;
    const found = await ended(new Portfolio(2), order('a'), (report) => {
      if (report.kind === 'progress') progress.push(report);
      else ends += 1;
    });
    expect(ends).toBe(1);
    expect(checkPlan(day, found.plan).valid).toBe(true);
    const costs = progress.map(({ cost }) => cost.total);
    expect(costs).toEqual([...costs].sort((a, b) => b - a));
    expect(found.cost.total).toBeLessThanOrEqual(costs.at(-1)!);
    expect(progress.every((each) => !('plan' in each)))
      .withContext('plans go between threads, not to screens')
      .toBe(true);
  });

  it('end together when they are stopped', async () => {
    const portfolio = new Portfolio(2);
    const stopped = order('a', { seconds: 600 });
    const found = await ended(portfolio, stopped, () => Atomics.store(stopped.stop, 0, 1));
    expect(checkPlan(day, found.plan).valid).toBe(true);
  });

  it('make one first plan where there is no time to search, the same as one alone', async () => {
    const first = (size: number) => ended(new Portfolio(size), order('a', { seconds: undefined, iterations: 0 }));
    const [one, several] = await Promise.all([first(1), first(3)]);
    expect(several.plan).toEqual(one.plan);
  });

  it('that break down say so, and the next order gets new threads', async () => {
    const portfolio = new Portfolio(2);
    const broken = order('a', { day: {} as Day });
    await expectAsync(ended(portfolio, broken)).toBeRejected();
    expect((await ended(portfolio, order('b'))).plan.drives.length).toBeGreaterThan(0);
  });
});
