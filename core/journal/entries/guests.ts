import * as z from 'zod';
import { gateAnswers } from '../../venue/booking';
import { gearbox } from '../../day';
import { moneyAmount } from '../../values';
import { subject, entryOf } from './parts';

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
