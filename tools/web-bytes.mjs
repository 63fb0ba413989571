import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { build } from 'esbuild';

/**
 * Says how large the worker threads of the web are, and fails where one of them brings the schemas along: a thread gets what
 * has been checked already, and the library of schemas would nearly double it. Where the web is built, says as well what a
 * browser reads before the board, with the thread that checks plans, and fails where that is more than `MOST_KB`.
 */
const BUILT = 'dist/web/browser';
const MOST_KB = 350;
const CHECKS_PLANS = 'web/shared/verdict/verdict.worker.ts';
const WORKERS = [
  CHECKS_PLANS,
  'web/shared/verdict/questions.worker.ts',
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
  const bytes = gzipped(outputFiles[0].contents);
  console.log(`${entry}: ${(bytes / 1000).toFixed(1)} kB gzip`);
  if (entry === CHECKS_PLANS && existsSync(BUILT)) beforeTheBoard(bytes);
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

function gzipped(contents) {
  return gzipSync(contents, { level: 9 }).length;
}

/** Scripts of the page and of the board, with all that they import and do not wait for. */
function beforeTheBoard(threadBytes) {
  const textOf = new Map(
    readdirSync(BUILT)
      .filter((name) => name.endsWith('.js'))
      .map((name) => [name, readFileSync(`${BUILT}/${name}`, 'utf8')]),
  );
  const page = readFileSync(`${BUILT}/index.html`, 'utf8');
  const board = [...textOf].filter(([, text]) => text.includes('selectors:[["jl-board"]]')).map(([name]) => name);
  if (board.length !== 1) throw new Error(`The board is in ${board.length} scripts.`);
  const read = new Set([...page.matchAll(/src="([\w-]+\.js)"/g)].map(([, name]) => name).concat(board));
  for (const name of read)
    for (const [, imported] of textOf.get(name).matchAll(/(?:from|import) ?"\.\/([\w-]+\.js)"/g)) read.add(imported);
  const kB = ([...read].reduce((sum, name) => sum + gzipped(textOf.get(name)), 0) + threadBytes) / 1000;
  console.log(`before the board: ${kB.toFixed(1)} kB gzip in ${read.size} scripts and a thread, at most ${MOST_KB}`);
  if (kB > MOST_KB) process.exitCode = 1;
}
