import { gzipSync } from 'node:zlib';
import { build } from 'esbuild';

/**
 * Says how large the worker threads of the web are, and fails where one of them brings the schemas along: a thread gets what
 * has been checked already, and the library of schemas would nearly double it.
 */
const WORKERS = [
  'web/shared/verdict/verdict.worker.ts',
  'web/shared/verdict/ways.worker.ts',
  'web/shared/data/circuit.worker.ts',
];

for (const entry of WORKERS) {
  const { metafile, outputFiles } = await build({
    entryPoints: [entry],
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    write: false,
    metafile: true,
    outdir: 'dist',
    tsconfig: 'tsconfig.json',
  });
  const bytes = gzipSync(outputFiles[0].contents, { level: 9 }).length;
  console.log(`${entry}: ${(bytes / 1000).toFixed(1)} kB gzip`);
  const [{ inputs }] = Object.values(metafile.outputs);
  const schemas = Object.entries(inputs).filter(
    ([path, { bytesInOutput }]) => path.includes('/zod/') && bytesInOutput > 0,
  );
  if (schemas.length === 0) continue;
  const importers = Object.entries(metafile.inputs)
    .filter(
      ([path, { imports }]) =>
        !path.includes('node_modules') &&
        inputs[path]?.bytesInOutput &&
        imports.some(({ path: from }) => from.includes('/zod/')),
    )
    .map(([path]) => path);
  console.error(`${entry} has schemas in it, by ${importers.join(', ')}: part what it needs from them.`);
  process.exitCode = 1;
}
