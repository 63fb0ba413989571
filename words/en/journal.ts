import { clockMinute, spokenDuration } from '@core/values';
import type { CarMisfit } from '@core/day';
import type { DriveStage, DriveStep, GateStep, Refusal } from '@core/journal';
import { FLAG_WORDS } from './terms';
import type { AdviceReason } from '@core/live/traffic';
import { tell, type ByCode } from '../by-code';
import { groupRefusals } from './groups';
import { KINDS } from './violations';
import type { Names } from '../names';
import type { Words } from '../words';

const STAGES: Record<DriveStage, string> = {
  planned: 'is not in the car yet',
  seated: 'sits in the car and has not been let out',
  onCircuit: 'is on the circuit',
  standing: 'stands on the circuit',
  rollingIn: 'is rolling in',
  parked: 'has parked',
  done: 'has finished this drive',
};

/** What can't be done at another stage of a drive. */
const DONE: Record<DriveStep, string> = {
  seated: 'seated',
  unseated: 'taken out of the car again',
  lastCheckDone: 'checked',
  released: 'let out',
  lapCounted: 'counted a lap',
  lapsSettled: 'counted',
  lapSpoiled: 'marked',
  intervened: 'marked',
  extraLapGranted: 'given a lap',
  extraLapAsked: 'asked a lap for',
  extraLapRefused: 'refused a lap',
  brokenOff: 'broken off',
  broughtIn: 'brought in',
  parked: 'parked',
  debriefed: 'debriefed',
  driveMarked: 'marked',
};

const GATE: Record<GateStep, string> = { waiver: 'waiver', licence: 'licence', helmet: 'helmet' };

