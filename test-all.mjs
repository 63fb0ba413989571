import { spawn } from 'node:child_process';

/**
 * Runs every check one after the other and adds up what the test runners counted. A check that fails without a count (a
 * linter, a runner that dies) counts as one failure, so that the last line never looks better than the truth.
 */
const steps = [
  { name: 'lint', command: 'npm', args: ['run', '--silent', 'lint'] },
  { name: 'types', command: 'npm', args: ['run', '--silent', 'typecheck'] },
  { name: 'core and server', command: 'npm', args: ['run', '--silent', 'test:node'], count: countJasmine },
  { name: 'web', command: 'npm', args: ['run', '--silent', 'test:web'], count: countKarma },
  { name: 'end to end', command: 'npm', args: ['run', '--silent', 'test:e2e'], count: countPlaywright },
];

function countJasmine(output) {
  const match = /(\d+) specs?, (\d+) failures?/.exec(output);
  if (!match) return undefined;
  const failed = Number(match[2]);
  return { passed: Number(match[1]) - failed, failed };
}

function countKarma(output) {
  const executed = [...output.matchAll(/Executed (\d+) of (\d+)/g)].at(-1);
  if (!executed) return undefined;
  const failed = Number([...output.matchAll(/\((\d+) FAILED\)/g)].at(-1)?.[1] ?? 0);
  const unrun = Number(executed[2]) - Number(executed[1]);
  return { passed: Number(executed[1]) - failed, failed: failed + unrun };
}

function countPlaywright(output) {
  const of = (word) => Number(new RegExp(`^\\s+(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);
  if (!/^\s+\d+ (passed|failed|interrupted|did not run)/m.test(output)) return undefined;
  return { passed: of('passed'), failed: of('failed') + of('interrupted') + of('did not run') + of('flaky') };
}

function run({ command, args }) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { env: { ...process.env, FORCE_COLOR: '0' } });
    let output = '';
    const take = (chunk) => {
      output += chunk;
      process.stdout.write(chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('close', (status) => resolve({ status, output }));
  });
}

let passed = 0;
let failed = 0;
const summary = [];
for (const step of steps) {
  console.log(`\n== ${step.name}`);
  const startedAt = Date.now();
  const { status, output } = await run(step);
  const counted = step.count?.(output);
  const stepFailed = Math.max(counted?.failed ?? 0, status === 0 && (counted || !step.count) ? 0 : 1);
  passed += counted?.passed ?? 0;
  failed += stepFailed;
  const seconds = ((Date.now() - startedAt) / 1000).toFixed(0);
  summary.push(`${step.name}: ${counted ? `${counted.passed} passed, ` : ''}${stepFailed} failed, ${seconds} s`);
}
console.log(`\n${summary.join('\n')}\n`);
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
