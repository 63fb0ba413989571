import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';
import { seededRandom } from '../core/planner/index.ts';

/**
 * Would the specs notice? Changes one operator, number or truth value at a time in a copy of what is committed, and runs the
 * specs of the room that it is in: `npm run mutants -- [how many] [seed] [room…]`. What survives is printed, to be looked at:
 * some changes make no difference to anything.
 */
const [many = '100', seed = '1', ...asked] = process.argv.slice(2);
const ROOMS = ['core/rules', 'core/cost', 'core/live/drift', 'core/track/car', 'core/people/coaching', 'core/journal'];
const rooms = asked.length > 0 ? asked : ROOMS;
const MOST_MS = 180_000;

const OTHER = new Map([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
]);

const filesIn = (room) =>
  readdirSync(room, { recursive: true })
    .map((name) => join(room, name))
    .filter((path) => path.endsWith('.ts') && !path.endsWith('.spec.ts') && !path.includes('/testing/'));

function mutantsOf(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const add = (node, to) => {
    const { line } = source.getLineAndCharacterOfPosition(node.getStart());
    found.push({ file, line: line + 1, start: node.getStart(), end: node.getEnd(), to });
  };
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node) && OTHER.has(node.operatorToken.kind)) {
      add(node.operatorToken, OTHER.get(node.operatorToken.kind));
    } else if (ts.isNumericLiteral(node)) add(node, String(Number(node.text) + 1));
    else if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** A mutant in which they go round for ever does not pass. */
function pass(room) {
  const specs = ['--silent', 'run', 'test:node', '--', '--fail-fast', `${room}/**/*.spec.ts`];
  return spawnSync('npm', specs, { timeout: MOST_MS, stdio: 'ignore' }).status === 0;
}

const random = seededRandom(Number(seed));
const folder = mkdtempSync(join(tmpdir(), 'mutants-'));
const copy = join(folder, 'copy');
execFileSync('git', ['worktree', 'add', '--detach', copy], { stdio: 'ignore' });
symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
const total = { caught: 0, survived: 0 };
try {
  process.chdir(copy);
  const all = rooms.flatMap((room) =>
    filesIn(room).flatMap((file) => mutantsOf(file).map((one) => ({ ...one, room }))),
  );
  for (const room of rooms) if (!pass(room)) throw new Error(`The specs of ${room} fail as they are.`);
  for (let at = 0; at < Number(many) && all.length > 0; at += 1) {
    const [{ file, line, start, end, to, room }] = all.splice(Math.floor(random() * all.length), 1);
    const text = readFileSync(file, 'utf8');
    writeFileSync(file, text.slice(0, start) + to + text.slice(end));
    const survived = pass(room);
    writeFileSync(file, text);
    if (!survived) total.caught += 1;
    else {
      total.survived += 1;
      console.log(`${file}:${line} ${text.slice(start, end)} → ${to}: ${text.split('\n')[line - 1].trim()}`);
    }
  }
} finally {
  execFileSync('git', ['worktree', 'remove', '--force', copy], { stdio: 'ignore' });
  rmSync(folder, { recursive: true });
}
console.log(`${total.caught} caught, ${total.survived} survived of those in ${rooms.join(', ')} by seed ${seed}`);