export function refusalWords(names: Names, misfit: (of: CarMisfit) => string): Words['refusal'] {
  const { guest, car, instructor, vehicle } = names;
  const sentences: ByCode<Refusal> = {
    ...groupRefusals(names),
    unknown: ({ subjects, values }) => `There is no ${KINDS[values.kind]} "${subjects.id}" today.`,

    noSuchEntry: () => 'There is no such entry to correct.',
    correctionStays: () => 'A correction stays; enter what happened anew.',
    planStays: () => 'A plan is replaced by accepting another one.',
    takenBackAlready: () => 'This entry has been taken back already.',
    laterStandsOnIt: ({ values }) =>
      `At ${clockMinute(values.atS)} there is an entry that stands on it; take that back first. (${refusal(values.refusal)})`,

    hereAlready: ({ subjects }) => `${guest(subjects.guest)} is here already.`,
    hasArrived: ({ subjects }) => `${guest(subjects.guest)} has arrived; enter "left" instead.`,
    hasLeft: ({ subjects }) => `${guest(subjects.guest)} has left.`,
    notArrived: ({ subjects }) => `${guest(subjects.guest)} has not arrived yet.`,
    waiverSeenAlready: ({ subjects }) => `The waiver of ${guest(subjects.guest)} is seen already.`,
    licenceSeenAlready: ({ subjects }) => `The licence of ${guest(subjects.guest)} is seen already.`,
    unwell: ({ subjects }) => `${guest(subjects.guest)} is unwell.`,
    notUnwell: ({ subjects }) => `${guest(subjects.guest)} is not entered as unwell.`,
    finishedAlready: ({ subjects }) => `${guest(subjects.guest)} is finished already.`,
    nothingReceived: () => 'An amount of money is more than nothing.',
    recordingThereAlready: ({ subjects }) => `The recording of ${guest(subjects.guest)} is there already.`,
    briefedAlready: ({ subjects }) => `${guest(subjects.guest)} is briefed already.`,
    sightedAlready: ({ subjects }) => `${guest(subjects.guest)} has seen the circuit already.`,
    notBriefed: ({ subjects }) => `${guest(subjects.guest)} is not briefed yet: class first.`,
    notSighted: ({ subjects }) => `${guest(subjects.guest)} has not seen the circuit yet: sighting run first.`,
    notSentFor: ({ subjects }) => `Nobody has sent for ${guest(subjects.guest)}, or they have been found.`,
    notInThisClass: ({ subjects }) => `${guest(subjects.guest)} does not sit in this class.`,
    stillInACar: ({ subjects }) => `${guest(subjects.guest)} is still in a car.`,
    inClass: ({ subjects }) => `${guest(subjects.guest)} sits in a class.`,
    onSighting: ({ subjects }) => `${guest(subjects.guest)} is on a sighting run.`,
    inDebrief: ({ subjects }) => `${guest(subjects.guest)} is still in the debrief.`,
    inAnotherCar: ({ subjects }) => `${guest(subjects.guest)} is in another car.`,
    nothingOwed: ({ subjects }) => `No laps are owed to ${guest(subjects.guest)} from this drive.`,
    brokenOffAlready: ({ subjects }) => `The drive of ${guest(subjects.guest)} is broken off already.`,
    notCleared: ({ subjects, values }) =>
      `${guest(subjects.guest)} is not cleared at the gate yet: ${values.missing.map((step) => GATE[step]).join(', ')} missing.`,
    lapNotYet: ({ subjects, values }) => `${guest(subjects.guest)} has not come to lap ${values.lap} yet.`,
    lapMarkedAlready: ({ subjects, values }) => `Lap ${values.lap} of ${guest(subjects.guest)} is marked already.`,
    wrongStage: ({ subjects, values }) =>
      `${guest(subjects.guest)} ${STAGES[values.stage]} and can't be ${DONE[values.entry]}.`,
    recordingNotOut: () => 'This recording was never handed out.',

    noClassRunning: () => 'No class of this instructor is running.',
    vehicleNotOut: () => 'This vehicle is not out.',
    vehicleOut: ({ subjects }) => `${vehicle(subjects.vehicle)} is out already.`,
    vehicleSeats: ({ subjects, values }) => `${vehicle(subjects.vehicle)} seats ${values.seats}, not ${values.guests}.`,

    outOfServiceAlready: ({ subjects }) => `${car(subjects.car)} is out of service already.`,
    notOutOfService: ({ subjects }) => `${car(subjects.car)} is not out of service.`,
    outOfService: ({ subjects, values }) => `${car(subjects.car)} is held: ${values.reason}.`,
    refuelling: ({ subjects }) => `${car(subjects.car)} is refuelling.`,
    refuellingAlready: ({ subjects }) => `${car(subjects.car)} is refuelling already.`,
    notRefuelling: ({ subjects }) => `${car(subjects.car)} is not refuelling.`,
    guestInIt: ({ subjects }) => `${car(subjects.car)} has a guest in it.`,
    tankHoldsLess: ({ subjects, values }) => `${car(subjects.car)} holds less than ${values.litres} l.`,
    carTaken: ({ subjects }) =>
      `${car(subjects.car)} is taken by ${subjects.guest === undefined ? 'another guest' : guest(subjects.guest)}.`,
    bayTaken: ({ values }) =>
      values.bays === 1 ? 'The refuel bay is taken.' : `All ${values.bays} refuel bays are taken.`,
    misfit: ({ values }) => `${misfit(values.misfit)}.`,

    notAway: ({ subjects }) => `${instructor(subjects.instructor)} is not away.`,
    busyWithClass: ({ subjects }) => `${instructor(subjects.instructor)} is busy with a class.`,
    busyWithSighting: ({ subjects }) => `${instructor(subjects.instructor)} is busy with a sighting run.`,
    busyWithGuest: ({ subjects }) => `${instructor(subjects.instructor)} is with ${guest(subjects.guest)}.`,
    debriefs: ({ subjects }) => `${instructor(subjects.instructor)} still debriefs ${guest(subjects.guest)}.`,
    notOnTheDay: () => 'This instructor is not on the day.',

    flagCalledAlready: ({ values }) => `${FLAG_WORDS[values.flag]} is called already.`,
    stopStands: () => 'All-stop stands: see that the circuit is clear.',
    noFlag: () => 'No flag is called that could be explained.',
    noStop: () => 'No all-stop is called.',
    notSeenClear: () => 'After an all-stop somebody must first see that the circuit is clear.',
    seenClearAlready: ({ values }) => `${values.by} has seen the circuit clear already.`,
    inTheWay: ({ subjects, values }) => {
      const which = subjects.car === undefined ? 'A car' : car(subjects.car);
      const then = values.of === 'release' ? 'Nobody is let out.' : 'Enter that it is in, then clear the circuit.';
      return `${which} with ${guest(subjects.guest)} stands in the way since ${clockMinute(values.sinceS)}. ${then}`;
    },
    flagUp: ({ values }) => `${FLAG_WORDS[values.flag]} since ${clockMinute(values.sinceS)}: nobody is let out.`,
    closed: ({ values }) =>
      `The circuit is closed until ${clockMinute(values.untilS)}${values.reason ? ` (${values.reason})` : ''}.`,
    full: ({ values }) => `${values.most} cars are on the circuit, and ${values.most} are allowed: bring one in first.`,

    closesBeforeOpening: () => 'The day closes after it opens.',
    faultMendedAlready: () => 'This fault is mended already.',
    noSuchAnswer: () => 'The right answer is none of those that were counted.',
    dayClosedAlready: ({ values }) => `${values.by} has closed the day already.`,
    stillOnCircuit: ({ values }) =>
      `${values.cars === 1 ? 'One car is' : `${values.cars} cars are`} still on the circuit.`,
  };
  const refusal = (of: Refusal): string => tell(sentences, of);
  return refusal;
}

