import * as z from 'zod';
import { gearbox, pin, rideOf } from '../../day';
import { moneyAmount, text, timeOfDay } from '../../values';

/** Bookings: who comes on a day, and what was sold. */

/** How experienced the guest is; the venue sets what it does to the lap time. */
const paceClass = z.enum(['first', 'before', 'quick']);
export type PaceClass = z.output<typeof paceClass>;

const bookedDrive = z.strictObject({
  id: z.string().min(1).max(64),
  /** Any of these cars will do. */
  cars: z.array(z.string().min(1).max(64)).min(1, 'expected at least one car'),
  laps: z.number().int().min(1, 'expected 1 to 50 laps').max(50, 'expected 1 to 50 laps'),
  gearbox: gearbox.optional(),
  /** The instructor drives, and so many people sit beside. */
  ride: rideOf.optional(),
  /** What the manager has fixed. */
  pin: pin.optional(),
});
export type BookedDrive = z.output<typeof bookedDrive>;

const friends = z.array(text(40).min(1)).max(12, 'expected at most 12 friends').optional();

/** A guest's booking for one day. */
export const bookingFields = z
  .strictObject({
    reference: text(40).min(1, 'expected a booking reference'),
    name: text(200).min(1, 'expected the name of the guest'),
    birthday: z.iso.date('expected a date, YYYY-MM-DD').optional(),
    email: z.email('expected an e-mail address').max(254).optional(),
    phone: text(40).min(1).optional(),
    party: text(64).min(1).optional(),
    languages: z.array(text(35).min(1)).min(1, 'expected at least one language'),
    arrives: timeOfDay,
    leavesBy: timeOfDay.optional(),
    heightCm: z.number().min(50, 'expected 50 to 300 cm').max(300, 'expected 50 to 300 cm').optional(),
    weightKg: z.number().min(10, 'expected 10 to 500 kg').max(500, 'expected 10 to 500 kg').optional(),
    helmet: text(10).min(1).optional(),
    pace: paceClass,
    gearbox: gearbox.optional(),
    carAtHome: text(100).min(1).optional(),
    drivesOn: z.enum(['left', 'right']).optional(),
    /** A hand on the wheel or a tap on the knee is all right as a teaching prompt; missing where nobody has asked. */
    touch: z.boolean().optional(),
    sequence: z.enum(['any', 'asListed']),
    price: moneyAmount,
    paid: moneyAmount,
    occasion: text(100).min(1).optional(),
    notes: text(1000).min(1).optional(),
    healthNote: text(1000).min(1).optional(),
    /** Class and sighting run are behind the guest and still valid. */
    briefed: z.boolean(),
    sighted: z.boolean(),
    avoidInstructors: z.array(z.string().min(1).max(64)),
    preferInstructors: z.array(z.string().min(1).max(64)),
    /** Wishes of friends who come on the same day, by their booking references. */
    sameTimeAs: friends,
    inTurnWith: friends,
    sameInstructorAs: friends,
    drives: z.array(bookedDrive).max(12, 'expected at most 12 drives'),
    /** Why it was cancelled, and by whom: it stays with the day, and nobody is planned for it. */
    cancelled: text(200).min(1).optional(),
  })
  .refine((booking) => booking.leavesBy === undefined || booking.arrives < booking.leavesBy, {
    message: 'expected "leaves by" to be after the arrival',
    path: ['leavesBy'],
  });
export type BookingFields = z.output<typeof bookingFields>;
