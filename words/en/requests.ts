import { clockMinute } from '@core/values';
import type { NamedThing, RecordName, RequestRefusal } from '@core/api';
import { tell, type ByCode } from '../by-code';

const THINGS: Readonly<Record<NamedThing, string>> = {
  address: 'address',
  page: 'page',
  eventDay: 'event day',
  plan: 'plan',
  booking: 'booking',
  group: 'group',
  guest: 'guest',
  drive: 'drive',
  car: 'car',
  instructor: 'instructor',
  device: 'device',
  phone: 'phone',
  certificate: 'certificate of its own',
  fault: 'fault',
  ownWords: 'word of the venue’s own for the fault',
  rosterEntry: 'such entry of the roster',
  picture: 'picture',
  circuit: 'circuit: import or draw one first',
};
/** Ids that people read as they are. */
const PLAIN_IDS: ReadonlySet<NamedThing> = new Set(['address', 'eventDay', 'plan']);

function recordName({ kind, name }: RecordName): string {
  if (kind === 'venue') return 'the rules';
  if (kind === 'show') return 'the show';
  if (kind === 'circuit') return 'the circuit';
  if (kind === 'rosterEntry') return 'this entry of the roster';
  return kind === 'booking' ? `the booking of ${name}` : (name ?? THINGS[kind]);
}

function megabytes(bytes: number): string {
  if (bytes >= 1e9) return `${bytes / 1e9} GB`;
  return bytes >= 1e6 ? `${Math.round(bytes / 2 ** 20)} MB` : `${Math.round(bytes / 1024)} kB`;
}

