import * as z from 'zod';
import { gateAnswers, withAnswers } from '../../booking/answers';
import { cents, fact } from '../../day';
import { gearbox } from '../../day/day-file';
import { moneyAmount } from '../../day/fields';
import { asFitted } from '../fitted';
import { onGuest, notHere, inACar } from './judging';
import { changeGuest, withEach } from './changing';
import { subject, entryOf } from './parts';
import { NO_WORDS, type Family } from './family';

/** How money comes in. */
export const moneyMeans = z.enum(['cash', 'card', 'voucher']);
export type MoneyMeans = z.output<typeof moneyMeans>;

/** The guest’s way through the venue. */
export const guestsSchemas = {
  guestArrived: entryOf('guestArrived', { guest: subject }),
  waiverSigned: entryOf('waiverSigned', { guest: subject }),
  licenceSeen: entryOf('licenceSeen', { guest: subject }),
  helmetFitted: entryOf('helmetFitted', { guest: subject, size: z.string().max(10).optional() }),
  /** What a guest has answered at the gate; a question that is not in it keeps its last answer. */
  guestAnswered: entryOf('guestAnswered', { guest: subject, answers: gateAnswers }),
  /** What decides which cars a guest can drive, and how: told or measured at the gate. */
  guestFitted: entryOf('guestFitted', {
    guest: subject,
    heightCm: z.number().min(50).max(300).optional(),
    gearbox: gearbox.optional(),
  }),
  guestNoShow: entryOf('guestNoShow', { guest: subject }),
  guestLeft: entryOf('guestLeft', { guest: subject }),
  guestUnwell: entryOf('guestUnwell', { guest: subject, note: z.string().max(500).optional() }),
  guestWell: entryOf('guestWell', { guest: subject }),
  deskDone: entryOf('deskDone', { guest: subject }),
  /** Money that was taken at the gate or the desk; a part of what is due, or all of it. */
  moneyReceived: entryOf('moneyReceived', { guest: subject, amount: moneyAmount, means: moneyMeans }),
  /** The guest's recording card: handed out at the desk, or handed in, last of all. */
  recordingMoved: entryOf('recordingMoved', { guest: subject, to: z.enum(['guest', 'desk']) }),
};

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
    situation: (day, fitted) => withEach(day, 'guests', fitted.guest, (it) => asFitted(it, fitted)),
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
