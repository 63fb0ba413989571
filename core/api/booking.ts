import * as z from 'zod';
import type { Car } from '../day/day-file';
import {
  car,
  circuit,
  condition,
  fit,
  gearbox,
  idsTwice,
  pin,
  rules,
  sightingVehicle,
  timeZone,
} from '../day/day-file';
import { carFile } from '../car/car-file';
import { instructorFields } from '../crew/skills';
import { timeOfDay } from '../day/time';
import { version } from './endpoint';

/** What is set up rather than happens, as web and server exchange it. */

const text = (most: number) => z.string().trim().max(most);
const money = z.number().min(0).max(1_000_000).multipleOf(0.01, 'expected an amount with at most two decimals');

/** How experienced the guest is; the venue sets what it does to the lap time. */
export const paceClass = z.enum(['first', 'before', 'quick']);
export type PaceClass = z.output<typeof paceClass>;

export const bookedDrive = z.strictObject({
  id: z.string().min(1).max(64),
  /** Any of these cars will do. */
  cars: z.array(z.string().min(1).max(64)).min(1, 'expected at least one car'),
  laps: z.number().int().min(1, 'expected 1 to 50 laps').max(50, 'expected 1 to 50 laps'),
  gearbox: gearbox.optional(),
  /** What the manager has fixed. */
  pin: pin.optional(),
});
export type BookedDrive = z.output<typeof bookedDrive>;

/** A guest's booking for one day. */
export const bookingFields = z
  .strictObject({
    reference: text(40).min(1, 'expected a booking reference'),
    name: text(200).min(1, 'expected the name of the guest'),
    birthday: z.iso.date('expected a date, YYYY-MM-DD').optional(),
    email: z.email('expected an e-mail address').max(254).optional(),
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
    /** A hand on the wheel or a tap on the knee is all right. */
    prompting: z.boolean(),
    sequence: z.enum(['any', 'asListed']),
    price: money,
    paid: money,
    occasion: text(100).min(1).optional(),
    notes: text(1000).min(1).optional(),
    healthNote: text(1000).min(1).optional(),
    /** Class and sighting run are behind the guest and still valid. */
    briefed: z.boolean(),
    sighted: z.boolean(),
    avoidInstructors: z.array(z.string().min(1).max(64)),
    preferInstructors: z.array(z.string().min(1).max(64)),
    drives: z.array(bookedDrive).max(12, 'expected at most 12 drives'),
  })
  .refine((booking) => booking.leavesBy === undefined || booking.arrives < booking.leavesBy, {
    message: 'expected "leaves by" to be after the arrival',
    path: ['leavesBy'],
  });
export type BookingFields = z.output<typeof bookingFields>;

/** Something stored, with the version by which two people who edit it are told of each other. */
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

/** A car of the fleet, the number on its door and what a lap in it costs. */
export const carFields = z.strictObject({
  ...car.shape,
  number: z.number().int().min(1).max(999),
  lapPrice: money.optional(),
  /** Number of its stall. */
  stall: z.number().int().min(1).max(999).optional(),
  /** What the timing loop calls it; its id where not given. */
  transponder: text(64).min(1).optional(),
  fit: fit.optional(),
  /** What it is to the lap model. */
  model: carFile.optional(),
  /** What the talk in the car says of it beside the numbers. */
  talk: z
    .strictObject({
      brakes: text(200).min(1).optional(),
      steering: text(200).min(1).optional(),
      automatic: text(200).min(1).optional(),
      traps: z.array(text(100).min(1)).max(8).optional(),
    })
    .optional(),
  /** How long its parts last; nothing is counted down where a limit is not set. */
  wear: z
    .strictObject({
      brakesMJ: z.number().min(1).max(1_000_000).optional(),
      tyresKm: z.number().min(1).max(100_000).optional(),
      clutchStarts: z.number().int().min(1).max(100_000).optional(),
    })
    .optional(),
});
export type CarFields = z.output<typeof carFields>;

