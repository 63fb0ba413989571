import {
  ORDINARY_COACHING,
  ORDINARY_GATE,
  ORDINARY_INTRODUCTION,
  ORDINARY_LIVE,
  type VenueFields,
} from '@core/venue/settings';
import type { CarFields } from '@core/venue/fleet';
import { ORDINARY_RULES, type Instructor } from '@core/day';
import { CAR_MODELS, CAR_TALK } from './models';

/** The demo venue, invented from end to end: a disused seaplane base on a lake island. */

export const DEMO_DATE = '2027-05-22';
export const DEMO_VENUE = 'Larkmere Flying-Boat Station';
export const DEMO_SEED = 88;
/** Of the crew, which plays the morning and goes on from there. */
export const CREW_SEED = 5;
const at = (hours: number, minutes = 0) => hours * 3600 + minutes * 60;
/** The morning is in the journal up to this time of day. */
export const DEMO_STARTS_S = at(11, 10);

const OPENS = at(8, 30);
const CLOSES = at(18);
const allDay = [{ from: OPENS, to: CLOSES }];

export const LARKMERE: VenueFields = {
  name: DEMO_VENUE,
  timeZone: 'Atlantic/Faroe',
  currency: 'EUR',
  opens: OPENS,
  closes: CLOSES,
  condition: { name: 'dry', paceFactor: 1 },
  circuit: {
    name: 'Slipway',
    lapLengthM: 2310,
    closures: [{ from: at(12, 30), to: at(13), reason: 'quiet half-hour' }],
  },
  rules: {
    ...ORDINARY_RULES,
    firstLapFactor: 1.12,
    outLapCounts: true,
    rides: { setUpS: 150, wrapUpS: 120, mostBeside: 3 },
  },
  paces: { first: 1.25, before: 1.12, quick: 1 },
  sightingVehicles: [
    { id: 's1', name: 'Heron', seats: 6, lapTimeS: 112, available: allDay },
    { id: 's2', name: 'Grebe', seats: 6, lapTimeS: 112, available: allDay },
  ],
  pitExit: {
    lastCheck: ['Strap', 'Belts', 'Mirrors', 'Recorder', 'Name slate', 'Gearbox'],
    wayIn: 'In at the anchor board, second lane',
  },
  coaching: { ...ORDINARY_COACHING, passing: 'named' },
  live: ORDINARY_LIVE,
  gate: { ...ORDINARY_GATE, own: ['uneasy in narrow seats'] },
  introduction: ORDINARY_INTRODUCTION,
  putOff: [],
  surfaces: [
    { id: 'oval', name: 'Hangar oval', kind: 'oval', lapLengthM: 900, limit: 2, available: allDay, closures: [] },
    {
      ...{ id: 'pan', name: 'Wash-down pan', kind: 'pan', limit: 4, available: allDay, closures: [] },
      zones: [
        { kind: 'gate', xM: 2, yM: 6, widthM: 2, heightM: 12 },
        { kind: 'slick', station: 'Slalom', xM: 8, yM: 3, widthM: 56, heightM: 16 },
        { kind: 'loose', station: 'Circle', xM: 70, yM: 3, widthM: 36, heightM: 34 },
        { kind: 'slick', station: 'Full course', xM: 8, yM: 24, widthM: 56, heightM: 26 },
        { kind: 'safety', xM: 2, yM: 54, widthM: 106, heightM: 10 },
      ],
    },
  ],
  programmes: [],
  calendar: {
    weekStartsOn: 1,
    patterns: [{ weekdays: [6], from: '05-01', to: '09-30' }],
    closed: [{ from: '2027-07-10', to: '2027-07-10', reason: 'harbour festival' }],
  },
};

/** The demo's devices; their key is no secret, as they run on the same machine. */
export const DEMO_DEVICES = [
  { id: 'loop', name: 'Timing loop', kind: 'timing' },
  { id: 'trackers', name: 'Car trackers', kind: 'tracker' },
] as const;
export const DEMO_DEVICE_KEY = 'larkmere-flying-boat-station-demo';

type Sketch = [number, string, number, number, CarFields['gearboxes'], number, number, CarFields['fit']?];

