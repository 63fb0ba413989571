import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import * as z from 'zod';
import { contract, type Access, type Endpoint, type RequestLimit, ACCESS_WORDS } from '@core/api';
import { dayFile, planFile } from '@core/day';

/**
 * Writes the schemas of the day file and the plan file, as JSON Schema, from those by which both are read, and the list of
 * who may ask the server for what. With `--check` it only says whether they are what would be written, and fails where they
 * are not.
 */
const FOLDER = 'docs/schemas';
const SCHEMAS = { 'joylap-day': dayFile, 'joylap-plan': planFile };
const schemaText = (schema: z.ZodType) =>
  `${JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }), null, 2)}\n`;

function limitWords(limit: RequestLimit | undefined): string {
  if (!limit) return '';
  return 'aMinute' in limit
    ? `; at most ${limit.aMinute} a minute from an address`
    : `; ${limit.wrongCodes} wrong codes from an address in ten minutes`;
}

function accessPage(): string {
  const of = (access: Access) =>
    (Object.values(contract) as readonly Endpoint[])
      .filter((endpoint) => endpoint.access === access)
      .map(
        ({ method, path, summary, limit }) =>
          `| \`${method.toUpperCase()} ${path}\` | ${summary.replaceAll('|', '\\|')}${limitWords(limit)} |`,
      );
  const parts = (Object.entries(ACCESS_WORDS) as [Access, string][]).map(([access, words]) =>
    [`## For ${words}`, '', '| request | what |', '|---|---|', ...of(access), ''].join('\n'),
  );
  return `# Who may ask for what\n\nMade from the contract of the API by \`npm run docs:schemas\`.\n\n${parts.join('\n')}`;
}

const PAGES: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    Object.entries(SCHEMAS).map(([name, schema]) => [`${FOLDER}/${name}.schema.json`, schemaText(schema)]),
  ),
  'docs/access.md': accessPage(),
};

const check = process.argv.includes('--check');
mkdirSync(FOLDER, { recursive: true });
for (const [path, text] of Object.entries(PAGES)) {
  if (!check) writeFileSync(path, text);
  else if (readFileSync(path, 'utf8') !== text) {
    console.error(`${path} is out of date: npm run docs:schemas`);
    process.exitCode = 1;
  }
}
