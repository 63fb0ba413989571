import { bookingFields, type BookingFields } from '@core/api';
import type { GroupFields } from '@core/day';
import { PRESETS, type FollowProgramme, type LowGripProgramme, type ThrottleProgramme } from '@core/programmes';

/**
 * A Saturday at Larkmere on which people drive in other ways: a convoy in the morning, an oval hour, a rotation of three teams on
 * the pan after lunch, and six rides; with a few coached drives beside them.
 */
export const PROGRAMMES_DATE = '2027-06-05';

interface Sketch {
  readonly reference: string;
  readonly name: string;
  readonly arrives: string;
  readonly drives?: readonly {
    readonly cars: string[];
    readonly laps: number;
    readonly ride?: { readonly seats: number };
  }[];
}

const people = (letter: string, arrives: string, names: readonly string[]): Sketch[] =>
  names.map((name, place) => ({ reference: `P-${letter}${place + 1}`, name, arrives }));

const CONVOY = people('C', '09:00', ['Runa Westby', 'Otis Valkama', 'Mireia Sant', 'Jens Kofoed']);
const OVAL = people('O', '11:00', ['Petra Sallow', 'Idris Bell', 'Tove Almgren', 'Casper Reed']);
const PAN = people('L', '13:15', [
  'Alma Fjord',
  'Niko Brandal',
  'Greta Solheim',
  'Tariq Osman',
  'Elin Varg',
  'Pavel Hruby',
  'Siri Dunmore',
]);
const RIDERS: Sketch[] = ['Maud Keller', 'Bo Thirsk', 'Lina Farr', 'Abel Stroud', 'Noor Vance', 'Ivar Stenn'].map(
  (name, place) => ({
    ...{ reference: `P-R${place + 1}`, name, arrives: place < 3 ? '10:30' : '15:30' },
    drives: [{ cars: ['c9', 'c10', 'c12'], laps: 2, ride: { seats: 1 } }],
  }),
);
const COACHED: Sketch[] = [
  { reference: 'P-D1', name: 'Hedvig Moor', arrives: '09:00', drives: [{ cars: ['c7', 'c8'], laps: 5 }] },
  { reference: 'P-D2', name: 'Simon Airey', arrives: '09:30', drives: [{ cars: ['c10'], laps: 6 }] },
  { reference: 'P-D3', name: 'Ottilie Brandt', arrives: '10:00', drives: [{ cars: ['c9'], laps: 5 }] },
  { reference: 'P-D4', name: 'Emil Tarn', arrives: '13:00', drives: [{ cars: ['c4', 'c5'], laps: 7 }] },
  { reference: 'P-D5', name: 'Rosa Quill', arrives: '13:30', drives: [{ cars: ['c7', 'c8'], laps: 5 }] },
  { reference: 'P-D6', name: 'Jakob Linde', arrives: '14:00', drives: [{ cars: ['c12'], laps: 5 }] },
];

export function programmesBookings(): BookingFields[] {
  return [...CONVOY, ...OVAL, ...PAN, ...RIDERS, ...COACHED].map(({ reference, name, arrives, drives = [] }) =>
    bookingFields.parse({
      ...{ reference, name, arrives, languages: ['en'], pace: 'before', touch: true, sequence: 'any' },
      ...{ price: 0, paid: 0, briefed: false, sighted: false, avoidInstructors: [], preferInstructors: [] },
      drives: drives.map((drive, place) => ({ id: `${reference}-${place + 1}`, ...drive })),
    }),
  );
}

const members = (sketches: readonly Sketch[]) => sketches.map(({ reference }) => reference.toLowerCase());
const at = (hours: number, minutes = 0) => hours * 3600 + minutes * 60;
const { follow, throttle, lowGrip } = PRESETS;

export const PROGRAMMES_GROUPS: readonly (GroupFields & { readonly id: string })[] = [
  {
    ...follow,
    id: 'demo-convoy',
    name: 'Convoy at ten',
    roles: [{ role: 'lead', count: 1 }],
    programme: {
      ...(follow.programme as FollowProgramme),
      change: { after: 2, how: 'straight', place: 'the Runway', side: 'right', slowToKmh: 60, takesS: 15 },
    },
    surface: 'circuit',
    members: members(CONVOY),
    cars: ['c1', 'c2', 'c3', 'c4'],
    leadCars: ['c6'],
    notBefore: at(9, 30),
    endsBy: at(12),
  },
  {
    ...throttle,
    id: 'demo-oval',
    name: 'Oval hour',
    roles: [
      { role: 'spotter', count: 1 },
      { role: 'blocker', count: 1 },
    ],
    programme: {
      ...(throttle.programme as ThrottleProgramme),
      hold: 'the lower lane',
      pushed: true,
      lanes: ['lake lane', 'hangar lane'],
    },
    surface: 'oval',
    members: members(OVAL),
    cars: ['c7', 'c8'],
    notBefore: at(11, 15),
  },
  {
    ...lowGrip,
    id: 'demo-pan',
    name: 'Wet pan',
    roles: [
      { role: 'lead', count: 1 },
      { role: 'spotter', count: 2 },
    ],
    programme: {
      ...(lowGrip.programme as LowGripProgramme),
      runsEach: 1,
      stopPhrase: 'All stop',
      recovery: { vehicle: 'The tender', takesS: 300 },
    },
    surface: 'pan',
    members: members(PAN),
    cars: ['c1', 'c2', 'c3', 'c11'],
    carCount: 3,
    leadCars: ['c6'],
    notBefore: at(13, 30),
  },
];
