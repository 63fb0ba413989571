import { checkPlan } from '@core/rules';
import { driveCountOf, type Day, type Plan } from '@core/day';
import {
  boundOf,
  changesBetween,
  insertions,
  remediesFor,
  planDay,
  seededRandom,
  solverOf,
  stillSold,
  MOVES,
} from '@core/planner';
import loadHighs from 'highs';
import { BEST_KNOWN, ordinaryDay, TIGHT_DAYS } from './days';
import { smallDay } from './small-days';
import { drawChart } from './chart';
import { firstCome } from './first-come';

/**
 * `npm run bench:planner [-- seeds]`: everything that docs/planning-measured.md says, on days made by seed. Takes about a
 * minute for each ordinary day, so the seeds may be limited for a quick look (`-- 3`), and the parts chosen after it
 * (`-- 9 repairs questions`).
 */
const SEEDS = Number(process.argv[2] ?? 9);
const MARKS_S = [1, 3, 10, 30, 60];
/** Moments of the chart; the marks are among them. */
const CURVE_S = [0.5, 0.7, 1, 1.5, 2, 3, 4, 6, 8, 10, 14, 20, 30, 45, 60];
const now = () => performance.now();
const within = (seconds: number) => ({ now, untilMs: now() + seconds * 1000 });
/** Time of the processor, where what else the machine does must not count. */
const cpuMs = () => (process.cpuUsage().user + process.cpuUsage().system) / 1000;
const withinCpu = (seconds: number) => ({ now: cpuMs, untilMs: cpuMs() + seconds * 1000 });
const median = (numbers: number[]) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)]!;
const say = (text: string) => process.stdout.write(`${text}\n`);
const row = (...cells: (string | number)[]) => say(`| ${cells.join(' | ')} |`);
const valid = (day: Day, plan: Plan) => (checkPlan(day, plan).valid ? 'yes' : 'NO');

function ordinary(seed: number): Day {
  const random = seededRandom(seed);
  const drives = 120 + Math.floor(random() * 61);
  return ordinaryDay(random, { drives, cars: Math.ceil(drives / 12), load: 0.85 });
}

/** Plans for so long and notes the cost whenever one of the marks is passed. */
function costsOverTime(day: Day, seconds: number, marks: readonly number[]) {
  const startMs = now();
  const costs: number[] = [];
  let best = Infinity;
  let firstMs = 0;
  const pass = (elapsedS: number) => {
    while (costs.length < marks.length && elapsedS >= marks[costs.length]!) costs.push(best);
  };
  const planned = planDay(day, {
    random: seededRandom(1),
    deadline: within(seconds),
    onProgress: ({ best: lay }) => {
      const atMs = now() - startMs;
      pass(atMs / 1000);
      firstMs ||= atMs;
      best = lay().cost.total;
    },
  });
  best = planned.cost.total;
  pass(Infinity);
  return { planned, costs, firstMs };
}

function overTime(): void {
  say('\n## Ordinary days, cost as a share of first come, first served\n');
  row(
    'seed',
    'drives',
    'cars',
    'crew',
    'first come: cost',
    'left out',
    'first plan, ms',
    ...MARKS_S.map((s) => `${s} s`),
    'left out',
    'valid',
  );
  row(...Array.from({ length: 9 + MARKS_S.length }, () => '---'));
  const shares: number[][] = MARKS_S.map(() => []);
  const curves: number[][] = [];
  for (let seed = 1; seed <= SEEDS; seed++) {
    const day = ordinary(seed);
    const baseline = firstCome(day);
    const { cost } = checkPlan(day, baseline);
    const { planned, costs: all, firstMs } = costsOverTime(day, CURVE_S.at(-1)!, CURVE_S);
    curves.push(all.map((each) => each / cost.total));
    const costs = all.filter((_, i) => MARKS_S.includes(CURVE_S[i]!));
    costs.forEach((each, i) => shares[i]!.push(each / cost.total));
    row(
      seed,
      driveCountOf(day),
      day.cars.length,
      day.instructors.length,
      cost.total.toFixed(0),
      baseline.unplanned.length,
      firstMs.toFixed(0),
      ...costs.map((each) => (each / cost.total).toFixed(3)),
      planned.plan.unplanned.length,
      valid(day, planned.plan),
    );
  }
  row('median', '', '', '', '', '', '', ...shares.map((each) => median(each).toFixed(3)), '', '');
  say(`\nThe curve of each day: ${drawChart(CURVE_S, curves)}`);
}

