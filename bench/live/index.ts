import { execFile } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { figures, percentile } from '../table';
import { play, type Outcome } from './play';

/**
 * `npm run bench:live [-- days]`: what becomes of planned days when everybody is a little early or late: what slides by
 * itself, what is asked of the manager, who lets slide what is only late and repairs the rest, and how long guests wait.
 * Each processor plays its share of the days.
 */
const DAYS = Number(process.argv[2] ?? 100);
/** In a process that plays a share: the first of its days, and how many apart they are. */
const [FIRST, APART] = process.argv.slice(3).map(Number);

if (FIRST !== undefined && APART !== undefined) {
  const share: Outcome[] = [];
  for (let seed = FIRST; seed <= DAYS; seed += APART) share.push(play(seed));
  process.stdout.write(JSON.stringify(share));
} else report(await playAll());

async function playAll(): Promise<Outcome[]> {
  const shares = Math.min(DAYS, availableParallelism());
  const own = fileURLToPath(import.meta.url);
  const played = await Promise.all(
    Array.from({ length: shares }, (_, place) =>
      promisify(execFile)(process.execPath, ['--import', 'tsx', own, DAYS, place + 1, shares].map(String), {
        maxBuffer: 1e9,
      }),
    ),
  );
  return played.flatMap(({ stdout }) => JSON.parse(stdout) as Outcome[]);
}

function report(outcomes: readonly Outcome[]): void {
  const sum = (of: (outcome: Outcome) => number) => outcomes.reduce((total, outcome) => total + of(outcome), 0);
  const { row, print } = figures();
  row(
    'simulated days, drives driven, not driven, of those without a reason',
    `${DAYS}, ${sum((o) => o.driven)}, ${sum((o) => o.notDriven)}, ${sum((o) => o.withoutReason)}`,
  );
  row('slides an hour, by themselves', (sum((o) => o.slides) / sum((o) => o.hours)).toFixed(1));
  row(
    'questions to the manager an hour: mean, median day, worst day',
    [
      sum((o) => o.asked) / sum((o) => o.hours),
      percentile(
        outcomes.map((o) => o.asked / o.hours),
        0.5,
      ),
      Math.max(...outcomes.map((o) => o.asked / o.hours)),
    ]
      .map((value) => value.toFixed(2))
      .join(', '),
  );
  row('minutes for which a rule stood broken, told but without its cause', String(sum((o) => o.unexplained.length)));
  const codes = outcomes.flatMap(({ unexplained: found }) => found.map((one) => one.split(' ')[0]!));
  const kinds = [...new Set(codes)].map((code) => `${code} ${codes.filter((other) => other === code).length}`);
  row('of these, minute by minute', kinds.join(', ') || 'none');
  row(
    'mean wait of a drive: by the plan, in the end',
    `${(sum((o) => o.plannedWaitS) / sum((o) => o.driven) / 60).toFixed(1)} → ${(sum((o) => o.waitS) / sum((o) => o.driven) / 60).toFixed(1)} min (${((sum((o) => o.waitS) / sum((o) => o.plannedWaitS) - 1) * 100).toFixed(1)} %)`,
  );
  const driftMs = outcomes.flatMap((o) => o.driftMs);
  row(
    'drift worked out: mean, p95, worst',
    `${(driftMs.reduce((a, b) => a + b, 0) / driftMs.length).toFixed(1)}, ${percentile(driftMs, 0.95).toFixed(1)}, ${percentile(driftMs, 1).toFixed(1)} ms`,
  );
  print();
}
