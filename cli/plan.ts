import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import * as z from 'zod';
import { planFile } from '@core/day';
import { namesOf, wordsIn } from '@words';
import { runPlanner } from '../server/workers/planner/run';
import { costLines } from './cost-table';
import { BadInput, EXIT, numberOption, readDay, readRepair, runCommand } from './files';

const USAGE =
  'usage: npm run plan -- DAY.json [--out PLAN.json] [--previous PLAN.json --now HH:MM] [--seconds S] [--iterations N] [--seed N]';

runCommand(() => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      previous: { type: 'string' },
      now: { type: 'string' },
      seconds: { type: 'string' },
      iterations: { type: 'string' },
      seed: { type: 'string' },
    },
  });
  const [dayPath, ...rest] = positionals;
  if (dayPath === undefined || rest.length > 0) throw new BadInput([USAGE]);
  const day = readDay(dayPath);
  const repair = readRepair(values.previous, values.now);
  const iterations = numberOption('iterations', values.iterations, 0);
  const seconds = numberOption('seconds', values.seconds, 0) ?? (iterations === undefined ? 10 : undefined);
  const seed = numberOption('seed', values.seed, 0) ?? 1;

  const { plan, cost } = runPlanner({ day, repair, seconds, iterations, seed });

  const { leftOut } = wordsIn('en', namesOf(day));
  // A plan file tells in words why a drive is left out.
  const unplanned = plan.unplanned.map(({ drive, reason }) => ({ drive, reason: leftOut(reason) }));
  const text = `${JSON.stringify(z.encode(planFile, { ...plan, unplanned }), null, 2)}\n`;
  const report = [...costLines(cost), ...unplanned.map(({ drive, reason }) => `unplanned ${drive}: ${reason}`)];
  if (values.out === undefined) {
    process.stdout.write(text);
    process.stderr.write(`${report.join('\n')}\n`);
  } else {
    try {
      writeFileSync(values.out, text);
    } catch (error) {
      throw new BadInput([`${values.out}: can't be written (${(error as NodeJS.ErrnoException).code})`]);
    }
    process.stdout.write(`${report.join('\n')}\n`);
  }
  return EXIT.good;
});
