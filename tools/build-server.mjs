import { cpSync, rmSync } from 'node:fs';
import { build } from 'esbuild';

/** Bundles the server's own code; packages stay outside. Files that are read at run time are put beside it. */
rmSync('dist/server', { recursive: true, force: true });
await build({
  entryPoints: {
    main: 'server/main.ts',
    'planner-worker': 'server/workers/planner/worker.ts',
    'bound-worker': 'server/workers/bound/worker.ts',
    'timing-stand-in': 'server/stand-ins/timing.ts',
    'crew-stand-in': 'server/stand-ins/crew.ts',
    admin: 'cli/admin.ts',
    'import-worker': 'server/workers/import/worker.ts',
  },
  outdir: 'dist/server',
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  sourcemap: true,
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
cpSync('server/store/sql', 'dist/server/sql', { recursive: true });
cpSync('demo/larkmere-day.csv', 'dist/server/larkmere-day.csv');
