import { bookingFields, type BookingFields } from '@core/venue/booking';
import {
  type GroupFields,
  PRESETS,
  type FollowProgramme,
  type LowGripProgramme,
  type ThrottleProgramme,
} from '@core/programmes';

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

/** Who drives in which way on a day, in the order of the start. */
export interface Cast {
  /** Of the references and of the ids of the groups. */
  readonly prefix: string;
  readonly convoy: readonly string[];
  readonly oval: readonly string[];
  readonly pan: readonly string[];
  readonly riders: readonly string[];
}

/** Of the Saturday on which little else goes on. */
export const SATURDAY: Cast = {
  prefix: 'P',
  convoy: ['Runa Westby', 'Otis Valkama', 'Mireia Sant', 'Jens Kofoed'],
  oval: ['Petra Sallow', 'Idris Bell', 'Tove Almgren', 'Casper Reed'],
  pan: ['Alma Fjord', 'Niko Brandal', 'Greta Solheim', 'Tariq Osman', 'Elin Varg', 'Pavel Hruby', 'Siri Dunmore'],
  riders: ['Maud Keller', 'Bo Thirsk', 'Lina Farr', 'Abel Stroud', 'Noor Vance', 'Ivar Stenn'],
};

/** Of the demo day, beside its forty guests. */
export const DEMO_CAST: Cast = {
  prefix: 'G',
  convoy: ['Liv Ostrander', 'Benno Hale', 'Amina Sorrel', 'Rurik Thane'],
  oval: ['Della Marsh', 'Eino Kallas', 'Pia Verrall', 'Goran Tisk'],
  pan: ['Wilma Strand', 'Dario Penn', 'Ylva Roche', 'Hugo Aspen', 'Mina Calder', 'Sten Orlo', 'Freya Lund'],
  riders: ['Otto Briar', 'Celia Moss', 'Jarl Pim', 'Ada Thorne', 'Nils Corby', 'Vera Lisle'],
};

const COMES = { convoy: '09:00', oval: '11:00', pan: '13:15' } as const;
const referenceOf = ({ prefix }: Cast, what: keyof Cast, place: number) =>
  `${prefix}-${what.charAt(0).toUpperCase()}${place + 1}`;

/** Half of the rides are in the morning, half in a row at the end of the day. */
function sketchesOf(cast: Cast): Sketch[] {
  const groups = (Object.keys(COMES) as (keyof typeof COMES)[]).flatMap((what) =>
    cast[what].map((name, place): Sketch => ({
      reference: referenceOf(cast, what, place),
      name,
      arrives: COMES[what],
    })),
  );
  const riders = cast.riders.map((name, place): Sketch => ({
    ...{ reference: referenceOf(cast, 'riders', place), name, arrives: place < 3 ? '10:30' : '15:30' },
    drives: [{ cars: ['c9', 'c10', 'c12'], laps: 2, ride: { seats: 1 } }],
  }));
  return [...groups, ...riders];
}

const COACHED: Sketch[] = [
  { reference: 'P-D1', name: 'Hedvig Moor', arrives: '09:00', drives: [{ cars: ['c7', 'c8'], laps: 5 }] },
  { reference: 'P-D2', name: 'Simon Airey', arrives: '09:30', drives: [{ cars: ['c10'], laps: 6 }] },
  { reference: 'P-D3', name: 'Ottilie Brandt', arrives: '10:00', drives: [{ cars: ['c9'], laps: 5 }] },
  { reference: 'P-D4', name: 'Emil Tarn', arrives: '13:00', drives: [{ cars: ['c4', 'c5'], laps: 7 }] },
  { reference: 'P-D5', name: 'Rosa Quill', arrives: '13:30', drives: [{ cars: ['c7', 'c8'], laps: 5 }] },
  { reference: 'P-D6', name: 'Jakob Linde', arrives: '14:00', drives: [{ cars: ['c12'], laps: 5 }] },
];

/** The bookings of those who drive in other ways; on the Saturday with a few coached drives beside them. */
export function programmesBookings(cast: Cast): BookingFields[] {
  const sketches = [...sketchesOf(cast), ...(cast === SATURDAY ? COACHED : [])];
  return sketches.map(({ reference, name, arrives, drives = [] }) =>
    bookingFields.parse({
      ...{ reference, name, arrives, languages: ['en'], pace: 'before', touch: true, sequence: 'any' },
      ...{ price: 0, paid: 0, briefed: false, sighted: false, avoidInstructors: [], preferInstructors: [] },
      drives: drives.map((drive, place) => ({ id: `${reference}-${place + 1}`, ...drive })),
    }),
  );
}

const at = (hours: number, minutes = 0) => hours * 3600 + minutes * 60;
const { follow, throttle, lowGrip } = PRESETS;

type KnownGroup = GroupFields & { readonly id: string };

/** A convoy of a leader and four in the morning, an oval hour, and a rotation of three teams on the pan after lunch. */
export function programmesGroups(cast: Cast): readonly KnownGroup[] {
  const own = (what: keyof typeof COMES) => ({
    id: `${cast.prefix.toLowerCase()}-${what}`,
    members: cast[what].map((_, place) => referenceOf(cast, what, place).toLowerCase()),
  });
  return [
    {
      ...follow,
      ...own('convoy'),
      name: 'Convoy at ten',
      roles: [{ role: 'lead', count: 1 }],
      programme: {
        ...(follow.programme as FollowProgramme),
        change: { after: 2, how: 'straight', place: 'the Runway', side: 'right', slowToKmh: 60, takesS: 15 },
      },
      surface: 'circuit',
      cars: ['c1', 'c2', 'c3', 'c4'],
      leadCars: ['c6'],
      notBefore: at(9, 30),
      endsBy: at(12),
    },
    {
      ...throttle,
      ...own('oval'),
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
      cars: ['c7', 'c8'],
      notBefore: at(11, 15),
    },
    {
      ...lowGrip,
      ...own('pan'),
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
      cars: ['c1', 'c2', 'c3', 'c11'],
      carCount: 3,
      leadCars: ['c6'],
      notBefore: at(13, 30),
    },
  ];
}