/** The planner's view of a car: what bears on time, fuel and fit, nothing else. */
export function plannedCar(fields: CarFields): Car {
  const { id, name, level, lapTimeS, gearboxes, available, fuel, cooling, fit: fits } = fields;
  return { id, name, level, lapTimeS, gearboxes, available, fuel, cooling, fit: fits };
}

export const storedCar = z.object({ ...stored, fields: carFields });
export type StoredCar = z.output<typeof storedCar>;

export const storedInstructor = z.object({ ...stored, fields: instructorFields });
export type StoredInstructor = z.output<typeof storedInstructor>;

/** Of a venue that has not written its own. */
export const ORDINARY_CHECK = ['Strap', 'Belts', 'Mirrors', 'Recorder', 'Name slate', 'Gearbox'];

/** How a car is let out and comes back at this venue. */
export const pitExitCustoms = z.strictObject({
  /** What is looked at before a car is let out. */
  lastCheck: z.array(text(60).min(1)).max(12, 'expected at most 12 things to look at'),
  /** The way in, in words: "in at the anchor board, second lane". */
  wayIn: text(200).min(1).optional(),
});
export type PitExitCustoms = z.output<typeof pitExitCustoms>;

/** How people are taught and cars are parked at this venue. */
export const coachingCustoms = z.strictObject({
  /** Braking is finished in a straight line, or trailed off into the turn. */
  braking: z.enum(['straight', 'trailed']),
  /** Throttle in mid-corner: a light one, or none until the wheel unwinds. */
  throttle: z.enum(['maintenance', 'none']),
  /** Where passing takes place. */
  passing: z.enum(['named', 'straights', 'signals']),
  /** How long it takes to say a call, and a guest to act on it. */
  speechS: z.number().min(0.2).max(3),
  reactionS: z.number().min(0.2).max(3),
  /** To which lock the wheels of a parked car are turned, and what it is left in. */
  lock: z.enum(['left', 'right']),
  parkedIn: z.enum(['neutral', 'park']),
  /** What is looked at on the way round a car. */
  walkRound: z.array(text(60).min(1)).max(20),
});
export type CoachingCustoms = z.output<typeof coachingCustoms>;

/** Of a venue that has not written its own. */
export const ORDINARY_COACHING: CoachingCustoms = {
  braking: 'straight',
  throttle: 'none',
  passing: 'straights',
  speechS: 0.7,
  reactionS: 0.8,
  lock: 'left',
  parkedIn: 'neutral',
  walkRound: ['Tyres', 'Wheel nuts', 'Body', 'Glass', 'Lights', 'Leaks', 'Seat and belts', 'Camera card', 'Radio'],
};

/** The venue: its hours, its circuit and the rules by which its days are planned. */
export const venueFields = z
  .strictObject({
    name: text(200).min(1),
    timeZone,
    currency: z.string().regex(/^[A-Z]{3}$/, 'expected a currency code of three letters'),
    opens: timeOfDay,
    closes: timeOfDay,
    condition,
    circuit,
    rules,
    /** What each experience does to the lap time. */
    paces: z.strictObject({
      first: z.number().min(0.5).max(3),
      before: z.number().min(0.5).max(3),
      quick: z.number().min(0.5).max(3),
    }),
    sightingVehicles: z
      .array(sightingVehicle)
      .max(20)
      .superRefine((vehicles, context) => {
        for (const { index, message } of idsTwice(vehicles)) {
          context.addIssue({ code: 'custom', path: [index, 'id'], message });
        }
      }),
    pitExit: pitExitCustoms.default({ lastCheck: ORDINARY_CHECK }),
    coaching: coachingCustoms.default(ORDINARY_COACHING),
  })
  .refine((venue) => venue.opens < venue.closes, {
    message: 'expected the opening time to be before the closing time',
    path: ['opens'],
  });
export type VenueFields = z.output<typeof venueFields>;
export const storedVenue = z.object({ version, fields: venueFields });
export type StoredVenue = z.output<typeof storedVenue>;