const SKETCHES: Sketch[] = [
  // number, name, level, lap time, gearboxes, litres a lap, litres at opening, fit
  [1, 'Dunnock Cup', 1, 88, ['auto', 'paddle'], 0.9, 38],
  [2, 'Marram Roadster', 2, 84, ['auto', 'paddle'], 1.1, 44, { maxHeightCm: 194 }],
  [3, 'Tessel Turbo', 2, 82, ['auto', 'paddle'], 1.2, 40],
  [4, 'Halyard GT', 3, 79, ['auto', 'paddle'], 1.5, 52],
  [5, 'Halyard GT', 3, 79, ['auto', 'paddle'], 1.5, 61],
  [6, 'Pellworm Sella', 3, 78, ['paddle', 'auto'], 1.4, 45],
  [7, 'Vessant 610', 4, 75, ['auto', 'paddle'], 1.8, 58],
  [8, 'Vessant 610', 4, 75, ['auto', 'paddle'], 1.8, 66],
  [9, 'Sabrel R', 4, 74, ['auto', 'paddle'], 1.7, 49],
  [10, 'Ilmarin Twelve', 5, 73, ['auto', 'paddle'], 2.2, 70, { maxWeightKg: 125 }],
  [11, 'Corrin Open', 3, 77, ['paddle', 'auto'], 1, 35, { minHeightCm: 155, maxHeightCm: 190, maxWeightKg: 105 }],
  [12, 'Oskarra Nine', 5, 71, ['auto', 'paddle'], 2.3, 62, { maxHeightCm: 196 }],
];

/** The colour of each car, in the order of their numbers. */
const COLOURS = '#7f9a6b #c9b458 #5e8ca8 #a34b3f #e3dccb #8c6aa0 #c0564b #f0ead8 #3e4a57 #2f6d73 #e0a84b #6e6459'.split(
  ' ',
);
/** What a lap costs in a car of each level, 1 to 5. */
const LAP_PRICES = [14, 18, 24, 32, 42];

export const FLEET: CarFields[] = SKETCHES.map(([number, name, level, lapTimeS, gearboxes, perLapL, startL, fit]) => ({
  id: `c${number}`,
  number,
  name,
  colour: COLOURS[number - 1],
  level,
  lapTimeS,
  gearboxes,
  available: allDay,
  fuel: { capacityL: number === 11 ? 45 : 75, startL, reserveL: 10, perLapL, refuelS: 480 },
  cooling: { afterLaps: level >= 4 ? 21 : 28, restS: 900 },
  fit,
  lapPrice: LAP_PRICES[level - 1]!,
  ...(level >= 4 && { ride: { lapTimeS: lapTimeS - 7, seats: 1 }, ridePrice: 25 }),
  stall: number,
  model: CAR_MODELS[number],
  talk: CAR_TALK[number],
  wear: { brakesMJ: level >= 4 ? 14_000 : 16_000, tyresKm: level >= 4 ? 900 : 1400, clutchStarts: 900 },
}));

const LUNCH = { from: at(11, 30), to: at(14), durationS: 1800 };

const crew = (
  id: string,
  name: string,
  languages: string[],
  more: Partial<Pick<Instructor, 'cars' | 'available' | 'brief' | 'sighting' | 'levelLaps'>> = {},
): Instructor => ({
  id,
  name,
  cars: 'all',
  languages,
  available: [{ from: OPENS, to: at(17, 30) }],
  maxSeatS: 5400,
  restS: 900,
  meal: LUNCH,
  maxLaps: 130,
  brief: false,
  sighting: true,
  ...more,
});

export const CREW: Instructor[] = [
  crew('i1', 'Odile Varga', ['en', 'fr', 'it'], { brief: true }),
  crew('i2', 'Tomasz Ilgen', ['en', 'pl', 'de'], { brief: true }),
  crew('i3', 'Anselm Holt', ['en', 'de']),
  crew('i4', 'Ife Okoro', ['en', 'fr'], { levelLaps: { '5': 40 } }),
  crew('i5', 'Maja Sund', ['en', 'de', 'nl'], { brief: true }),
  crew('i6', 'Bram Tamm', ['en', 'nl'], { cars: ['c1', 'c2', 'c3', 'c4', 'c5', 'c6', 'c11'] }),
  crew('i7', 'Lucia Reyes', ['en', 'es', 'pt'], { brief: true }),
  crew('i8', 'Piers Bexley', ['en'], { available: [{ from: OPENS, to: at(14) }], levelLaps: { '5': 30 } }),
  crew('i9', 'Yuki Arata', ['en', 'ja'], { sighting: false }),
  crew('i10', 'Sanna Joensen', ['en', 'fo', 'de'], { available: [{ from: at(9), to: CLOSES }] }),
];
