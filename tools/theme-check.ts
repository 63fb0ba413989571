import { readdirSync, readFileSync } from 'node:fs';
import { joyLapPreset } from '../web/shared/frame/theme';

/**
 * Fails where a component of PrimeNG that the web uses, itself or through another one, has no tokens in the theme: it
 * would be drawn without colours and sizes, and nothing else would tell.
 */
const FOLDER = 'node_modules/primeng/fesm2022';

const web = readdirSync('web', { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.ts'));
const namesIn = (text: string, pattern: RegExp) => [...text.matchAll(pattern)].map(([, name]) => name!);
const used = new Set(web.flatMap((file) => namesIn(readFileSync(`web/${file}`, 'utf8'), /from 'primeng\/([\w/]+)'/g)));
const needed = new Set<string>();
for (const name of used) {
  const text = readFileSync(`${FOLDER}/primeng-${name.replaceAll('/', '-')}.mjs`, 'utf8');
  for (const other of namesIn(text, /from 'primeng\/([\w/]+)'/g)) used.add(other);
  for (const style of namesIn(text, /from '@primeuix\/styles\/(\w+)'/g)) needed.add(style);
}
const there = new Set(Object.keys(joyLapPreset.components ?? {}));
const missing = [...needed].filter((style) => style !== 'base' && !there.has(style));
if (missing.length > 0) {
  console.error(
    `web/shared/frame/theme.ts has no tokens for ${missing.sort().join(', ')}: import them from @primeuix/themes/aura.`,
  );
  process.exit(1);
}
