import { parseArgs } from 'node:util';
import { checkPlan } from '@core/day';
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
  const verdict = checkPlan(readDay(dayPath), readPlan(planPath), readRepair(values.previous, values.now));
  if (values.json) {
    process.stdout.write(`${JSON.stringify(verdict)}\n`);
  } else {
    const lines = verdict.violations.map(({ code, message }) => `${code}: ${message}`);
    lines.push(verdict.valid ? 'valid' : `${verdict.violations.length} broken rules`, ...costLines(verdict.cost));
    process.stdout.write(`${lines.join('\n')}\n`);
  }
  return verdict.valid ? EXIT.good : EXIT.ruleBroken;
});
