import { readFileSync, writeFileSync } from 'node:fs';
import ts from 'typescript';

/**
 * Lists the codes of every kind of fact, from its type: docs/facts.md. With `--check` it only says whether the page is
 * what would be written, and fails where it is not.
 */
const PAGE = 'docs/facts.md';
const KINDS = [
  [
    'Broken rules',
    'core/rules/rules.ts',
    'Violation',
    'What `check-plan` reports, and why a change by hand is refused.',
  ],
  [
    'Why a drive is left out',
    'core/day/unplaced.ts',
    'UnplacedReason',
    'In a plan; somebody’s own words stand as text.',
  ],
  ['What to know of a group before it drives', 'core/programmes/advice.ts', 'GroupAdvice', 'Under Groups.'],
  ['Why a car does not fit', 'core/day/unplaced.ts', 'CarMisfit', 'A value of other facts.'],
  ['Why something that had begun cannot stay', 'core/rules/frozen.ts', 'Obstacle', 'Planning again.'],
  ['Why a drive changes its place', 'core/planner/questions/changes.ts', 'ChangeReason', 'In a proposal.'],
  ['Who could drive along', 'core/planner/questions/assignment.ts', 'AssignmentReason', 'Beside a drive on the board.'],
  ['What limits a day', 'core/planner/questions/bottleneck.ts', 'Limit', 'The load of the day.'],
  ['Why an entry is refused', 'core/journal/state/refusal.ts', 'Refusal', 'In replies of the journal, as `facts`.'],
  ['Why a request is refused', 'core/api/request-refusal.ts', 'RequestRefusal', 'In replies, as `facts`.'],
  ['What became of an entry that did not fit', 'core/journal/state/refusal.ts', 'Resolution', 'In the state of a day.'],
  ['Advice at the pit exit', 'core/live/traffic/release-advice.ts', 'AdviceReason', 'Advice, never an order.'],
  ['Whom a drive delays', 'core/live/traffic/delays.ts', 'Delay', 'At the pit exit and on the counter.'],
  ['What can be done about it', 'core/live/drift/repair-options.ts', 'RepairChange', 'Beside what makes others late.'],
  [
    'What makes others late',
    'core/live/drift/causes.ts',
    'DriftCause',
    'One line to solve each, and in entries of slides.',
  ],
  ['Why positions suggest a mark', 'core/people/coaching/evidence.ts', 'MarkReason', 'Marks of a drive.'],
  [
    'Why a plan was accepted',
    'core/planner/questions/remedies.ts',
    'RevisionReason',
    'Of a remedy or a free place; kept in words.',
  ],
  ['What may be a slip', 'core/day/slips.ts', 'SlipFact', 'On standard error and beside bookings and crew.'],
  ['What is at fault in a day', 'core/api/data-issues.ts', 'DataIssueFact', 'In the view of a day, as `dataIssues`.'],
  ['Why a line of a device is refused', 'core/api/devices.ts', 'DeviceRefusal', 'In the receipt of its lines.'],
  ['Why there is no lap', 'core/track/car/lap.ts', 'LapObstacle', 'Laps of the fleet, calls, `npm run lap`.'],
  ['What is called', 'core/track/car/calls.ts', 'CallFact', 'Calls of a lap.'],
  ['What is special about a corner', 'core/track/car/calls.ts', 'CornerRemark', 'Calls of a lap.'],
  ['What to do otherwise in this car', 'core/track/car/difference.ts', 'CardAdvice', 'The talk in the car.'],
  ['Why a cone is left away', 'core/track/circuit/cones.ts', 'OmittedReason', 'Cones of a circuit.'],
  ['What is said in the car', 'core/people/coaching/talk.ts', 'TalkFact', 'On the phone before a drive.'],
  [
    'Why a cue cannot be said in a car',
    'core/people/coaching/cues.ts',
    'CueFault',
    'When words of the vocabulary are saved.',
  ],
  [
    'Which meanings of a legend cannot be told apart',
    'core/track/circuit/legend.ts',
    'LegendFault',
    'When a circuit is saved.',
  ],
  ['What falls into another meaning', 'core/track/circuit/legend.ts', 'LegendWarning', 'Beside the legend.'],
  ['What is left to do', 'core/venue/closing/to-do.ts', 'ToDo', 'The close of the day, as `toDo`.'],
];

const files = [...new Set(KINDS.map(([, file]) => file))];
const { config } = ts.readConfigFile('tsconfig.json', (path) => readFileSync(path, 'utf8'));
const { options } = ts.parseJsonConfigFileContent(config, ts.sys, '.');
const program = ts.createProgram(files, options);
const checker = program.getTypeChecker();

function typeNamed(file, name) {
  const source = program.getSourceFile(file);
  const exported = checker.getExportsOfModule(checker.getSymbolAtLocation(source));
  return checker.getDeclaredTypeOfSymbol(exported.find((one) => one.name === name));
}

/** Values of a literal type, or of a union of them. */
function literals(type) {
  return type.isUnion() ? type.types.flatMap(literals) : type.isStringLiteral() ? [type.value] : [];
}

function propertyOf(type, name) {
  const symbol = checker.getPropertyOfType(type, name);
  return symbol && checker.getTypeOfSymbol(symbol);
}

function fieldsOf(type) {
  const names = type ? checker.getPropertiesOfType(type).map(({ name }) => `\`${name}\``) : [];
  return names.length > 0 ? names.join(', ') : '';
}

function rowsOf(type) {
  const members = type.isUnion() ? type.types : [type];
  return members.flatMap((member) => {
    const [codes, details] = ['code', 'detail'].map((key) => literals(propertyOf(member, key) ?? type));
    const [subjects, values] = ['subjects', 'values'].map((key) => fieldsOf(propertyOf(member, key)));
    const told = codes.flatMap((code) =>
      propertyOf(member, 'detail') ? details.map((detail) => `${code} ${detail}`) : [code],
    );
    return told.map((code) => `| \`${code}\` | ${subjects} | ${values} |`);
  });
}

const text = [
  '# Facts',
  '',
  'What the product finds is a fact: a code, whom or what it is about (`subjects`: ids and activities) and what belongs to',
  'it (`values`: times in seconds since midnight, `…S`; durations in seconds; amounts with their unit in the name). Replies',
  'carry them as they are; `words` alone makes sentences of them. A rule that can be broken in several ways says which',
  'as its `detail`, the second word of its code here.',
  '',
  'This page is made from the types by `npm run docs:facts`.',
  ...KINDS.flatMap(([title, file, name, where]) => [
    '',
    `## ${title}`,
    '',
    `${where} Type \`${name}\` in \`${file}\`.`,
    '',
    '| Code | Subjects | Values |',
    '|---|---|---|',
    ...rowsOf(typeNamed(file, name)).sort(),
  ]),
  '',
].join('\n');

if (!process.argv.includes('--check')) writeFileSync(PAGE, text);
else if (readFileSync(PAGE, 'utf8') !== text) {
  console.error(`${PAGE} is not what the types say: run "npm run docs:facts".`);
  process.exit(1);
}