function shortRuns(): void {
  say('\n## The same days with the time limited to 3 s and to 10 s\n');
  row('seed', '3 s', '10 s');
  row('---', '---', '---');
  const shares: [number[], number[]] = [[], []];
  for (let seed = 1; seed <= SEEDS; seed++) {
    const day = ordinary(seed);
    const base = checkPlan(day, firstCome(day)).cost.total;
    const own = [3, 10].map((s) => planDay(day, { random: seededRandom(1), deadline: within(s) }).cost.total / base);
    own.forEach((each, i) => shares[i]!.push(each));
    row(seed, ...own.map((each) => each.toFixed(3)));
  }
  row('median', ...shares.map((each) => median(each).toFixed(3)));
}

async function small(): Promise<void> {
  say('\n## Small days, and the bound below which no plan can be\n');
  row('drives', 'newcomers', 'seed', 'planner, 1 s', 'bound', 'equal', 'bound, s');
  row(...Array.from({ length: 7 }, () => '---'));
  const solve = solverOf(await loadHighs());
  for (const withNewcomers of [false, true]) {
    for (const drives of [4, 6, 8]) {
      for (let seed = 1; seed <= 3; seed++) {
        const day = smallDay(seededRandom(100 * drives + seed), drives, withNewcomers);
        const { cost } = planDay(day, { random: seededRandom(1), deadline: within(1) });
        const startMs = now();
        const { total } = boundOf(day, solve);
        const tookS = ((now() - startMs) / 1000).toFixed(1);
        const equal = cost.total <= total + 1e-3 ? 'yes' : 'NO';
        const newcomers = day.guests.filter(({ briefed, sighted }) => !briefed || !sighted).length;
        row(drives, newcomers, seed, cost.total.toFixed(3), total.toFixed(3), equal, tookS);
      }
    }
  }
}

function large(): void {
  say('\n## 400 drives, 40 cars\n');
  row('seed', 'crew', 'first plan, ms', 'share of first come after 3 s', '20 s', 'left out', 'valid', 'memory, MB');
  row(...Array.from({ length: 8 }, () => '---'));
  for (const seed of [1, 2, 3]) {
    const day = ordinaryDay(seededRandom(seed), { drives: 400, cars: 40, load: 0.85 });
    const base = checkPlan(day, firstCome(day)).cost.total;
    const { planned, costs, firstMs } = costsOverTime(day, 20, [3, 20]);
    const memory = process.memoryUsage().rss / 1e6;
    row(
      seed,
      day.instructors.length,
      firstMs.toFixed(0),
      ...costs.map((each) => (each / base).toFixed(3)),
      planned.plan.unplanned.length,
      valid(day, planned.plan),
      memory.toFixed(0),
    );
  }
}

async function overloaded(): Promise<void> {
  say('\n## Overloaded days: drives left out after 60 s, and the fewest that any plan must leave out\n');
  row('seed', 'drives', 'load', 'left out', 'at least (bound)', 'by what is short alone', 'bound, s', 'valid');
  row(...Array.from({ length: 8 }, () => '---'));
  const crowded = TIGHT_DAYS.at(-1)!;
  const days = [
    [1, 1.3, ordinaryDay(seededRandom(1), { drives: 150, cars: 13, load: 1.3 })],
    [2, 1.5, ordinaryDay(seededRandom(2), { drives: 150, cars: 13, load: 1.5 })],
    [3, 1.8, ordinaryDay(seededRandom(3), { drives: 150, cars: 13, load: 1.8 })],
    [crowded.seed, 'circuit', ordinaryDay(seededRandom(crowded.seed), crowded.day)],
  ] as const;
  for (const [seed, load, day] of days) {
    const { plan } = planDay(day, { random: seededRandom(1), deadline: within(60) });
    const solve = solverOf(await loadHighs());
    const startMs = now();
    const { leftOut } = boundOf(day, solve);
    const because = leftOut.because.map(({ scarce, atLeast }) => `${scarce} ${atLeast}`).join(', ');
    const tookS = ((now() - startMs) / 1000).toFixed(1);
    row(seed, driveCountOf(day), load, plan.unplanned.length, leftOut.atLeast, because, tookS, valid(day, plan));
  }
}

