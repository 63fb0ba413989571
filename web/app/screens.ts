import type { Type } from '@angular/core';
import type { Station } from '@core/journal';
import { BOARD_KEYS, PIT_EXIT_KEYS, CIRCUIT_KEYS } from '../shared/frame/screen-keys';

/**
 * Every screen, once: from here come its route, its place in the navigation, its key and its line in the palette, the
 * tables of keys and pictures in the README, the walk that looks for faults of accessibility, and its picture.
 */
export interface Screen {
  /** Of its route; `:id` is bound to the component. */
  readonly path: string;
  /** In the title of the page. */
  readonly title: string;
  readonly load: () => Promise<Type<unknown>>;
  /** Parts of it with an address each; the first one is where it opens. */
  readonly parts?: readonly Part[];
  /** How much of the frame it leaves room for: all of it where nothing is said. */
  readonly frame?: 'tablet' | 'phone';
  /** Whoever stands before it can call all-stop and caution there. */
  readonly stops?: true;
  /** Where it stands in the navigation; a screen may hold two stations. */
  readonly places: readonly Place[];
  /** Keys that it takes wherever the focus is outside a field, and what each does. */
  readonly keys?: Readonly<Record<string, string>>;
  /** An address at which it shows something of the demo day. */
  readonly demo: string;
  readonly pictures?: readonly Picture[];
}

interface Part {
  readonly path: string;
  readonly label: string;
  readonly load: () => Promise<Type<unknown>>;
  readonly pictures?: readonly Picture[];
}

/** In `docs/screenshots`, made by `e2e/screenshots.ts`. */
interface Picture {
  readonly file: string;
  readonly caption: string;
}

/** A place of the navigation: a station of the guest's walk, a room of the manager's, or what is used on a phone. */
export interface Place {
  readonly label: string;
  readonly of: 'stations' | 'rooms' | 'phone';
  readonly fragment?: string;
  readonly station?: Station;
  /** The key that opens it from anywhere outside a field. */
  readonly key: string;
}

