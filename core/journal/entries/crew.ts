import { subject, entryOf, breakKind } from './parts';

/** Breaks of the crew. */
export const crewSchemas = {
  breakBegan: entryOf('breakBegan', { instructor: subject, what: breakKind }),
  crewBack: entryOf('crewBack', { instructor: subject }),
};