const geometric = (ratios: readonly number[]) =>
  Math.exp(ratios.reduce((sum, r) => sum + Math.log(r), 0) / ratios.length);

function tight(): void {
  say('\n## Tight days, cost after 10 s and the best known\n');
  row('drives', 'guests', 'cars', 'crew', 'cars at once', 'cost', 'left out', 'best known', 'ratio', 'steps', 'valid');
  row(...Array.from({ length: 11 }, () => '---'));
  const ratios = TIGHT_DAYS.map(({ seed, day: wanted }, n) => {
    const day = ordinaryDay(seededRandom(seed), wanted);
    const { plan, cost, steps } = planDay(day, { random: seededRandom(1), deadline: within(10) });
    const ratio = cost.total / BEST_KNOWN[n]!.cost;
    row(
      ...[driveCountOf(day), day.guests.length, day.cars.length, day.instructors.length, day.rules.maxCarsOnTrack],
      ...[cost.total.toFixed(0), plan.unplanned.length, BEST_KNOWN[n]!.cost, ratio.toFixed(3), steps, valid(day, plan)],
    );
    return ratio;
  });
  row('geometric mean', '', '', '', '', '', '', '', geometric(ratios).toFixed(3), '', '');
}

/** Long runs of which the best are written down as `BEST_KNOWN`; half an hour. */
function best(): void {
  say('\n## Tight days: the best of two runs of two minutes\n');
  row('drives', 'cost', 'left out');
  row('---', '---', '---');
  for (const { seed, day: wanted } of TIGHT_DAYS) {
    const day = ordinaryDay(seededRandom(seed), wanted);
    const runs = [11, 12].map((chance) => planDay(day, { random: seededRandom(chance), deadline: withinCpu(120) }));
    const [found] = runs.sort((a, b) => a.cost.total - b.cost.total);
    row(driveCountOf(day), found!.cost.total.toFixed(0), found!.plan.unplanned.length);
  }
}

/** What each move brings: the cost without it, against the cost with all, on four tight days; a quarter of an hour. */
function ablation(): void {
  say('\n## Tight days without one of the moves, 5 s each, geometric mean of three seeds on four days\n');
  const days = TIGHT_DAYS.slice(1, 5).map(({ seed, day }) => ordinaryDay(seededRandom(seed), day));
  const costs = (without: readonly string[]) =>
    days.flatMap((day) =>
      [1, 2, 3].map((seed) => planDay(day, { random: seededRandom(seed), deadline: withinCpu(5), without }).cost.total),
    );
  const all = costs([]);
  row('without', 'cost against that with all');
  row('---', '---');
  for (const { name } of MOVES) {
    const own = costs([name]);
    row(name, geometric(own.map((cost, i) => cost / all[i]!)).toFixed(3));
  }
}

