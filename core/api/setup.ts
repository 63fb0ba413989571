import * as z from 'zod';
import { bookingFields } from '../venue/booking';
import { instructorFields } from '../people/crew/at-start';
import { groupFields } from '../programmes';
import { carFields } from '../venue/fleet/at-start';
import { timeWindow } from '../values';
import { daySetup, venueFields } from '../venue/settings';
import { version } from './endpoint';

/** What is set up rather than happens, as web and server exchange it: with its version, by which two people who edit it are told of each other. */
const stored = { id: z.string().min(1).max(64), version };

export const booking = z.object({ ...stored, fields: bookingFields });
export type Booking = z.output<typeof booking>;

/** A guest of any day, as found by name, reference or e-mail. */
export const foundGuest = z.object({
  id: z.string(),
  date: z.iso.date(),
  name: z.string(),
  reference: z.string(),
  email: z.string().nullable(),
});
export type FoundGuest = z.output<typeof foundGuest>;

/** A note about others with a part of a guest's name in it; `id` is that of its entry or booking. */
export const mention = z.object({ date: z.iso.date(), id: z.string(), of: z.string(), text: z.string() });
export type Mention = z.output<typeof mention>;

export const storedCar = z.object({ ...stored, fields: carFields });
export type StoredCar = z.output<typeof storedCar>;

export const storedInstructor = z.object({ ...stored, fields: instructorFields });
export type StoredInstructor = z.output<typeof storedInstructor>;

export const storedGroup = z.object({ ...stored, fields: groupFields });
export type StoredGroup = z.output<typeof storedGroup>;

/** What a day has of its own, and the hours that it would have without. */
export const storedSetup = z.object({ version, fields: daySetup, usual: timeWindow });
export type StoredSetup = z.output<typeof storedSetup>;

export const storedVenue = z.object({ version, fields: venueFields });
export type StoredVenue = z.output<typeof storedVenue>;
