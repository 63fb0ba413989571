import { fact } from '../../values';
import { unknown, crewFree } from './judging';
import { changeCrew } from './changing';
import { NO_WORDS, type Family } from './family';
import { type crewSchemas } from '../entries/crew';

export const crewRules: Family<typeof crewSchemas> = {
  breakBegan: {
    admit: (state, { instructor }) => crewFree(state, instructor),
    apply: (state, { instructor, what }) => changeCrew(state, instructor, (it) => (it.pause = what)),
    words: NO_WORDS,
  },
  crewBack: {
    admit: (state, { instructor }) => {
      const crew = state.crew.get(instructor);
      if (!crew) return unknown('instructor', instructor);
      return crew.pause === undefined ? fact('notAway', { instructor }) : undefined;
    },
    apply: (state, { instructor }) => changeCrew(state, instructor, (it) => (it.pause = undefined)),
    words: NO_WORDS,
  },
};