export function resolutionWords(refusal: Words['refusal']): Words['resolution'] {
  return (resolution) => {
    if (resolution.code === 'tooManyOut') {
      const { vehicles, most } = resolution.values;
      return `${vehicles} cars are on the circuit, ${most} are allowed.`;
    }
    const { refusal: why, corrected } = resolution.values;
    const kept = `${refusal(why)} Kept, but it changes nothing.`;
    if (!corrected) return kept;
    const [given, taken] = [clockMinute(corrected.givenS), clockMinute(corrected.takenS)];
    return `${kept} The clock of that device was ahead: ${given} was taken as ${taken}. If it happened at another time, enter it anew.`;
  };
}

/** What a vehicle on the circuit is called on the radio: `car 4`, `Heron`. */
export function runnerWords({ car, carNumber, vehicle }: Names): Words['runner'] {
  return ({ kind, vehicle: id }) => {
    if (kind === 'sighting') return vehicle(id);
    const number = carNumber?.(id);
    return number === undefined ? car(id) : `car ${number}`;
  };
}

/** A car is let past where one goes this soon after it; later, it is its lead that is waited for. */
const JUST_PAST_S = 12;

export function adviceWords(refusal: Words['refusal'], runner: Words['runner']): Words['advice'] {
  const near = (corner: string | undefined) => (corner === undefined ? '' : `, near ${corner}`);
  const wait = (waitS: number, why: string) => `Hold ${spokenDuration(waitS)}: ${why}.`;
  const expected = (passes: number) =>
    passes === 0 ? 'no pass expected' : passes === 1 ? 'one pass expected' : `${passes} passes expected`;
  const sentences: ByCode<AdviceReason> = {
    shut: ({ values }) => refusal(values.refusal),
    noRoom: ({ values }) => `No room in the next ${spokenDuration(values.withinS)}.`,
    clear: ({ values: { passes, nextS, tight } }) => {
      if (nextS === undefined) return `Clear now: ${expected(passes)}.`;
      const next = `${Math.floor(nextS)} s until the next car comes past`;
      return tight ? `Now or later, tight: ${next}, ${expected(passes)}.` : `Clear now: ${expected(passes)}, ${next}.`;
    },
    circuitFull: ({ subjects, values }) =>
      wait(values.waitS, `the circuit is full, ${subjects.next ? runner(subjects.next) : 'a car'} comes off next`),
    releaseGap: ({ values }) => wait(values.waitS, `${values.gapS} s between two releases`),
    thenClear: ({ values }) => wait(values.waitS, 'then the road is clear'),
    lastLap: ({ subjects, values }) => wait(values.waitS, `${runner(subjects.runner)} is on its last lap`),
    letPast: ({ subjects, values: { waitS, times, aheadS } }) => {
      const who = runner(subjects.runner);
      const ahead = aheadS < JUST_PAST_S ? '' : ` and is ${Math.round(aheadS)} s ahead`;
      if (times === 1) return wait(waitS, ahead ? `until ${who} has come past${ahead}` : `let ${who} come past first`);
      return wait(waitS, `until ${who} has come past ${times === 2 ? 'twice' : `${times} times`}${ahead}`);
    },
    tooNear: ({ subjects, values }) => wait(values.waitS, `${runner(subjects.runner)} is too near`),
    wouldBePassed: ({ subjects, values }) =>
      wait(values.waitS, `now ${runner(subjects.runner)} would pass it on lap ${values.lap}${near(values.corner)}`),
    wouldPass: ({ subjects, values }) =>
      wait(values.waitS, `now it would pass ${runner(subjects.runner)} on lap ${values.lap}${near(values.corner)}`),
  };
  return (reason) => tell(sentences, reason);
}
