import * as z from 'zod';

/** Where in a corner, or in the whole drive, something goes wrong; in the order of a corner. */
export const phase = z.enum([
  'look',
  'brake',
  'gear',
  'release',
  'turnIn',
  'apex',
  'balance',
  'throttle',
  'exit',
  'slide',
  'whole',
]);
export type Phase = z.output<typeof phase>;

const words = (most: number) => z.string().trim().min(1).max(most);

/** What goes wrong in a car, in plain words: cause, what it does to the car, cure, and how to say it while driving. */
export const faultEntry = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{2,40}$/, 'expected 2 to 40 small letters, digits or "-"'),
  phase,
  name: words(60),
  cause: words(200),
  does: words(200),
  cure: words(200),
  /** In the car, short. */
  say: words(80),
  /** Another way of saying it, for the second drive with the same fault. */
  sayOtherwise: words(80),
  /** Faults of an earlier phase that this one may come from. */
  from: z.array(z.string().max(40)).max(4).optional(),
  /** How much it matters, 1 little … 3 much. */
  weight: z.number().min(1).max(3),
  /** Not offered any more; marks that name it are still read. */
  retired: z.boolean().optional(),
});
export type FaultEntry = z.output<typeof faultEntry>;

/** What of a corner a cue may name, each in braces: `{apex}`. */
export const CUE_PLACES = ['brake', 'turnIn', 'apex', 'exit'] as const;
export type CuePlace = (typeof CUE_PLACES)[number];
