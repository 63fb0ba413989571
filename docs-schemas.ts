import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import * as z from 'zod';
import { dayFile, planFile } from './core/day';

/**
 * Writes the schemas of the day file and the plan file, as JSON Schema, from those by which both are read. With `--check` it
 * only says whether they are what would be written, and fails where they are not.
 */
const FOLDER = 'docs/schemas';
const FILES = { 'joylap-day': dayFile, 'joylap-plan': planFile };

const check = process.argv.includes('--check');
mkdirSync(FOLDER, { recursive: true });
for (const [name, schema] of Object.entries(FILES)) {
  const path = `${FOLDER}/${name}.schema.json`;
  const text = `${JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }), null, 2)}\n`;
  if (!check) writeFileSync(path, text);
  else if (readFileSync(path, 'utf8') !== text) {
    console.error(`${path} is out of date: npm run docs:schemas`);
    process.exitCode = 1;
  }
}
