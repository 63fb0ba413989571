import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';

let folder: string | undefined;

/** What Node runs for a program of the repository: bundled once for all specs, where each start from source takes seconds. */
export function programOf(name: 'main' | 'admin' | 'plan' | 'check-plan' | 'lap'): string {
  if (!folder) {
    mkdirSync('.tmp', { recursive: true });
    const built = mkdtempSync('.tmp/programs-');
    process.on('exit', () => rmSync(built, { recursive: true }));
    const { status, stderr } = spawnSync(process.execPath, ['tools/build-server.mjs', built], { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    folder = built;
  }
  return `${folder}/${name}.js`;
}
