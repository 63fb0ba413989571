import { callCustoms } from '../../track/car/at-start';
import { type TeachingCustom } from '../../track/car';
import * as z from 'zod';
import { gateQuestion } from '../booking';
import { calendar, NO_PATTERN } from './calendar';
import { circuit, condition, idsTwice, rules, sightingVehicle, timeZone } from '../../day';
import { text, OVER_MIDNIGHT, timeOfDay } from '../../values';
import { preset, surface } from '../../programmes';

/** Of a venue that has not written its own. */
const ORDINARY_TALK = ['Helmet strap', 'Seat', 'Steering wheel', 'Mirrors', 'Belts', 'Window'];

/** Of a venue that has not written its own. */
export const ORDINARY_CHECK = ['Strap', 'Belts', 'Mirrors', 'Recorder', 'Name slate', 'Gearbox'];

/** How a car is let out and comes back at this venue. */
export const pitExitCustoms = z.strictObject({
  /** What is looked at before a car is let out. */
  lastCheck: z.array(text(60).min(1)).max(12, 'expected at most 12 things to look at'),
  /** The way in, in words: "in at the anchor board, second lane". */
  wayIn: text(200).min(1).optional(),
});

/** What guests are asked at the gate besides their papers. */
export const gateCustoms = z.strictObject({
  asks: z.array(gateQuestion).max(gateQuestion.options.length),
  /** The venue's own questions, answered by yes or no. */
  own: z.array(text(80).min(1)).max(8, 'expected at most 8 questions'),
});
export type GateCustoms = z.output<typeof gateCustoms>;

/** Of a venue that has not written its own. */
export const ORDINARY_GATE: GateCustoms = { asks: [...gateQuestion.options], own: [] };

/** How people are taught and cars are parked at this venue. */
const coachingCustoms = z.strictObject({
  /** Braking is finished in a straight line, or trailed off into the turn. */
  braking: z.enum(['straight', 'trailed']),
  /** Throttle in mid-corner: a light one, or none until the wheel unwinds. */
  throttle: z.enum(['maintenance', 'none']),
  /** Where passing takes place. */
  passing: z.enum(['named', 'straights', 'signals']),
  /** How long it takes to say a call, and a guest to act on it. */
  speechS: z.number().min(0.2).max(3),
  reactionS: z.number().min(0.2).max(3),
  /** Cars of a train that come nearer to each other than so many seconds are warned about. */
  closestFollowS: z.number().min(0).max(5).default(0.7),
  /** How each kind of call is said here, where it is not as elsewhere. */
  calls: callCustoms.default({}),
  /** From this lap on nothing is called but gears, and what is marked. */
  quietFromLap: z.number().int().min(2).max(50).default(3),
  /** The lap that is taught may take so much longer than the one in the gears that give the most, seconds. */
  shiftsWithinS: z.number().min(0).max(10).default(1),
  /** Gears that guests do not use. */
  gearsOut: z.array(z.number().int().min(1).max(10)).max(9).default([]),
  /** To which lock the wheels of a parked car are turned, and what it is left in. */
  lock: z.enum(['left', 'right']),
  parkedIn: z.enum(['neutral', 'park']),
  /** What is looked at on the way round a car. */
  walkRound: z.array(text(60).min(1)).max(20),
  /** What is seen to in the car before it rolls, in order. */
  talk: z.array(text(60).min(1)).max(20).default(ORDINARY_TALK),
});
export type CoachingCustoms = z.output<typeof coachingCustoms>;

/** What of a venue's customs decides how a lap is taught. */
export function teachingCustom({ braking, shiftsWithinS, gearsOut }: CoachingCustoms): TeachingCustom {
  return { braking, shiftsWithinS, gearsOut };
}

/** What the plan does by itself while the day runs. */
export const liveCustoms = z.strictObject({
  /** Times that come to be at most so much later than accepted follow by themselves; 0: nothing does. */
  slidesUpToMin: z.number().int().min(0).max(60),
});
export type LiveCustoms = z.output<typeof liveCustoms>;

/** Of a venue that has not written its own. */
export const ORDINARY_LIVE: LiveCustoms = { slidesUpToMin: 5 };

/** Of a venue that has not written its own. */
export const ORDINARY_COACHING: CoachingCustoms = {
  braking: 'straight',
  throttle: 'none',
  passing: 'straights',
  speechS: 0.7,
  reactionS: 0.8,
  closestFollowS: 0.7,
  calls: {},
  quietFromLap: 3,
  shiftsWithinS: 1,
  gearsOut: [],
  lock: 'left',
  parkedIn: 'neutral',
  talk: ORDINARY_TALK,
  walkRound: ['Tyres', 'Wheel nuts', 'Body', 'Glass', 'Lights', 'Leaks', 'Seat and belts', 'Camera card', 'Radio'],
};

/** How guests get to know the circuit before they drive: only the first takes a place in the plan. */
export const introductionWay = z.enum(['vehicle', 'leadCar', 'walk', 'none']);
export type IntroductionWay = z.output<typeof introductionWay>;

/** What every guest goes through before the first drive. */
const introduction = z.strictObject({
  class: z.boolean(),
  circuit: introductionWay,
  /** Nobody has chosen it yet. */
  assumed: z.literal(true).optional(),
});
export type Introduction = z.output<typeof introduction>;

/** Of a venue that has not said otherwise. */
export const ORDINARY_INTRODUCTION: Introduction = { class: true, circuit: 'vehicle' };

/** What a new venue has put off; it works without. */
const putOff = z.enum(['circuit', 'bookings', 'phones']);
export type PutOff = z.output<typeof putOff>;

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
    live: liveCustoms.default(ORDINARY_LIVE),
    gate: gateCustoms.default(ORDINARY_GATE),
    introduction: introduction.default(ORDINARY_INTRODUCTION),
    putOff: z.array(putOff).max(10).default([]),
    calendar: calendar.default(NO_PATTERN),
    /** Places to drive beside the circuit. */
    surfaces: z
      .array(surface)
      .max(10, 'expected at most 10 surfaces')
      .default([])
      .superRefine((surfaces, context) => {
        for (const { index, message } of idsTwice(surfaces)) {
          context.addIssue({ code: 'custom', path: [index, 'id'], message });
        }
      }),
    /** What groups of a kind begin with here; the ordinary ones where missing. */
    programmes: z.array(preset).max(3, 'expected one of a kind').default([]),
  })
  .refine((venue) => venue.opens < venue.closes, {
    message: OVER_MIDNIGHT,
    path: ['opens'],
  });
export type VenueFields = z.output<typeof venueFields>;