const station = (label: string, of: Station, key: string, fragment?: string): Place => ({
  label,
  of: 'stations',
  station: of,
  key,
  fragment,
});
const room = (label: string, key: string): Place => ({ label, of: 'rooms', key });
const onPhone = (label: string, key: string): Place => ({ label, of: 'phone', key });
/** In the order of the guest's walk, then of the manager's rooms. */
export const SCREENS: readonly Screen[] = [
  {
    path: 'gate',
    title: 'Gate',
    load: () => import('../features/stations/gate/gate').then((m) => m.Gate),
    places: [station('Gate', 'gate', '1')],
    demo: '/gate',
    pictures: [{ file: 'gate', caption: 'Gate' }],
  },
  {
    path: 'classroom',
    title: 'Classroom',
    load: () => import('../features/stations/classroom/classroom').then((m) => m.Classroom),
    places: [station('Classroom', 'classroom', '2'), station('Sighting', 'sighting', '3', 'sighting')],
    demo: '/classroom',
  },
  {
    path: 'show',
    title: 'Show',
    load: () => import('../features/rooms/show/show').then((m) => m.Show),
    places: [],
    demo: '/show',
    pictures: [{ file: 'show', caption: 'The classroom show' }],
  },
  {
    path: 'show/edit',
    title: 'Show',
    load: () => import('../features/rooms/show/show-editor').then((m) => m.ShowEditor),
    places: [],
    demo: '/show/edit',
  },
  {
    path: 'pit-exit',
    title: 'Pit exit',
    load: () => import('../features/stations/pit-exit/pit-exit').then((m) => m.PitExit),
    frame: 'tablet',
    stops: true,
    keys: PIT_EXIT_KEYS,
    places: [station('Pit exit', 'pitExit', '4'), station('On circuit', 'onCircuit', '5', 'circuit')],
    demo: '/pit-exit',
    pictures: [{ file: 'pit-exit', caption: 'Pit exit, on a tablet' }],
  },
  {
    path: 'debrief',
    title: 'Debrief',
    load: () => import('../features/stations/debrief/debrief').then((m) => m.Debrief),
    places: [station('Debrief', 'debrief', '6')],
    demo: '/debrief',
  },
  {
    path: 'desk',
    title: 'Desk',
    load: () => import('../features/stations/desk/desk').then((m) => m.Desk),
    places: [station('Desk', 'desk', '7')],
    demo: '/desk',
    pictures: [{ file: 'desk', caption: 'Desk' }],
  },
  {
    path: 'board',
    title: 'Board',
    load: () => import('../features/rooms/board/board').then((m) => m.Board),
    keys: BOARD_KEYS,
    places: [room('Board', 'b')],
    demo: '/board',
    pictures: [
      { file: 'board', caption: 'The board' },
      { file: 'board-dusk', caption: 'Three hours of the board, a drive opened' },
      { file: 'proposal', caption: 'A repair proposed after a car was withdrawn' },
    ],
  },
  {
    path: 'free',
    title: 'Still free',
    load: () => import('../features/rooms/free/free').then((m) => m.Free),
    places: [room('Still free', 'f')],
    demo: '/free',
  },
  {
    path: 'bookings',
    title: 'Bookings',
    load: () => import('../features/rooms/bookings/bookings').then((m) => m.Bookings),
    places: [room('Bookings', 'k')],
    demo: '/bookings',
  },
  {
    path: 'groups',
    title: 'Groups',
    load: () => import('../features/rooms/groups/groups').then((m) => m.Groups),
    places: [room('Groups', '8')],
    demo: '/groups',
    pictures: [{ file: 'groups', caption: 'Groups: trains, oval and low grip' }],
  },
  {
    path: 'groups/:id',
    title: 'Group sheet',
    load: () => import('../features/rooms/groups/group-sheet').then((m) => m.GroupSheet),
    places: [],
    demo: '/groups/none',
  },
  {
    path: 'garage',
    title: 'Garage',
    load: () => import('../features/rooms/garage/garage').then((m) => m.Garage),
    places: [room('Garage', 'g')],
    demo: '/garage',
    pictures: [{ file: 'garage', caption: 'Garage' }],
  },
  {
    path: 'circuit',
    title: 'Circuit',
    load: () => import('../features/rooms/circuit/circuit-frame').then((m) => m.CircuitFrame),
    parts: [
      {
        path: 'map',
        label: 'Map',
        load: () => import('../features/rooms/circuit/circuit-editor').then((m) => m.CircuitEditor),
        pictures: [{ file: 'circuit', caption: 'The circuit’s map, lines and cones' }],
      },
      {
        path: 'book',
        label: 'Corner book',
        load: () => import('../features/rooms/circuit/corner-book').then((m) => m.CornerBookScreen),
      },
      {
        path: 'set-out',
        label: 'Set-out',
        load: () => import('../features/rooms/circuit/set-out').then((m) => m.SetOut),
      },
      {
        path: 'cars',
        label: 'Cars on the line',
        load: () => import('../features/rooms/circuit/fleet').then((m) => m.Fleet),
      },
      {
        path: 'calls',
        label: 'Calls',
        load: () => import('../features/phone/calls/call-sheet').then((m) => m.CallSheet),
      },
    ],
    keys: CIRCUIT_KEYS,
    places: [room('Circuit', 't')],
    demo: '/circuit',
  },
  {
    path: 'cars',
    title: 'Cars',
    load: () => import('../features/rooms/cars/cars').then((m) => m.Cars),
    places: [room('Cars', 'c')],
    demo: '/cars',
  },
  {
    path: 'crew',
    title: 'Crew',
    load: () => import('../features/rooms/crew/crew-frame').then((m) => m.CrewFrame),
    parts: [
      { path: 'today', label: 'Today', load: () => import('../features/rooms/crew/crew').then((m) => m.Crew) },
      {
        path: 'roster',
        label: 'Roster and skills',
        load: () => import('../features/rooms/crew/roster').then((m) => m.Roster),
        pictures: [{ file: 'crew', caption: 'Roster and skills' }],
      },
      {
        path: 'faults',
        label: 'Faults',
        load: () => import('../features/rooms/crew/vocabulary').then((m) => m.Vocabulary),
      },
      {
        path: 'teaching',
        label: 'Teaching',
        load: () => import('../features/rooms/crew/teaching').then((m) => m.Teaching),
      },
    ],
    places: [room('Crew', 'r')],
    demo: '/crew',
  },
  {
    path: 'rules',
    title: 'Rules',
    load: () => import('../features/rooms/rules/rules-frame').then((m) => m.RulesFrame),
    parts: [
      {
        path: 'venue',
        label: 'Venue and rules',
        load: () => import('../features/rooms/rules/rules').then((m) => m.RulesScreen),
      },
      {
        path: 'calendar',
        label: 'Calendar',
        load: () => import('../features/rooms/rules/calendar').then((m) => m.CalendarScreen),
      },
      {
        path: 'introduction',
        label: 'Class and circuit',
        load: () => import('../features/rooms/first-steps/introduction').then((m) => m.Introduction),
      },
    ],
    places: [room('Rules', 'u')],
    demo: '/rules',
  },
  {
    path: 'start',
    title: 'First steps',
    load: () => import('../features/rooms/first-steps/first-steps').then((m) => m.FirstSteps),
    places: [room('First steps', 'j')],
    demo: '/start',
  },
  {
    path: 'devices',
    title: 'Devices',
    load: () => import('../features/rooms/devices/devices').then((m) => m.Devices),
    places: [room('Devices', 'v')],
    demo: '/devices',
  },
  {
    path: 'close',
    title: 'Close',
    load: () => import('../features/rooms/close/close').then((m) => m.Close),
    places: [room('Close', 'z')],
    demo: '/close',
  },
  {
    path: 'counter',
    title: 'Counter',
    load: () => import('../features/stations/counter/counter').then((m) => m.Counter),
    frame: 'phone',
    stops: true,
    places: [onPhone('Counter', 'o')],
    demo: '/counter',
    pictures: [
      { file: 'counter-phone', caption: 'The instructor’s counter, on a phone' },
      { file: 'parking-phone', caption: 'At the parked car, on a phone' },
    ],
  },
  {
    path: 'lead',
    title: 'Lead a group',
    load: () => import('../features/phone/lead/lead').then((m) => m.Lead),
    frame: 'phone',
    stops: true,
    places: [onPhone('Lead', '9')],
    demo: '/lead',
    pictures: [{ file: 'lead-phone', caption: 'Leading a train, on a phone' }],
  },
  {
    path: 'calls',
    title: 'Calls',
    load: () => import('../features/phone/calls/call-sheet').then((m) => m.CallSheet),
    frame: 'phone',
    places: [onPhone('Calls', 'y')],
    demo: '/calls',
    pictures: [{ file: 'calls-phone', caption: 'Calls, on a phone' }],
  },
  {
    path: 'set-out',
    title: 'Set-out',
    load: () => import('../features/rooms/circuit/set-out').then((m) => m.SetOut),
    frame: 'phone',
    places: [onPhone('Cones', 'e')],
    demo: '/set-out',
  },
  {
    path: 'record',
    title: 'Record',
    load: () => import('../features/rooms/circuit/record').then((m) => m.RecordCircuit),
    frame: 'phone',
    places: [onPhone('Record', 'q')],
    demo: '/record',
  },
  {
    path: 'handover',
    title: 'Handover',
    load: () => import('../features/phone/handover/handover').then((m) => m.HandoverScreen),
    frame: 'phone',
    places: [onPhone('Handover', 'w')],
    demo: '/handover',
    pictures: [{ file: 'talk-phone', caption: 'Handover and the talk in the car, on a phone' }],
  },
  {
    path: 'marks/:id',
    title: 'Marks',
    load: () => import('../features/stations/marks/marks').then((m) => m.Marks),
    frame: 'phone',
    places: [],
    demo: '/marks/LK-1043-1',
    pictures: [{ file: 'marks-phone', caption: 'Marks, on the walk back' }],
  },
  {
    path: 'guests/:id',
    title: 'Guest',
    load: () => import('../features/rooms/guest-card/guest-card').then((m) => m.GuestCard),
    places: [],
    demo: '/guests/lk-1049',
    pictures: [{ file: 'guest-card', caption: 'Guest card' }],
  },
  {
    path: 'results/:id',
    title: 'Results',
    load: () => import('../features/rooms/progress/results').then((m) => m.Results),
    frame: 'phone',
    places: [],
    demo: '/results/lk-1041',
    pictures: [{ file: 'results', caption: 'What a guest takes home' }],
  },
  {
    path: 'times/:id',
    title: 'Times',
    load: () => import('../features/rooms/progress/times').then((m) => m.Times),
    frame: 'phone',
    places: [],
    demo: '/times/lk-1057',
  },
  {
    path: 'party/:id',
    title: 'Party',
    load: () => import('../features/rooms/progress/party').then((m) => m.Party),
    places: [],
    demo: '/party/Brandt',
  },
];

/** A place with the address to which it leads. */
export type PlaceAt = Place & { readonly path: string };

/** Rooms first, as they are looked for most. */
const GROUPS: readonly Place['of'][] = ['rooms', 'phone', 'stations'];

export const PLACES: readonly PlaceAt[] = SCREENS.flatMap(({ path, places }) =>
  places.map((place) => ({ ...place, path: `/${path}` })),
).sort((a, b) => GROUPS.indexOf(a.of) - GROUPS.indexOf(b.of));
