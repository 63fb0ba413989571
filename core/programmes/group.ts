import * as z from 'zod';
import { programme } from './programme';
import { CIRCUIT, GROUP_ROLES } from './ordinary';
import { durationS, id, lapTimeS, name, seats, timeOfDay, timeWindow } from '../values';

/** People who go out together, where they do, and what that takes: version 2 of the day file. */

const closures = z.array(
  z
    .strictObject({ from: timeOfDay, to: timeOfDay, reason: z.string().max(500).optional() })
    .refine((closure) => closure.from < closure.to, { message: 'expected "from" to be before "to"', path: ['from'] }),
);

export const ZONE_KINDS = ['slick', 'loose', 'safety', 'gate'] as const;
/** What a part of a surface is: where it is slick or loose, where nobody slides, and where a run begins. */
export type ZoneKind = (typeof ZONE_KINDS)[number];

const alongM = z.number().min(0).max(2000);
/** A rectangle of a surface, metres from its upper left corner. */
const zone = z.strictObject({
  kind: z.enum(ZONE_KINDS),
  /** The station that lies there, by its name. */
  station: name.optional(),
  xM: alongM,
  yM: alongM,
  widthM: alongM.min(1),
  heightM: alongM.min(1),
});
export type Zone = z.output<typeof zone>;

/** A place to drive beside the circuit. */
export const surface = z.strictObject({
  id: id.refine((own) => own !== CIRCUIT, `"${CIRCUIT}" is the circuit itself`),
  name,
  kind: z.enum(['oval', 'pan']),
  lapLengthM: z.number().positive().max(30_000).optional(),
  /** Vehicles on it at once. */
  limit: z.number().int().min(1).max(200),
  available: z.array(timeWindow),
  closures,
  /** Its parts, for those who look at it; nothing of the plan depends on them. */
  zones: z.array(zone).max(40).optional(),
});
export type Surface = z.output<typeof surface>;

export const group = z.strictObject({
  id,
  name,
  programme,
  /** `circuit`, or the id of a surface. */
  surface: id,
  members: z.array(id).min(1, 'expected at least one guest').max(60),
  /** Those that the guests may drive. */
  cars: z.array(id).min(1, 'expected at least one car'),
  /** Cars that are shared: so many of them. In a train everybody has an own one. */
  carCount: z.number().int().min(1).max(60).optional(),
  /** One of these goes in front. */
  leadCars: z.array(id).optional(),
  /** Staff cars slotted into the train, all of them. */
  staffCars: z.array(id).optional(),
  roles: z.array(
    z.strictObject({
      role: z.enum(GROUP_ROLES),
      count: z.number().int().min(1).max(20),
      /** Only these; anybody with the duty where missing. */
      people: z.array(id).optional(),
    }),
  ),
  setUpS: durationS,
  wrapUpS: durationS,
  /** Guests sit in the class before. */
  needsBriefing: z.boolean(),
  notBefore: timeOfDay.optional(),
  endsBy: timeOfDay.optional(),
  pin: z.strictObject({ release: timeOfDay }).optional(),
});
export type Group = z.output<typeof group>;

/** What groups of a kind begin with at a venue: all but who, where and when. */
export const preset = group.pick({ programme: true, roles: true, setUpS: true, wrapUpS: true, needsBriefing: true });
export type Preset = z.output<typeof preset>;

/** A group as it is set up; its id is given by the server. */
export const groupFields = group.omit({ id: true });
export type GroupFields = z.output<typeof groupFields>;

/** When and where instructors may drive guests at full pace. */
export const rides = z.strictObject({
  setUpS: durationS,
  wrapUpS: durationS,
  /** Most other vehicles on the circuit at the same time. */
  mostBeside: z.number().int().min(0).max(1000).optional(),
  /** Only in these stretches of the day. */
  only: z.array(timeWindow).optional(),
});

/** What a car needs to be known of to give rides in it: a lap at full pace, and seats beside the driver. */
export const rideCar = z.strictObject({ lapTimeS, seats });
