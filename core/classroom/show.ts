import * as z from 'zod';

/** The classroom show as the venue keeps it: which slides in which order, in whose words, and what is asked afterwards. */

/** What a slide is drawn from. All but `own` follow the venue's circuit, legend, corner book and today's condition. */
export const slideKind = z.enum([
  'welcome',
  'seat',
  'eyes',
  'grip',
  'weight',
  'phases',
  'corners',
  'cones',
  'passing',
  'flags',
  'discomfort',
  'own',
]);
export type SlideKind = z.output<typeof slideKind>;

const words = (most: number) => z.string().trim().max(most);

export const slide = z.strictObject({
  id: z.string().min(1).max(40),
  kind: slideKind,
  /** In place of the title that comes with the kind. */
  title: words(80).min(1).optional(),
  /** In place of the words that come with the kind, a line each. */
  words: z.array(words(160).min(1)).max(8).optional(),
  /** Id of a picture of the venue. */
  picture: z.string().min(1).max(64).optional(),
  hidden: z.boolean().optional(),
});
export type Slide = z.output<typeof slide>;

export const question = z
  .strictObject({
    id: z.string().min(1).max(40),
    text: words(160).min(1),
    answers: z.array(words(100).min(1)).min(2).max(6),
    right: z.number().int().min(0).max(5),
    /** Why, told once the hands are counted. */
    because: words(200).optional(),
  })
  .refine(({ answers, right }) => right < answers.length, {
    message: 'expected the right answer to be one of the answers',
    path: ['right'],
  });
export type Question = z.output<typeof question>;

export const showFields = z.strictObject({
  slides: z.array(slide).min(1, 'expected at least one slide').max(60),
  questions: z.array(question).max(30),
});
export type ShowFields = z.output<typeof showFields>;

/** The show of a venue that has not changed it. */
export const ORDINARY_SHOW: ShowFields = {
  slides: slideKind.options.filter((kind) => kind !== 'own').map((kind) => ({ id: kind, kind })),
  questions: [
    {
      id: 'pedals',
      text: 'Are brake and throttle ever pressed together?',
      answers: ['Yes, to be quick', 'Never', 'Only in the wet'],
      right: 1,
      because: 'Only one foot works at a time: brake, release, then throttle.',
    },
    {
      id: 'look',
      text: 'Where do you look while you brake?',
      answers: ['At the cone beside me', 'Ahead, to the turn-in and on to the apex', 'In the mirror'],
      right: 1,
      because: 'The car goes where you look.',
    },
    {
      id: 'mirrors',
      text: 'For whom are the mirrors set?',
      answers: ['For me', 'For the instructor'],
      right: 1,
      because: 'The instructor watches behind; you watch ahead.',
    },
    {
      id: 'unwell',
      text: 'You feel a little unwell on lap three. What now?',
      answers: ['Hold on, it is nearly over', 'Say so at once'],
      right: 1,
      because: 'We stop, and the laps that are left are kept for later.',
    },
  ],
};

/** What a slide says where the venue has not written its own words. */
export const SLIDE_WORDS: Record<SlideKind, { readonly title: string; readonly words: readonly string[] }> = {
  welcome: { title: 'Welcome', words: [] },
  seat: {
    title: 'How to sit',
    words: [
      'Closer than on the road: knee bent with the brake pressed hard',
      'Wrists reach the top of the wheel with the shoulders in the seat',
      'Both hands on the wheel, level, all the time',
    ],
  },
  eyes: {
    title: 'Look far ahead',
    words: [
      'The car goes where you look',
      'Braking: eyes on the turn-in. Turning: eyes on the apex. At the apex: eyes on the exit',
      'A cone is seen from the corner of the eye',
    ],
  },
  grip: {
    title: 'One grip budget',
    words: [
      'A tyre has so much grip, to share between slowing, pulling and turning',
      'Full braking leaves nothing to steer with; full cornering leaves nothing for throttle',
      'As the wheel unwinds, the throttle may open',
    ],
  },
  weight: {
    title: 'The weight shifts',
    words: [
      'Braking presses the front wheels down: they turn the car',
      'Throttle presses the rear: the nose grows light',
      'Stability control helps; smooth feet do more',
    ],
  },
  phases: {
    title: 'Phases of a corner',
    words: ['Brake', 'Release', 'Turn', 'Apex', 'Throttle', 'Exit'],
  },
  corners: { title: 'Our corners', words: [] },
  cones: { title: 'What the cones say', words: [] },
  passing: { title: 'Passing', words: [] },
  flags: {
    title: 'Flags',
    words: [
      'Caution: slow down, no passing, be ready to stop',
      'All-stop: brake gently to a standstill at the side, the instructor says what comes next',
      'There are no junctions here: whoever is near you came past the same corner',
    ],
  },
  discomfort: {
    title: 'If you feel unwell',
    words: [
      'Say so at once, at the very first sign',
      'We slow down and come in',
      'The laps that are left are kept for you',
    ],
  },
  own: { title: 'Our own', words: [] },
};