function repairs(): void {
  say('\n## Repair at 11:00 of a day with 150 drives, its most used car withdrawn\n');
  row(
    'seed',
    'drives in that car still to come',
    'first answer, ms, median of 5',
    'touched then',
    'cost after 3 s less than the first answer',
    'touched after 3 s',
    'valid',
  );
  row(...Array.from({ length: 7 }, () => '---'));
  for (let seed = 1; seed <= Math.min(SEEDS, 5); seed++) {
    const day = ordinaryDay(seededRandom(seed), { drives: 150, cars: 13, load: 0.8 });
    const previous = planDay(day, { random: seededRandom(1), deadline: within(5) }).plan;
    const nowS = 11 * 3600;
    const uses = (id: string) => previous.drives.filter(({ car }) => car === id).length;
    const gone = [...day.cars].sort((a, b) => uses(b.id) - uses(a.id))[0]!;
    const other = day.cars.find((car) => car.id !== gone.id && car.level === gone.level)!;
    // Guests of the withdrawn car may have another one of its level.
    const changed: Day = {
      ...day,
      cars: day.cars.filter((car) => car !== gone),
      guests: day.guests.map((guest) => ({
        ...guest,
        drives: guest.drives.map((drive) => ({
          ...drive,
          cars: drive.cars.includes(gone.id) ? [...drive.cars, other.id] : drive.cars,
        })),
      })),
    };
    const affected = previous.drives.filter(({ car, release }) => car === gone.id && release > nowS).length;
    const answer = () => planDay(changed, { random: seededRandom(1), iterations: 0 }, { previous, nowS });
    const first = answer();
    const firstMs = Array.from({ length: 5 }, () => {
      const startMs = now();
      answer();
      return now() - startMs;
    });
    const best = planDay(changed, { random: seededRandom(1), deadline: within(3) }, { previous, nowS });
    const ok = checkPlan(changed, best.plan, { previous, nowS }).valid ? 'yes' : 'NO';
    row(
      seed,
      affected,
      `${median(firstMs).toFixed(0)}, worst ${Math.max(...firstMs).toFixed(0)}`,
      changesBetween(changed, previous, first.plan).length,
      (first.cost.total - best.cost.total).toFixed(0),
      changesBetween(changed, previous, best.plan).length,
      ok,
    );
  }
}

function questions(): void {
  say('\n## One more drive, and remedies: how long the answer takes on a day with 150 drives, ms\n');
  const day = ordinaryDay(seededRandom(1), { drives: 150, cars: 13, load: 0.85 });
  const { plan } = planDay(day, { random: seededRandom(1), deadline: within(5) });
  const times = (ask: (n: number) => void, count: number) => {
    const each = Array.from({ length: count }, (_, n) => {
      const startMs = now();
      ask(n);
      return now() - startMs;
    });
    return `${median(each).toFixed(0)} median, ${Math.max(...each).toFixed(0)} worst of ${count}`;
  };
  const drive = { id: 'more', cars: day.cars.slice(0, 3).map(({ id }) => id), laps: 5 };
  for (let i = 0; i < 5; i++) insertions(day, plan, day.guests[i]!, drive, 0);
  row('question', 'ms');
  row('---', '---');
  row(
    'a guest wants one of three cars, at 11:00',
    times((n) => insertions(day, plan, day.guests[n]!, drive, 11 * 3600), 40),
  );
  const walkIn = {
    ...day.guests[0]!,
    id: 'walk-in',
    arrives: 11 * 3600,
    briefed: false,
    sighted: false,
    leavesBy: undefined,
    drives: [],
  };
  row(
    'a walk-in who needs class and sighting run',
    times(() => insertions(day, plan, walkIn, drive, 11 * 3600), 20),
  );
  const wanted = { laps: 5, pace: 1.2 };
  for (const isNew of [false, true]) {
    row(
      `what can still be sold from 11:00 on, to ${isNew ? 'a newcomer' : 'one who has been briefed'}`,
      times(() => stillSold(day, plan, 11 * 3600, { ...wanted, isNew }), 20),
    );
  }
  const crowded = ordinaryDay(seededRandom(2), { drives: 150, cars: 13, load: 1.5 });
  const { plan: full } = planDay(crowded, { random: seededRandom(1), deadline: within(3) });
  const asked = full.unplanned.slice(0, 20);
  const counts = asked.map(({ drive: id }) => remediesFor(crowded, full, id).length);
  row(
    `remedies of a drive left out of a crowded day (${median(counts)} found)`,
    times((n) => remediesFor(crowded, full, asked[n % asked.length]!.drive), asked.length),
  );
}

/** `npm run bench:planner -- 9 repairs questions`: only these parts. */
const PARTS: Record<string, () => void | Promise<void>> = {
  overTime,
  shortRuns,
  small,
  large,
  tight,
  overloaded,
  repairs,
  questions,
};
/** Too long for every time. */
const ON_DEMAND: typeof PARTS = { best, ablation };
const wanted = process.argv.slice(3);
say(`Node.js ${process.version}, one core.`);
for (const [name, part] of Object.entries(PARTS)) if (wanted.length === 0 || wanted.includes(name)) await part();
for (const [name, part] of Object.entries(ON_DEMAND)) if (wanted.includes(name)) await part();
