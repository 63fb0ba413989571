import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Lists what ships with Joy Lap, with its licence, from the installed packages: docs/third-party.md. */
const shipped = JSON.parse(execFileSync('npm', ['query', ':not(.dev)'], { encoding: 'utf8', maxBuffer: 1 << 28 }));

/** Some packages name theirs in a file alone. */
function licenceOf({ license, location }) {
  if (license && !license.startsWith('SEE ')) return license;
  const file = readdirSync(location).find((name) => /^licen[cs]e/i.test(name));
  const text = file && existsSync(join(location, file)) ? readFileSync(join(location, file), 'utf8') : '';
  return /\bMIT\b|Permission is hereby granted, free of charge/.test(text) ? 'MIT' : 'see its files';
}

const rows = shipped
  .filter(({ location }) => location !== '')
  .map((one) => `| ${one.name} | ${one.version} | ${licenceOf(one)} |`);
const text = [
  '# What Joy Lap is made with',
  '',
  'Every package that ships with it, also by way of others. Made by `npm run docs:third-party`.',
  '',
  '| Package | Version | Licence |',
  '|---|---|---|',
  ...new Set(rows.sort()),
  '',
].join('\n');
writeFileSync('docs/third-party.md', text);
