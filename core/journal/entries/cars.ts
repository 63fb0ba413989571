import * as z from 'zod';
import { timeOfDay } from '../../values';
import { subject, sentence, entryOf } from './parts';

/** Cars out of service, and their fuel. */
export const carsSchemas = {
  carHeld: entryOf('carHeld', { car: subject, reason: sentence, backAt: timeOfDay.optional() }),
  carReady: entryOf('carReady', { car: subject }),
  refuelBegan: entryOf('refuelBegan', { car: subject }),
  refuelEnded: entryOf('refuelEnded', { car: subject }),
  /** `withinL`: how far off the reading may be, for a gauge that only shows quarters. */
  fuelRead: entryOf('fuelRead', {
    car: subject,
    litres: z.number().min(0).max(500),
    withinL: z.number().min(0).max(100).optional(),
  }),
};
