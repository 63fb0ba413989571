import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * `npm run bench:start`: how long `./joylap demo` takes from a fresh clone of the committed state to the first page, and
 * the second time.
 */
const folder = mkdtempSync(join(tmpdir(), 'joylap-fresh-'));
const port = 4791;

async function untilFirstPage() {
  const startedAt = performance.now();
  const child = spawn('./joylap', ['demo'], {
    cwd: folder,
    env: { ...process.env, PORT: String(port) },
    stdio: 'inherit',
    detached: true,
  });
  try {
    for (;;) {
      const page = await fetch(`http://127.0.0.1:${port}/board`).catch(() => undefined);
      if (page?.ok) return (performance.now() - startedAt) / 1000;
      if (child.exitCode !== null) throw new Error(`./joylap demo ended with ${child.exitCode}`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  } finally {
    if (child.exitCode === null) {
      process.kill(-child.pid, 'SIGTERM');
      await new Promise((resolve) => child.on('exit', resolve));
    }
  }
}

try {
  execFileSync('git', ['clone', '--quiet', '.', folder]);
  console.log(`| cold: install, build, first page | ${(await untilFirstPage()).toFixed(0)} s |`);
  console.log(`| warm: second start, first page | ${(await untilFirstPage()).toFixed(1)} s |`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
