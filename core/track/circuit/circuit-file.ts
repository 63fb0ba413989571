import * as z from 'zod';

/**
 * A circuit as the venue keeps it (`docs/lap.md`): a closed centre line with its widths in a local plane, and what stands
 * beside it. Distances along the lap run from the start line in driving direction, metres in plan.
 */

const distanceM = z.number().min(0).max(30_000);
const coordinateM = z.number().min(-50_000).max(50_000);
const words = (most: number) => z.string().trim().max(most);
const pointM = { xM: coordinateM, yM: coordinateM };

/** Where the middle of the plane lies on the globe, degrees; without it the circuit has no coordinates to export. */
export const origin = z.strictObject({ latDeg: z.number().min(-85).max(85), lonDeg: z.number().min(-180).max(180) });
export type Origin = z.output<typeof origin>;

/** A point of the centre line: east, north, height, and how wide the road is to the left and right of it; metres. */
const linePoint = z.strictObject({
  ...pointM,
  zM: z.number().min(-500).max(9000).optional(),
  leftM: z.number(),
  rightM: z.number(),
});
export type LinePoint = z.output<typeof linePoint>;

/** How a corner is taken: where its apex lies. */
const apexStyle = z.enum(['early', 'middle', 'late', 'double']);
export type ApexStyle = z.output<typeof apexStyle>;

/** What is asked for in place of full braking on the first laps: each holds from its lap on. */
export const cornerSteps = z
  .array(z.strictObject({ fromLap: z.number().int().min(1).max(50), brake: z.enum(['lift', 'light', 'full']) }))
  .max(6);

/** The lore of a corner, as guests and instructors need it. */
const cornerBook = z.strictObject({
  apex: apexStyle.optional(),
  /** Whether wheels may ride its kerbs. */
  kerbs: z.enum(['ride', 'leave']).optional(),
  /** Taken slowly on purpose, for the straight that follows. */
  givenAway: z.boolean().optional(),
  noGearChange: z.boolean().optional(),
  passing: z.boolean().optional(),
  /** Throttle in mid-corner where this corner differs from the venue's custom. */
  throttle: z.enum(['maintenance', 'none']).optional(),
  /** The gear in which it is taken by order of the venue, by the id of the car. */
  gears: z.record(z.string().min(1).max(64), z.number().int().min(1).max(10)).optional(),
  steps: cornerSteps.optional(),
  /** On which side of the road to be before it, where that is called. */
  beOn: z.enum(['left', 'right']).optional(),
  /** What to look at where looking through the corner fails. */
  lookAt: words(200).optional(),
  /** Marks on the road that mislead or help. */
  roadMarks: words(200).optional(),
  slippery: words(200).optional(),
  /** What people get wrong here. */
  mistakes: words(300).optional(),
});
export type CornerBook = z.output<typeof cornerBook>;

/** A corner that has been named; it belongs to the corner found nearest to its place. */
const namedCorner = z.strictObject({
  name: words(60).min(1),
  atM: distanceM,
  book: cornerBook.default({}),
});
export type NamedCorner = z.output<typeof namedCorner>;

/** What stands at the road to say something: what each corner has, and what is placed by hand alone. */
export const coneKind = z.enum([
  'brake',
  'turnIn',
  'apex',
  'exit',
  'gate',
  'boundary',
  'pullOff',
  'distance',
  'keepOff',
  'guideLine',
  'safetyZone',
]);
export type ConeKind = z.output<typeof coneKind>;

/** A cone placed by hand, with the reason: a gate, a boundary, the pull-off, or one more at a corner. */
const handCone = z.strictObject({
  id: z.string().min(1).max(40),
  kind: coneKind,
  ...pointM,
  colour: words(30).optional(),
  corner: words(60).optional(),
  note: words(200).optional(),
});

/** A cone that would be computed otherwise, and keeps this place. */
const movedCone = z.strictObject({ id: z.string().min(1).max(80), ...pointM, note: words(200) });

/** A cone that would be computed and has been taken away, with the reason. */
const removedCone = z.strictObject({ id: z.string().min(1).max(80), note: words(200) });

/** What marks a place of one kind: so many things of one colour, or something that stands there anyway. */
const marker = z.strictObject({
  by: z.enum(['cone', 'board', 'landmark', 'paint', 'none']),
  count: z.number().int().min(1).max(4).default(1),
  /** A name for people. */
  colour: words(30).min(1),
  /** What tells cones of one colour apart besides their number. */
  pattern: z.enum(['plain', 'banded', 'lying', 'inRow']).default('plain'),
  /** How it is drawn. */
  css: z.string().regex(/^#[0-9a-fA-F]{6}$/, 'expected a colour such as #3366cc'),
});
export type Marker = z.output<typeof marker>;

/** What colour and count mean at this venue. */
export const legend = z.strictObject({
  name: words(60).min(1),
  brake: marker,
  turnIn: marker,
  apex: marker,
  exit: marker,
  gate: marker,
  boundary: marker,
  pullOff: marker,
  distance: marker.default({ by: 'none', count: 1, colour: 'number board', pattern: 'plain', css: '#d8d4c8' }),
  keepOff: marker.default({ by: 'none', count: 1, colour: 'barred board', pattern: 'plain', css: '#b05a7a' }),
  guideLine: marker.default({ by: 'none', count: 1, colour: 'white dashes', pattern: 'plain', css: '#dcd8cc' }),
  safetyZone: marker.default({ by: 'none', count: 4, colour: 'lime', pattern: 'plain', css: '#a8b820' }),
});
export type Legend = z.output<typeof legend>;

const place = z.strictObject({ name: words(60).min(1), ...pointM });

/** A line of more points than this is thinned out before it comes in. */
export const MOST_LINE_POINTS = 6000;

export const circuitFile = z.strictObject({
  name: words(200).min(1),
  origin: origin.optional(),
  line: z.array(linePoint).min(3).max(MOST_LINE_POINTS, `expected at most ${MOST_LINE_POINTS} points`),
  pitExitM: distanceM.optional(),
  pitEntryM: distanceM.optional(),
  corners: z.array(namedCorner).max(60).default([]),
  cones: z.array(handCone).max(500).default([]),
  movedCones: z.array(movedCone).max(300).default([]),
  removedCones: z.array(removedCone).max(300).default([]),
  landmarks: z.array(place).max(100).default([]),
  marshalPosts: z.array(place).max(60).default([]),
  legend: legend.optional(),
});
/** A circuit inside the core. */
export type Circuit = z.output<typeof circuitFile>;
