import type { DayState, EntryKind, JournalEntry } from '../../journal';

/** What of an entry says whose it is. */
interface Spoken {
  readonly kind: EntryKind;
  readonly by: string;
  /** Of what is sold. */
  readonly price?: number | undefined;
}

/** Where the people of a venue stand. */
export const CREW_STATIONS = ['gate', 'classroom', 'cars', 'pitExit', 'garage', 'desk'] as const;
export type CrewStation = (typeof CREW_STATIONS)[number];

/** Somebody's post on a practice day: a station, or one instructor at the cars. */
export interface Post {
  readonly station: CrewStation;
  /** Only at the cars. */
  readonly instructor?: string;
}

/** Entries of the simulated crew are known by their ids, on the day and ever after. */
const CREW_ID = /^crew-/;

export function isByCrew({ id }: Pick<JournalEntry, 'id'>): boolean {
  return CREW_ID.test(id);
}

/** An id for an entry of the simulated crew. */
export function crewId(unique: string): string {
  return `crew-${unique}`;
}

export function samePost(some: Post, other: Post): boolean {
  return some.station === other.station && some.instructor === other.instructor;
}

/** At the exit or in the car: whose it is follows from who says so. */
const EITHER = 'either';
/** What the manager decides, what devices see, and what anybody may say from anywhere. */
const NOBODYS = 'nobodys';

/** Whose each kind of entry is: a kind that is missing does not compile. */
const WHOSE: Readonly<Record<EntryKind, CrewStation | typeof EITHER | typeof NOBODYS>> = {
  guestArrived: 'gate',
  waiverSigned: 'gate',
  licenceSeen: 'gate',
  helmetFitted: 'gate',
  guestAnswered: 'gate',
  guestFitted: 'gate',
  guestNoShow: 'gate',
  guestLate: 'gate',
  classBegan: 'classroom',
  classEnded: 'classroom',
  answersCounted: 'classroom',
  answerMissed: 'classroom',
  guestSentFor: 'classroom',
  guestFound: 'desk',
  seated: 'cars',
  unseated: 'cars',
  parked: 'cars',
  driveMarked: 'cars',
  debriefed: 'cars',
  handoverSeen: 'cars',
  intervened: 'cars',
  lapCounted: EITHER,
  lapSpoiled: EITHER,
  extraLapGranted: EITHER,
  extraLapAsked: 'cars',
  talkTicked: 'cars',
  extraLapRefused: 'pitExit',
  lapsSettled: EITHER,
  brokenOff: EITHER,
  broughtIn: EITHER,
  incident: EITHER,
  lastCheckDone: 'pitExit',
  released: 'pitExit',
  sightingBegan: 'pitExit',
  sightingEnded: 'pitExit',
  circuitCleared: 'pitExit',
  flagCalled: NOBODYS,
  flagExplained: NOBODYS,
  groupBegan: NOBODYS,
  groupReleased: NOBODYS,
  groupLapCounted: NOBODYS,
  groupOrdered: NOBODYS,
  memberOut: NOBODYS,
  memberBack: NOBODYS,
  radioTested: NOBODYS,
  radioLost: NOBODYS,
  spacingCalled: NOBODYS,
  groupStopped: NOBODYS,
  groupGoes: NOBODYS,
  memberMarked: NOBODYS,
  groupEnded: NOBODYS,
  turnBegan: NOBODYS,
  turnLapCounted: NOBODYS,
  stepSet: NOBODYS,
  turnEnded: NOBODYS,
  stationRun: NOBODYS,
  stationOpened: NOBODYS,
  refuelBegan: 'garage',
  refuelEnded: 'garage',
  carHeld: 'garage',
  carReady: 'garage',
  carsCounted: 'garage',
  faultFound: 'garage',
  faultMended: 'garage',
  fuelRead: 'garage',
  serviced: 'garage',
  cardMoved: 'garage',
  carStalled: 'garage',
  walkRoundDone: 'garage',
  deskDone: 'desk',
  moneyReceived: 'desk',
  recordingMoved: 'desk',
  guestLeft: 'desk',
  guestUnwell: NOBODYS,
  guestWell: NOBODYS,
  owedAgreed: 'desk',
  lapsMadeUp: NOBODYS,
  noteTaken: NOBODYS,
  breakBegan: NOBODYS,
  crewAway: NOBODYS,
  crewBack: NOBODYS,
  crewHours: NOBODYS,
  runningLate: NOBODYS,
  conesChecked: NOBODYS,
  coneDoubted: NOBODYS,
  circuitClosed: NOBODYS,
  closingMoved: NOBODYS,
  conditionChanged: NOBODYS,
  lineCrossed: NOBODYS,
  planAccepted: NOBODYS,
  timesSlid: NOBODYS,
  leftAsIs: NOBODYS,
  dayClosed: NOBODYS,
  correction: NOBODYS,
};

/**
 * The post at which something is entered; nothing where it belongs to none.
 *
 * @param entry what is entered, with who says so
 */
export function postOf(entry: Spoken, state: DayState): Post | undefined {
  // A lap is given at the exit or in the car, and sold at the desk.
  const whose = entry.price === undefined ? WHOSE[entry.kind] : 'desk';
  if (whose === NOBODYS) return undefined;
  const speaker = [...state.crew.values()].find(({ instructor }) => instructor.name === entry.by)?.instructor.id;
  if (whose === EITHER)
    return speaker === undefined ? { station: 'pitExit' } : { station: 'cars', instructor: speaker };
  if (whose !== 'cars') return { station: whose };
  const instructor = instructorIn(entry, state) ?? speaker;
  return instructor === undefined ? undefined : { station: 'cars', instructor };
}

function instructorIn(entry: object, state: DayState): string | undefined {
  if ('instructor' in entry && typeof entry.instructor === 'string') return entry.instructor;
  return 'drive' in entry && typeof entry.drive === 'string' ? state.drives.get(entry.drive)?.instructor : undefined;
}
