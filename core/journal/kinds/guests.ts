import { withAnswers } from '../../venue/booking';
import { cents, fact } from '../../values';
import { guestWithFitting } from '../state/fitted';
import { onGuest, notHere, inACar } from './judging';
import { changeGuest, withEach } from './changing';
import { NO_WORDS, type Family } from './family';
import { type guestsSchemas } from '../entries/guests';

export const guestsRules: Family<typeof guestsSchemas> = {
  guestArrived: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) =>
        it.arrivedS !== undefined && it.gone === undefined ? fact('hereAlready', { guest: it.guest.id }) : undefined,
      ),
    apply: (state, { guest, at }) =>
      changeGuest(state, guest, at, (it) => {
        it.arrivedS = at;
        it.gone = undefined;
      }),
    words: NO_WORDS,
  },
  waiverSigned: {
    admit: (state, { guest }) =>
      onGuest(
        state,
        guest,
        (it) => notHere(it) ?? (it.waiver ? fact('waiverSeenAlready', { guest: it.guest.id }) : undefined),
      ),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.waiver = true)),
    words: NO_WORDS,
  },
  licenceSeen: {
    admit: (state, { guest }) =>
      onGuest(
        state,
        guest,
        (it) => notHere(it) ?? (it.licence ? fact('licenceSeenAlready', { guest: it.guest.id }) : undefined),
      ),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.licence = true)),
    words: NO_WORDS,
  },
  helmetFitted: {
    admit: (state, { guest }) => onGuest(state, guest, notHere),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.helmet = true)),
    words: NO_WORDS,
  },
  guestAnswered: {
    // Told on the telephone as well, before the guest has come.
    admit: (state, { guest }) => onGuest(state, guest, () => undefined),
    apply: (state, { guest, answers, at }) =>
      changeGuest(state, guest, at, (it) => (it.answers = withAnswers(it.answers, answers))),
    words: { emptied: ['answers'] },
  },
  guestFitted: {
    // Told on the telephone as well, before the guest has come.
    admit: (state, { guest }) => onGuest(state, guest, () => undefined),
    apply: (state, { guest, heightCm, gearbox: wanted, at }) =>
      changeGuest(state, guest, at, (it) => {
        it.fitted = { heightCm: heightCm ?? it.fitted.heightCm, gearbox: wanted ?? it.fitted.gearbox };
      }),
    words: NO_WORDS,
    amends: (day, fitted) => withEach(day, 'guests', fitted.guest, (it) => guestWithFitting(it, fitted)),
  },
  guestNoShow: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) =>
        it.arrivedS !== undefined ? fact('hasArrived', { guest: it.guest.id }) : undefined,
      ),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.gone = 'noShow')),
    words: NO_WORDS,
  },
  guestLeft: {
    admit: (state, { guest }) => onGuest(state, guest, (it) => notHere(it) ?? inACar(state, it)),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.gone = 'left')),
    words: NO_WORDS,
  },
  guestUnwell: {
    admit: (state, { guest }) => onGuest(state, guest, notHere),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.unwell = true)),
    words: { own: ['note'] },
  },
  guestWell: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) => (it.unwell ? undefined : fact('notUnwell', { guest: it.guest.id }))),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.unwell = false)),
    words: NO_WORDS,
  },
  deskDone: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) =>
        it.deskDone ? fact('finishedAlready', { guest: it.guest.id }) : (notHere(it) ?? inACar(state, it)),
      ),
    apply: (state, { guest, at }) => changeGuest(state, guest, at, (it) => (it.deskDone = true)),
    words: NO_WORDS,
  },
  moneyReceived: {
    // Before the guest has come and after they have gone as well.
    admit: (state, { guest, amount }) =>
      onGuest(state, guest, () => (amount > 0 ? undefined : fact('nothingReceived', { guest }))),
    apply: (state, { guest, amount, at }) =>
      changeGuest(state, guest, at, (it) => (it.received = cents(it.received + amount))),
    words: NO_WORDS,
  },
  recordingMoved: {
    admit: (state, { guest, to }) =>
      onGuest(state, guest, (it) => {
        if (it.recording === to) return fact('recordingThereAlready', { guest: it.guest.id });
        return to === 'desk' && it.recording === undefined ? fact('recordingNotOut', {}) : notHere(it);
      }),
    apply: (state, { guest, to, at }) => changeGuest(state, guest, at, (it) => (it.recording = to)),
    words: NO_WORDS,
  },
};
