import { closingAt } from '../../day';
import { fact, withoutWindows } from '../../values';
import { withEach } from './changing';
import { onGuest } from './judging';
import { always, nothing, NO_WORDS, type Family } from './family';
import { type situationSchemas } from '../entries/situation';

export const situationRules: Family<typeof situationSchemas> = {
  guestLate: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) =>
        it.arrivedS === undefined ? undefined : fact('hereAlready', { guest: it.guest.id }),
      ),
    apply: nothing,
    words: NO_WORDS,
    amends: (day, { guest, expected }) => withEach(day, 'guests', guest, (it) => ({ ...it, arrives: expected })),
  },
  circuitClosed: {
    admit: always,
    apply: nothing,
    words: { named: ['reason'] },
    amends: (day, { from, to, reason }) => ({
      ...day,
      circuit: { ...day.circuit, closures: [...day.circuit.closures, { from, to, reason }] },
    }),
  },
  conditionChanged: {
    admit: always,
    apply: nothing,
    words: { named: ['name'] },
    amends: (day, { from, name, paceFactor }) => {
      const before = (day.condition.changes ?? []).filter((change) => change.from < from);
      return { ...day, condition: { ...day.condition, changes: [...before, { from, name, paceFactor }] } };
    },
  },
  closingMoved: {
    admit: (_state, { to }, { day }) => (to > day.opens ? undefined : fact('closesBeforeOpening', {})),
    apply: nothing,
    words: NO_WORDS,
    amends: (day, { to }) =>
      to > day.opens ? closingAt(day, to) : fact('closesBeforeOpening', {}, { closesS: to, opensS: day.opens }),
  },
  crewHours: {
    admit: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
    apply: nothing,
    words: NO_WORDS,
    amends: (day, { instructor, from, to }) =>
      withEach(day, 'instructors', instructor, (it) => ({ ...it, available: [...it.available, { from, to }] })),
  },
  crewAway: {
    admit: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
    apply: nothing,
    words: NO_WORDS,
    amends: (day, { instructor, from, to }) =>
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
