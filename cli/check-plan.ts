import { parseArgs } from 'node:util';
import { checkPlan } from '@core/rules';
import { namesOf, wordsIn } from '@words';
import { costLines } from './cost-table';
import { BadInput, EXIT, readDay, readPlan, readRepair, runCommand } from './files';

const USAGE = 'usage: npm run check-plan -- DAY.json PLAN.json [--previous PLAN.json --now HH:MM] [--json]';

runCommand(() => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { previous: { type: 'string' }, now: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [dayPath, planPath, ...rest] = positionals;
  if (dayPath === undefined || planPath === undefined || rest.length > 0) throw new BadInput([USAGE]);
  const day = readDay(dayPath);
  const verdict = checkPlan(day, readPlan(planPath), readRepair(values.previous, values.now));
  const { violation } = wordsIn('en', namesOf(day));
  const violations = verdict.violations.map((one) => ({ ...one, message: violation(one) }));
  if (values.json) {
    process.stdout.write(`${JSON.stringify({ ...verdict, violations })}\n`);
  } else {
    const lines = violations.map(({ code, message }) => `${code}: ${message}`);
    lines.push(verdict.valid ? 'valid' : `${violations.length} broken rules`, ...costLines(verdict.cost));
    process.stdout.write(`${lines.join('\n')}\n`);
  }
  return verdict.valid ? EXIT.good : EXIT.ruleBroken;
});
