import * as z from 'zod';
import { fact } from '../../day';
import { vehiclesOnCircuit } from '../day-state';
import { subject, sentence, common, entryOf } from './parts';
import { always, nothing, NO_WORDS, type Family } from './family';

/** The day itself: its plans, its end, and what is taken back. */
export const daySchemas = {
  /** The day is over: everybody is in, and the figures are settled. Taken back, it goes on. */
  dayClosed: entryOf('dayClosed', {}),
  planAccepted: entryOf('planAccepted', { revision: z.number().int().min(1) }),
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
