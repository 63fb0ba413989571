/**
 * Which room may import which, types included: a room knows itself and what stands before it in its house, and a house
 * what is named beside it. Other rooms of the core are entered by their index. There is no circle of files.
 */
const HOUSES = {
  core: [],
  words: ['core'],
  exchange: ['core', 'words'],
  demo: ['core', 'words', 'exchange'],
  server: ['core', 'words', 'exchange', 'demo'],
  cli: ['core', 'words', 'exchange', 'server', 'demo'],
  web: ['core', 'words'],
  e2e: ['core', 'words', 'demo', 'web'],
  bench: ['core', 'words', 'demo', 'e2e'],
  tools: ['core', 'words', 'web'],
};

/** From the ground up. */
const FLOORS = [
  [
    ...[
      'core/values',
      'core/programmes',
      'core/day',
      'core/cost',
      'core/rules',
      'core/track/circuit',
      'core/track/car',
    ],
    ...['core/venue/booking', 'core/venue/fleet', 'core/journal/entries', 'core/journal/state', 'core/journal/kinds'],
    ...['core/journal', 'core/people/crew', 'core/people/classroom', 'core/venue/settings', 'core/venue/garage'],
    ...['core/venue/closing', 'core/venue/first-steps', 'core/live/traffic', 'core/live/drift', 'core/live/practice'],
    ...['core/people/coaching', 'core/planner/place', 'core/planner/bound', 'core/planner/search'],
    ...['core/planner/questions', 'core/planner', 'core/api'],
  ],
  ['server/base', 'server/store', 'server/workers', 'server/services', 'server/access', 'server/ops', 'server/http'],
  ['web/shared', 'web/features', 'web/app'],
];

/** Rooms of the core with an index, and some with an `at-start` beside it; what lies in their folders is one room. */
const ENTERED = [...new Set(FLOORS[0].map((room) => room.replace(/^(core\/(journal|planner))\/.*/, '$1')))];

const SPEC = ['[.]spec[.]ts$', '/testing/'];
const within = (room) => `^${room}/`;

const forbidden = [
  { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
  ...Object.entries(HOUSES).map(([house, known]) => ({
    name: `${house}-knows`,
    comment: `${house} knows ${known.join(', ') || 'nothing else'}.`,
    severity: 'error',
    from: { path: within(house), pathNot: house === 'core' ? SPEC : [] },
    to: {
      path: `^(${Object.keys(HOUSES).join('|')})/`,
      pathNot: [house, ...known].map(within),
    },
  })),
  ...FLOORS.flatMap((floors) =>
    floors.map((room, at) => {
      const inner = floors.filter((other) => other.startsWith(`${room}/`));
      return {
        name: `below-${room}`,
        comment: `${room} stands below what it imports.`,
        severity: 'error',
        from: { path: within(room), pathNot: [...SPEC, ...inner.map(within)] },
        to: { path: floors.slice(at + 1).map(within), pathNot: floors.slice(0, at + 1).map(within) },
      };
    }),
  ),
  ...ENTERED.map((room) => ({
    name: `by-index-${room}`,
    comment: `${room} is entered by its index.`,
    severity: 'error',
    from: { pathNot: [within(room), ...SPEC] },
    to: { path: within(room), pathNot: [`^${room}/(index|at-start)[.]ts$`, ...SPEC, ...nested(room)] },
  })),
].filter(({ to }) => to.circular || to.path.length > 0);

function nested(room) {
  return ENTERED.filter((other) => other.startsWith(`${room}/`)).map(within);
}

module.exports = {
  forbidden,
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
