import { spawn } from 'node:child_process';

/**
 * Runs every check, those of a row beside each other, and adds up what the test runners counted. A check that fails
 * without a count (a linter, a runner that dies) counts as one failure, so that the last line never looks better than
 * the truth.
 */
const rows = [
  [
    { name: 'lint', script: 'lint' },
    { name: 'types', script: 'typecheck' },
  ],
  [
    { name: 'core and server', script: 'test:node', count: countJasmine },
    { name: 'web', script: 'test:web', count: countKarma },
  ],
  [{ name: 'end to end', script: 'test:e2e', count: countPlaywright }],
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

function run(script, take) {
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', script], { env: { ...process.env, FORCE_COLOR: '0' } });
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('close', resolve);
  });
}

/** What one says beside another is printed as a whole when it has ended; what runs alone, as it comes. */
async function check({ name, script, count }, alone) {
  const startedAt = Date.now();
  const said = [];
  if (alone) console.log(`\n== ${name}`);
  const status = await run(script, (chunk) => {
    said.push(chunk);
    if (alone) process.stdout.write(chunk);
  });
  const output = Buffer.concat(said).toString();
  if (!alone) console.log(`\n== ${name}\n${output}`);
  const counted = count?.(output);
  const failed = Math.max(counted?.failed ?? 0, status === 0 && (counted || !count) ? 0 : 1);
  const seconds = ((Date.now() - startedAt) / 1000).toFixed(0);
  const line = `${name}: ${counted ? `${counted.passed} passed, ` : ''}${failed} failed, ${seconds} s`;
  return { passed: counted?.passed ?? 0, failed, line };
}

const results = [];
for (const row of rows) results.push(...(await Promise.all(row.map((step) => check(step, row.length === 1)))));
const sum = (of) => results.reduce((total, result) => total + of(result), 0);
const failed = sum((result) => result.failed);
console.log(`\n${results.map(({ line }) => line).join('\n')}\n`);
console.log(`${sum((result) => result.passed)} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
