import { spawn } from 'node:child_process';

/**
 * Runs every check, as many at once as the smallest machine has processors, the longest first, and those that take all of
 * them last; and adds up what the test runners counted. A check that fails without a count (a linter, a runner that dies)
 * counts as one failure, so that the last line never looks better than the truth.
 */
const AT_ONCE = 2;
const BESIDE = [
  { name: 'server', script: 'test:server', count: countJasmine },
  { name: 'core', script: 'test:core', count: countJasmine },
  { name: 'web', script: 'test:web', count: countKarma },
  { name: 'lint', script: 'lint' },
  // The types of the web were checked as it was built.
  { name: 'docs', script: 'docs:check' },
  { name: 'types', script: 'types:node' },
];
const ALONE = [{ name: 'end to end', script: 'test:e2e', count: countPlaywright }];

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
const waiting = [...BESIDE];
const lane = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift()) results.push(await check(next, false));
};
await Promise.all(Array.from({ length: AT_ONCE }, lane));
for (const step of ALONE) results.push(await check(step, true));
const sum = (of) => results.reduce((total, result) => total + of(result), 0);
const failed = sum((result) => result.failed);
console.log(`\n${results.map(({ line }) => line).join('\n')}\n`);
console.log(`${sum((result) => result.passed)} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
