import { cpSync, rmSync } from 'node:fs';
import { build } from 'esbuild';

/**
 * Bundles the server's own code and the command line's; packages stay outside. Files that are read at run time are put
 * beside it. `node tools/build-server.mjs [FOLDER]`
 */
const [folder = 'dist/server'] = process.argv.slice(2);
rmSync(folder, { recursive: true, force: true });
await build({
  entryPoints: {
    main: 'server/main.ts',
    'planner-worker': 'server/workers/planner/worker.ts',
    'bound-worker': 'server/workers/bound/worker.ts',
    'timing-stand-in': 'server/stand-ins/timing.ts',
    'crew-stand-in': 'server/stand-ins/crew.ts',
    admin: 'cli/admin.ts',
    plan: 'cli/plan.ts',
    'check-plan': 'cli/check-plan.ts',
    lap: 'cli/lap.ts',
    'import-worker': 'server/workers/import/worker.ts',
  },
  outdir: folder,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: true,
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
cpSync('server/store/sql', `${folder}/sql`, { recursive: true });
cpSync('demo/larkmere-day.csv', `${folder}/larkmere-day.csv`);
