import * as z from 'zod';
import { timeOfDay } from '../../values';
import { subject, sentence, common, entryOf } from './parts';

const movedStarts = z.array(z.strictObject({ place: z.number().int().min(0), start: timeOfDay })).max(5000);
const slideCause = z.strictObject({
  code: z.string().regex(/^[a-zA-Z]{1,40}$/),
  guest: subject.optional(),
  car: subject.optional(),
  instructor: subject.optional(),
  vehicle: subject.optional(),
  group: subject.optional(),
});

/** The day itself: its plans, its end, and what is taken back. */
export const daySchemas = {
  /** The day is over: everybody is in, and the figures are settled. Taken back, it goes on. */
  dayClosed: entryOf('dayClosed', {}),
  planAccepted: entryOf('planAccepted', { revision: z.number().int().min(1) }),
  /**
   * Times of the accepted plan that have followed what happened, by themselves; cars, people and order are as they were.
   * Classes, runs and refuels are named by their place in the plan's lists.
   */
  timesSlid: entryOf('timesSlid', {
    revision: z.number().int().min(1),
    drives: z.array(z.strictObject({ drive: subject, release: timeOfDay })).max(5000),
    classes: movedStarts,
    runs: movedStarts,
    refuels: movedStarts,
    /** Somebody has agreed to it; else it has followed by itself. */
    agreed: z.literal(true).optional(),
    /** The most by which something begins later than it was accepted to, seconds. */
    byS: z.number().int().min(0),
    /** For whose sake, where one is known by name. */
    causes: z.array(slideCause).max(20),
  }),
  /** The manager leaves what a cause makes late as it is, up to so much. */
  leftAsIs: entryOf('leftAsIs', { cause: z.string().min(1).max(80), byS: z.number().int().min(0) }),
  noteTaken: entryOf('noteTaken', { text: sentence, guest: subject.optional() }),
  correction: entryOf('correction', { corrects: common.id, reason: z.string().max(500).optional() }),
};
