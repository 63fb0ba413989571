import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { FRAME_KEYS, STOP_KEY } from '../web/shared/frame/screen-keys';
import { PLACES, SCREENS, type Place } from '../web/app/screens';

/**
 * Writes what the README says of the screens, from their registration: their pictures and their keys. With `--check` it
 * only says whether the page is what would be written and each picture is there, and fails where it is not.
 */
const PAGE = 'README.md';
const FOLDER = 'docs/screenshots';

const pictures = SCREENS.flatMap(({ pictures: own = [], parts = [] }) => [
  ...own,
  ...parts.flatMap((part) => part.pictures ?? []),
]);

function pictureTable(): string {
  const cells = pictures
    // The board has its place at the top of the page.
    .filter(({ file }) => file !== 'board')
    .map(({ file, caption }) => `![${caption}](${FOLDER}/${file}.png) ${caption}`);
  const rows = Array.from({ length: Math.ceil(cells.length / 2) }, (_, row) => cells.slice(2 * row, 2 * row + 2));
  return ['| | |', '|---|---|', ...rows.map((row) => `| ${row.join(' | ')} |`)].join('\n');
}

function keyRows(): string {
  const group = (of: Place['of'], lead: string) => {
    const own = PLACES.filter((place) => place.of === of);
    const keys = own.map(({ key }) => `<kbd>${key.toUpperCase()}</kbd>`).join(' ');
    return `| ${keys} | ${lead}${own.map(({ label }) => label.toLowerCase()).join(', ')} |`;
  };
  return [
    '| key | opens |',
    '|---|---|',
    group('stations', 'the stations, in the guest’s order: '),
    group('rooms', ''),
    group('phone', 'what is used on a phone: '),
  ].join('\n');
}

/** `<kbd>Ctrl</kbd> <kbd>Z</kbd>` */
function keysText(name: string): string {
  const drawn: Readonly<Record<string, string>> = { ArrowUp: '↑', ArrowDown: '↓', Escape: 'Esc', Backspace: '⌫' };
  return name
    .split(' ')
    .map((key) => `<kbd>${drawn[key] ?? (key.length === 1 ? key.toUpperCase() : key)}</kbd>`)
    .join(' ');
}

function actRows(): string {
  const row = (where: string, keys: Readonly<Record<string, string>>) => {
    const told = Object.entries(keys).map(([key, does]) => `${keysText(key)} ${does}`);
    return `| ${where} | ${told.join(', ')} |`;
  };
  const own = SCREENS.flatMap(({ title, keys }) => (keys ? [row(title.toLowerCase(), keys)] : []));
  return [
    '| screen | key does |',
    '|---|---|',
    row('every', FRAME_KEYS),
    row('with the stops', { [STOP_KEY]: 'held for a second: stops all, in a dialog too' }),
    ...own,
  ].join('\n');
}

function between(page: string, mark: string, text: string, glue: string): string {
  const [start, end] = [`<!-- ${mark} -->`, `<!-- /${mark} -->`];
  const [from, to] = [page.indexOf(start), page.indexOf(end)];
  if (from < 0 || to < 0) throw new Error(`${PAGE} has no ${start} … ${end}`);
  return `${page.slice(0, from + start.length)}${glue}${text}${glue}${page.slice(to)}`;
}

const page = readFileSync(PAGE, 'utf8');
const written = between(
  between(page, 'pictures', pictureTable(), '\n\n'),
  'keys',
  `${keyRows()}\n\n${actRows()}`,
  '\n\n',
);
if (!process.argv.includes('--check')) writeFileSync(PAGE, written);
else {
  const there = readdirSync(FOLDER).sort().join(', ');
  const told = pictures
    .map(({ file }) => `${file}.png`)
    .sort()
    .join(', ');
  if (page !== written) console.error(`${PAGE} is not what the screens say: run "npm run docs:screens".`);
  if (there !== told) console.error(`${FOLDER} has ${there}; the screens say ${told}.`);
  if (page !== written || there !== told) process.exit(1);
}
