import { fact } from '../../day';
import { unknown, crewFree } from './judging';
import { changeCrew } from './changing';
import { subject, entryOf, breakKind } from './parts';
import { NO_WORDS, type Family } from './family';

/** Breaks of the crew. */
export const crewSchemas = {
  breakBegan: entryOf('breakBegan', { instructor: subject, what: breakKind }),
  crewBack: entryOf('crewBack', { instructor: subject }),
};

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
