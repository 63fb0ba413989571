import * as z from 'zod';
import { fact } from '../../day';
import { timeOfDay } from '../../day/time';
import { vehiclesOnCircuit } from '../day-state';
import { subject, sentence, common, entryOf } from './parts';
import { always, nothing, NO_WORDS, type Family } from './family';

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

export const dayRules: Family<typeof daySchemas> = {
  dayClosed: {
    admit: (state) => {
      if (state.closed) return fact('dayClosedAlready', {}, { by: state.closed.by });
      const out = vehiclesOnCircuit(state);
      return out > 0 ? fact('stillOnCircuit', {}, { cars: out }) : undefined;
    },
    apply: (state, { at, by }) => {
      state.closed = { atS: at, by };
    },
    words: NO_WORDS,
  },
  planAccepted: {
    admit: always,
    apply: nothing,
    words: NO_WORDS,
  },
  timesSlid: {
    admit: always,
    apply: nothing,
    words: NO_WORDS,
  },
  leftAsIs: {
    admit: always,
    apply: (state, { cause, byS }) => void state.left.set(cause, byS),
    words: NO_WORDS,
  },
  noteTaken: {
    admit: always,
    apply: nothing,
    words: { own: ['text'] },
  },
  correction: {
    admit: always,
    apply: nothing,
    words: { named: ['reason'] },
  },
};
