import type { SplitFault } from '../venue/booking';
import type { LinkFault } from '../people/coaching';
import type { Fact, Fault } from '../values';

/** What a request may name. */
export type NamedThing =
  | 'address'
  | 'page'
  | 'eventDay'
  | 'plan'
  | 'booking'
  | 'group'
  | 'guest'
  | 'drive'
  | 'car'
  | 'instructor'
  | 'device'
  | 'phone'
  | 'certificate'
  | 'fault'
  | 'ownWords'
  | 'rosterEntry'
  | 'picture'
  | 'circuit';
/** What is changed as one record, so that two people can be in each other's way. */
export type RecordName = { readonly kind: NamedThing | 'venue' | 'show'; readonly name?: string | undefined };

/** Why a request is refused that is no entry of the journal and breaks no rule. */
export type RequestRefusal =
  // What is not there, or is there already
  | Fact<'notThere', { id?: string | undefined; date?: string | undefined }, { kind: NamedThing }>
  | Fact<'idTaken', { id: string }, { kind: NamedThing }>
  | Fact<'idIsACars' | 'idIsAVehicles' | 'otherEntryHasId', { id: string }>
  | Fact<'dayThere' | 'dayInUse', { date: string }>
  // Two people at once
  | Fact<'changedMeanwhile', object, { what: RecordName }>
  | Fact<'acceptedMeanwhile', object, { revision: number; author: string; reason: string }>
  | Fact<'keepsChanging' | 'baseGone' | 'planningAlready'>
  // Faulty requests
  | Fact<'faulty', object, { part: 'address' | 'body'; first: Fault; more: number }>
  | Fact<'unreadableFile', object, { why: string }>
  | Fact<'unreadableList', object, { why: string }>
  | Fact<'noCalendar', object, { why: string }>
  | Fact<'faultyFile', { file: string }, { first: Fault }>
  | Fact<'faultyCircuit' | 'faultyCue', object, { first: Fault }>
  | Fact<'notJson' | 'unreadableRequest' | 'unknownFormat' | 'notAPicture'>
  | Fact<'otherContent', object, { got: string; json: boolean }>
  | Fact<'tooLarge', object, { mostBytes: number }>
  | Fact<'tooManyLines', object, { most: number }>
  | Fact<'picturesFull', object, { mostBytes: number }>
  // Bookings
  | Fact<'inTheJournal', object, { name: string }>
  | Fact<'referenceTaken', object, { reference: string; name: string }>
  | Fact<'dayFull', object, { guests: number; drives: number; mostGuests: number; mostDrives: number }>
  | Fact<'sameDay' | 'joinedToItself' | 'tooManyDrives'>
  | SplitFault
  // Plans
  | Fact<'noPlanYet' | 'otherDrive' | 'noLongerHelps' | 'guestGone' | 'noPlaceSent' | 'placeTaken' | 'noMoreDrives'>
  | Fact<'otherTime', object, { madeForS: number; nowS: number }>
  | Fact<'otherLapsOwed', object, { owed: number; laps: number }>
  // The journal
  | Fact<'aheadOfClock' | 'acceptedByPlanning'>
  // Circuit, faults, guests
  | Fact<'circuitNotPlaced' | 'marksNameIt' | 'sameGuest'>
  | LinkFault
  // Who asks, and how often
  | Fact<
      | 'managerOnly'
      | 'codeSetHere'
      | 'codeNeedsHttps'
      | 'wrongCode'
      | 'tooManyCodes'
      | 'notAdded'
      | 'phonePutOut'
      | 'wrongPhoneCode'
      | 'demoOnly'
      | 'foreignPage'
      | 'practiceOnly'
    >
  | Fact<'unknownHost', object, { host: string }>
  | Fact<'tooManyStreams' | 'readingOthers' | 'unexpected'>;
