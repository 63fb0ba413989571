import type { CarMisfit } from '../../day';
import type { Fact } from '../../values';
import type { NamedKind } from '../../rules';
import type { exercisesSchemas } from '../entries/exercises';
import type { groupsSchemas } from '../entries/groups';
import type { EntryKind } from '../entries/entry';
import type { FlagKind } from '../entries/parts';
import type { DriveStage, GroupStage } from './stages';

type Guest = { guest: string };
type Car = { car: string };
type Instructor = { instructor: string };
type Vehicle = { vehicle: string };
type Group = { group: string };
/** The entries that are possible at some stages of a drive only. */
export type DriveStep = Extract<
  EntryKind,
  | 'seated'
  | 'unseated'
  | 'lastCheckDone'
  | 'released'
  | 'lapCounted'
  | 'lapsSettled'
  | 'lapSpoiled'
  | 'intervened'
  | 'extraLapGranted'
  | 'extraLapAsked'
  | 'extraLapRefused'
  | 'brokenOff'
  | 'broughtIn'
  | 'parked'
  | 'debriefed'
  | 'driveMarked'
>;
/** The entries that are possible at some stages of a group only. */
export type GroupStep = Extract<EntryKind, keyof typeof groupsSchemas | keyof typeof exercisesSchemas>;
/** What the gate has not seen yet. */
export type GateStep = 'waiver' | 'licence' | 'helmet';

/** Why something about a group has no place. */
export type GroupRefusal =
  | Fact<'groupStage', Group, { stage: GroupStage; entry: GroupStep }>
  | Fact<'groupStands' | 'groupRuns' | 'otherProgramme', Group>
  | Fact<'notInGroup' | 'notOnOval' | 'noSuchStep' | 'stepNotSeen', Guest & Group>
  | Fact<'inGroup' | 'memberOutAlready' | 'memberNotOut' | 'memberHasLeft' | 'onOvalAlready' | 'radioNotTested', Guest>
  | Fact<'carInGroup' | 'carNotInGroup', Car & Group>
  | Fact<'noSuchStation', Group, { station: string }>
  | Fact<'stationNotPassed', Guest & Group, { station: string; missing: string }>
  | Fact<'busyWithGroup', Instructor & Group>;

/** Why an entry has no place in the journal, or changes nothing. */
export type Refusal =
  // What is named
  | Fact<'unknown', { id: string }, { kind: NamedKind }>
  // Taking back
  | Fact<'noSuchEntry' | 'correctionStays' | 'planStays' | 'takenBackAlready'>
  | Fact<'laterStandsOnIt', { entry: string }, { atS: number; refusal: Refusal }>
  // Guests
  | Fact<
      | 'hereAlready'
      | 'hasArrived'
      | 'hasLeft'
      | 'notArrived'
      | 'waiverSeenAlready'
      | 'licenceSeenAlready'
      | 'unwell'
      | 'notUnwell'
      | 'finishedAlready'
      | 'recordingThereAlready'
      | 'nothingReceived'
      | 'briefedAlready'
      | 'sightedAlready'
      | 'notBriefed'
      | 'notSighted'
      | 'notInThisClass'
      | 'notSentFor'
      | 'stillInACar'
      | 'inClass'
      | 'onSighting'
      | 'inDebrief'
      | 'inAnotherCar'
      | 'nothingOwed'
      | 'brokenOffAlready',
      Guest
    >
  | Fact<'notCleared', Guest, { missing: readonly GateStep[] }>
  | Fact<'lapNotYet' | 'lapMarkedAlready', Guest, { lap: number }>
  | Fact<'wrongStage', Guest, { stage: DriveStage; entry: DriveStep }>
  | Fact<'recordingNotOut'>
  // Classes and sighting runs
  | Fact<'noClassRunning' | 'vehicleNotOut'>
  | Fact<'vehicleOut', Vehicle>
  | Fact<'vehicleSeats', Vehicle, { seats: number; guests: number }>
  // Cars
  | Fact<
      'outOfServiceAlready' | 'notOutOfService' | 'refuelling' | 'refuellingAlready' | 'notRefuelling' | 'guestInIt',
      Car
    >
  | Fact<'outOfService', Car, { reason: string }>
  | Fact<'tankHoldsLess', Car, { litres: number }>
  | Fact<'carTaken', Car & { guest: string | undefined }>
  | Fact<'bayTaken', object, { bays: number }>
  | Fact<'misfit', object, { misfit: CarMisfit }>
  | GroupRefusal
  // Crew
  | Fact<'notAway' | 'busyWithClass' | 'busyWithSighting', Instructor>
  | Fact<'busyWithGuest' | 'debriefs', Instructor & Guest>
  | Fact<'notOnTheDay', Instructor>
  // Flags and the circuit
  | Fact<'flagCalledAlready', object, { flag: FlagKind }>
  | Fact<'stopStands' | 'noFlag' | 'noStop' | 'notSeenClear'>
  | Fact<'seenClearAlready', object, { by: string }>
  | Fact<'inTheWay', { car: string | undefined; guest: string }, { sinceS: number; of: 'release' | 'clearing' }>
  | Fact<'flagUp', object, { flag: FlagKind; sinceS: number }>
  | Fact<'closed', object, { untilS: number; reason: string | undefined }>
  | Fact<'full', object, { most: number }>
  // The rest
  | Fact<'closesBeforeOpening' | 'faultMendedAlready' | 'noSuchAnswer'>
  | Fact<'dayClosedAlready', object, { by: string }>
  | Fact<'stillOnCircuit', object, { cars: number }>;

/** What became of an entry that did not fit to what others had entered. */
export type Resolution =
  /** Kept, and changes nothing; `corrected` where the time that the device gave lay ahead. */
  | Fact<'keptOnly', object, { refusal: Refusal; corrected: { givenS: number; takenS: number } | undefined }>
  /** Let out all the same, without connection. */
  | Fact<'tooManyOut', object, { vehicles: number; most: number }>;