/** Why a request is refused; with its full stop. */
export function requestWords(refusal: RequestRefusal): string {
  const sentences: ByCode<RequestRefusal> = {
    notThere: ({ subjects: { id, date }, values: { kind } }) => {
      if (kind === 'address') return `There is no ${id}.`;
      const called = id === undefined ? '' : PLAIN_IDS.has(kind) ? ` ${id}` : ` "${id}"`;
      return `There is no ${THINGS[kind]}${called}${date === undefined ? '' : ` on ${date}`}.`;
    },
    idTaken: ({ subjects, values }) => `There is a ${THINGS[values.kind]} with the id "${subjects.id}" already.`,
    idIsACars: ({ subjects }) => `A car has the id "${subjects.id}" already; a sighting vehicle needs one of its own.`,
    idIsAVehicles: ({ subjects }) =>
      `A sighting vehicle has the id "${subjects.id}" already; a car needs one of its own.`,
    otherEntryHasId: () => 'Another entry has this id already.',
    dayThere: ({ subjects }) => `The event day ${subjects.date} is there already.`,
    dayInUse: ({ subjects }) =>
      `${subjects.date} has bookings, a plan or a journal: move them first, then the day can be taken out.`,
    changedMeanwhile: ({ values }) =>
      `Somebody else has changed ${recordName(values.what)} meanwhile. Nothing of yours is saved yet.`,
    acceptedMeanwhile: ({ values: { revision, author, reason } }) =>
      `${author} has accepted plan ${revision} meanwhile (${reason}). Look at it first.`,
    keepsChanging: () => 'The bookings change again and again while the list is read; try once more.',
    baseGone: () => 'The plan that this would change is not there.',
    planningAlready: () => 'A plan is being looked for already; stop it or wait for it.',
    faulty: ({ values: { part, first, more } }) =>
      `The ${part === 'address' ? 'address' : 'request'} is faulty: ${first.path}: ${first.message}${more > 0 ? `, and ${more} more` : ''}.`,
    unreadableFile: ({ values }) => `This file cannot be read: ${values.why.replace(/\.$/, '')}.`,
    unreadableList: ({ values }) => `The list cannot be read: ${values.why}.`,
    noCalendar: ({ values }) => values.why,
    faultyFile: ({ subjects, values: { first } }) =>
      `${subjects.file} cannot be read: ${first.path}: ${first.message}.`,
    faultyCircuit: ({ values: { first } }) => `This circuit cannot be driven: ${first.path}: ${first.message}.`,
    faultyCue: ({ values: { first } }) => `This cannot be said in a car: ${first.message}.`,
    notJson: () => 'The request is not JSON.',
    unreadableRequest: () => 'The request cannot be read.',
    unknownFormat: () => 'Expected a file named .geojson, .json, .csv or .gpx.',
    notAPicture: () => 'Send a JPEG, PNG or WebP picture.',
    otherContent: ({ values }) => `Expected ${values.json ? 'JSON' : 'another kind of content'}, got "${values.got}".`,
    tooLarge: ({ values }) => `The request is over ${megabytes(values.mostBytes)}; send a smaller file.`,
    tooManyLines: ({ values }) => `At most ${values.most} at a time: send fewer, or later.`,
    picturesFull: ({ values }) =>
      `The pictures of this venue take ${megabytes(values.mostBytes)} already, which is the most they may.`,
    inTheJournal: ({ values }) => `${values.name} stands in the journal of the day; enter "no-show" or "left" instead.`,
    referenceTaken: ({ values }) => `The reference ${values.reference} belongs to the booking of ${values.name}.`,
    sameDay: () => 'The booking stands on this day already.',
    joinedToItself: () => 'A booking is joined with another one.',
    tooManyDrives: () => 'Together they have more drives than one booking holds.',
    nothingSplit: () => 'Choose some of the drives: at least one goes, and at least one stays.',
    splitCostsMore: () => 'The part costs, or has paid, more than the whole.',
    dayFull: ({ values: { guests, drives, mostGuests, mostDrives } }) =>
      `A day holds at most ${mostGuests} guests and ${mostDrives} drives; this would make ${guests} and ${drives}.`,
    noPlanYet: () => 'There is no plan for this day yet: plan it first.',
    otherDrive: () => 'This change is for another drive; look again.',
    noLongerHelps: () => 'This no longer gives the drive a place; look again.',
    guestGone: () => 'This guest is not taking part any more.',
    noPlaceSent: () => 'The plan that was sent has no place for this drive; look again.',
    placeTaken: () => 'This place is taken already; look again.',
    noMoreDrives: () => 'The booking can take no more drives; look at it first.',
    otherTime: ({ values }) =>
      `This was made for ${clockMinute(values.madeForS)}, and it is ${clockMinute(values.nowS)} now. Look again at what is to change.`,
    otherLapsOwed: ({ values: { owed, laps } }) =>
      owed > 0 ? `${owed} laps are owed from this drive, not ${laps}.` : 'No laps are owed from it.',
    aheadOfClock: () => "This lies ahead of the venue's clock; enter it when it has happened.",
    acceptedByPlanning: () => 'A plan is accepted by planning, not by an entry.',
    circuitNotPlaced: () => 'Where on the globe this circuit lies is not known: set its place first.',
    marksNameIt: () => 'Marks may name this fault, and nothing else explains it: take it out of use instead.',
    sameGuest: () => 'A guest is the same person as themselves already.',
    linkedToItself: () => 'A fault cannot come from itself.',
    linkToNothing: ({ subjects }) => `There is no fault "${subjects.fault}" that this one could come from.`,
    linkedBackwards: ({ values }) =>
      `"${values.cause}" comes after "${values.effect}" in a corner and cannot be its cause.`,
    managerOnly: () => "This is the manager's: enter the manager's code first.",
    codeSetHere: () =>
      "This is the manager's, who has no code yet. The first one is set on the machine on which Joy Lap runs: there under Crew, or with ./joylap manager-code.",
    codeNeedsHttps: () =>
      'Others on the network could read the code: open this page by its address that begins with https, and enter it there.',
    wrongCode: () => 'This is not the code of the manager.',
    tooManyCodes: () => 'Too many wrong codes: try again in ten minutes.',
    notAdded: () => 'This phone has not been added: ask for its code under Devices, "Add a phone".',
    phonePutOut: () => 'This phone has been put out by the manager: it reads and changes nothing more.',
    wrongPhoneCode: () => 'This code is not one that is out: each is for one phone and holds for a quarter of an hour.',
    demoOnly: () => 'Only the demo has a clock that can be set; this venue runs in real time.',
    practiceOnly: () => 'The simulated crew plays practice days only; this is a day of real guests.',
    foreignPage: () => 'Another page asked for this; only Joy Lap’s own pages may change anything.',
    unknownHost: ({ values: { host } }) =>
      `This server is not known as "${host}". If it should be, start it with JOYLAP_HOSTS=${host || 'name'}.`,
    tooManyStreams: () => 'Too many screens are open from this address; close some.',
    readingOthers: () => 'Other files are being read; try again in a moment.',
    unexpected: () => 'Something went wrong on the server; nothing was saved. Try again, and look at its log.',
  };
  return tell(sentences, refusal);
}
