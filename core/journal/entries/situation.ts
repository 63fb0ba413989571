import * as z from 'zod';
import { closingAt, fact, withoutWindows } from '../../day';
import { timeOfDay } from '../../day/time';
import { withEach } from './changing';
import { onGuest } from './judging';
import { subject, sentence, entryOf, inOrder } from './parts';
import { always, nothing, NO_WORDS, type Family } from './family';

/** What changes the day that is planned. */
export const situationSchemas = {
  guestLate: entryOf('guestLate', { guest: subject, expected: timeOfDay }),
  circuitClosed: entryOf('circuitClosed', { from: timeOfDay, to: timeOfDay, reason: sentence }).refine(...inOrder),
  conditionChanged: entryOf('conditionChanged', {
    from: timeOfDay,
    name: z.string().trim().min(1).max(100),
    paceFactor: z.number().min(0.5).max(3),
  }),
  closingMoved: entryOf('closingMoved', { to: timeOfDay }),
  crewHours: entryOf('crewHours', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
  /** An instructor is away from a time on, until the end of the day where nothing else is said. */
  crewAway: entryOf('crewAway', { instructor: subject, from: timeOfDay, to: timeOfDay }).refine(...inOrder),
  runningLate: entryOf('runningLate', { minutes: z.number().int().min(1).max(180) }),
};

export const situationRules: Family<typeof situationSchemas> = {
  guestLate: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) =>
        it.arrivedS === undefined ? undefined : fact('hereAlready', { guest: it.guest.id }),
      ),
    apply: nothing,
    words: NO_WORDS,
    situation: (day, { guest, expected }) => withEach(day, 'guests', guest, (it) => ({ ...it, arrives: expected })),
  },
  circuitClosed: {
    admit: always,
    apply: nothing,
    words: { named: ['reason'] },
    situation: (day, { from, to, reason }) => ({
      ...day,
      circuit: { ...day.circuit, closures: [...day.circuit.closures, { from, to, reason }] },
    }),
  },
  conditionChanged: {
    admit: always,
    apply: nothing,
    words: { named: ['name'] },
    situation: (day, { from, name, paceFactor }) => {
      const before = (day.condition.changes ?? []).filter((change) => change.from < from);
      return { ...day, condition: { ...day.condition, changes: [...before, { from, name, paceFactor }] } };
    },
  },
  closingMoved: {
    admit: (_state, { to }, { day }) => (to > day.opens ? undefined : fact('closesBeforeOpening', {})),
    apply: nothing,
    words: NO_WORDS,
    situation: (day, { to }) =>
      to > day.opens ? closingAt(day, to) : fact('closesBeforeOpening', {}, { closesS: to, opensS: day.opens }),
  },
  crewHours: {
    admit: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
    apply: nothing,
    words: NO_WORDS,
    situation: (day, { instructor, from, to }) =>
      withEach(day, 'instructors', instructor, (it) => ({ ...it, available: [...it.available, { from, to }] })),
  },
  crewAway: {
    admit: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
    apply: nothing,
    words: NO_WORDS,
    situation: (day, { instructor, from, to }) =>
      withEach(day, 'instructors', instructor, (it) => ({
        ...it,
        available: withoutWindows(it.available, [{ from, to }]),
      })),
  },
  runningLate: {
    admit: always,
    apply: (state, { minutes, at }) => {
      state.late = { sinceS: at, byS: minutes * 60 };
    },
    words: NO_WORDS,
  },
};
