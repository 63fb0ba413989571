import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Lists what ships with Joy Lap, with its licence, from the installed packages: docs/third-party.md. Fails where a licence
 * is not one of those that are allowed; with `--check` also where the list is not what would be written.
 */
const PAGE = 'docs/third-party.md';
const ALLOWED = new Set([
  ...['MIT', 'ISC', 'OFL-1.1', '0BSD', 'BlueOak-1.0.0', 'CC0-1.0', 'Zlib'],
  ...['Apache-2.0', 'BSD-2-Clause', 'BSD-3-Clause'],
]);
/** What may ship all the same, and why. */
const EXCEPTIONS = {
  'ical.js': 'MPL-2.0 covers its own files, which ship unchanged',
};

const shipped = JSON.parse(
  execFileSync('npm', ['query', ':root > .prod, :root > .prod *'], { encoding: 'utf8', maxBuffer: 1 << 28 }),
);

/** Some packages name theirs in a file alone. */
function licenceOf({ license, location }) {
  if (license && !license.startsWith('SEE ')) return license;
  const file = readdirSync(location).find((name) => /^licen[cs]e/i.test(name));
  const text = file && existsSync(join(location, file)) ? readFileSync(join(location, file), 'utf8') : '';
  return /\bMIT\b|Permission is hereby granted, free of charge/.test(text) ? 'MIT' : 'see its files';
}

/** An expression as `(MIT OR WTFPL)`: one of those that are to be chosen from, all of those that go together. */
function isAllowed(licence) {
  const words = licence.replace(/[()]/g, '');
  return words.split(' OR ').some((choice) => choice.split(' AND ').every((one) => ALLOWED.has(one.trim())));
}

const packages = shipped.filter(({ location }) => location !== '').map((one) => ({ ...one, licence: licenceOf(one) }));
for (const { name, licence } of packages) {
  if (isAllowed(licence) || name in EXCEPTIONS) continue;
  console.error(
    `${name} ships under ${licence}: take another package, or say in tools/docs-third-party.mjs why it may.`,
  );
  process.exitCode = 1;
}
const rows = packages.map(
  ({ name, version, licence }) =>
    `| ${name} | ${version} | ${licence}${EXCEPTIONS[name] ? `: ${EXCEPTIONS[name]}` : ''} |`,
);
const text = [
  '# What Joy Lap is made with',
  '',
  'Every package that ships with it, also by way of others. Made by `npm run docs:third-party`, which fails where a licence is',
  'none of MIT, ISC, BSD, Apache, OFL, 0BSD, BlueOak, CC0 or Zlib and no reason is given.',
  '',
  'PrimeNG, its themes and its icons stay at the last major version under the MIT licence, to the exact version: the next one is',
  'not under it. Karma, which runs the specs of the web, gets no more than security updates; where it goes, Vitest in the',
  "browser, which Angular's builder runs as well, takes the same specs.",
  '',
  '| Package | Version | Licence |',
  '|---|---|---|',
  ...[...new Set(rows)].sort(),
  '',
].join('\n');
if (!process.argv.includes('--check')) writeFileSync(PAGE, text);
else if (readFileSync(PAGE, 'utf8') !== text) {
  console.error(`${PAGE} is out of date: npm run docs:third-party`);
  process.exitCode = 1;
}
