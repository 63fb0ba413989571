import { fact } from '../../values';
import { vehiclesOnCircuit } from '../state/day-state';
import { always, nothing, NO_WORDS, type Family } from './family';
import { type daySchemas } from '../entries/day';

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
