import * as z from 'zod';

/** The classroom show as the venue keeps it: which slides in which order, in whose words, and what is asked afterwards. */

/** What a slide is drawn from. All but `own` follow the venue's circuit, legend, corner book and today's condition. */
export const slideKind = z.enum([
  'welcome',
  'seat',
  'paddles',
  'eyes',
  'grip',
  'weight',
  'aids',
  'phases',
  'corners',
  'cones',
  'calls',
  'passing',
  'flags',
  'discomfort',
  'own',
]);
export type SlideKind = z.output<typeof slideKind>;

const words = (most: number) => z.string().trim().max(most);

const slide = z.strictObject({
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
    /** What a wrong answer shows, for the handover of those who gave it: `looks at the cone instead of ahead`. */
    misread: words(120).min(1).optional(),
    /** Which cone says brake: the answers are what the venue's own legend has for them, those here where it has none. */
    legend: z.boolean().optional(),
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

/** What is asked where the venue asks nothing else. */
const ORDINARY_QUESTIONS = [
  {
    id: 'pedals',
    text: 'Are brake and throttle ever pressed together?',
    answers: ['Yes, to be quick', 'Never', 'Only in the wet'],
    right: 1,
    because: 'Only one foot works at a time: brake, release, then throttle.',
    misread: 'thinks that brake and throttle may be pressed together',
  },
  {
    id: 'brakeCone',
    text: 'Which of these says: brake?',
    answers: ['The one for turning in', 'The one for braking', 'The one at the apex', 'The one at the exit'],
    right: 1,
    because: 'First brake, then turn in: each has a place and a look of its own.',
    misread: 'mixed up the cones',
    legend: true,
  },
  {
    id: 'look',
    text: 'Where do you look while you brake?',
    answers: ['At the cone beside me', 'Ahead, to the turn-in and on to the apex', 'In the mirror'],
    right: 1,
    because: 'The car goes where you look.',
    misread: 'looks at what is near instead of ahead',
  },
  {
    id: 'mirrors',
    text: 'For whom are the mirrors set?',
    answers: ['For me', 'For the instructor'],
    right: 1,
    because: 'The instructor watches behind; you watch ahead.',
    misread: 'thinks that the mirrors are the driver’s',
  },
  {
    id: 'unwell',
    text: 'You feel a little unwell on lap three. What now?',
    answers: ['Hold on, it is nearly over', 'Say so at once'],
    right: 1,
    because: 'We stop, and the laps that are left are kept for later.',
    misread: 'may say nothing when feeling unwell: ask',
  },
] as const satisfies readonly (Omit<Question, 'answers'> & { readonly answers: readonly string[] })[];
export type OrdinaryQuestion = (typeof ORDINARY_QUESTIONS)[number]['id'];

/** The show of a venue that has not changed it. */
export const ORDINARY_SHOW: ShowFields = {
  slides: slideKind.options.filter((kind) => kind !== 'own').map((kind) => ({ id: kind, kind })),
  questions: ORDINARY_QUESTIONS.map((one) => ({ ...one, answers: [...one.answers] })),
};
