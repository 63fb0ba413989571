import type { DeviceRefusal, DataIssueFact, DataIssuePlace } from '@core/api';
import { clockMinute } from '@core/values';
import { tell, type ByCode } from '../by-code';

const THINGS: Readonly<Record<DataIssuePlace, string>> = {
  rules: 'The page of rules',
  cars: 'A car',
  crew: 'An instructor',
  bookings: 'A booking',
  groups: 'A group',
  circuit: 'The circuit',
  roster: 'An entry of the roster',
  board: 'The plan',
  journal: 'An entry of the journal',
  devices: 'A device',
};
/** Of these a venue has one, which needs no name. */
const ONLY_ONE: ReadonlySet<DataIssuePlace> = new Set(['rules', 'circuit']);

const REMEDIES: Readonly<Record<DataIssuePlace, string>> = {
  rules: 'Look through the rules and save them.',
  cars: 'Look at the car and save it, or enter it anew under its id.',
  crew: 'Look at the instructor and save, or enter anew under the same id.',
  bookings: 'Look at the booking and save it, or enter the guest anew.',
  groups: 'Look at the group and save it, or enter it anew.',
  circuit: 'Look at the circuit and save it, or import it anew.',
  roster: 'Enter the shift or absence anew.',
  board: 'Plan the day again, or go back to an earlier plan.',
  journal: 'Enter what happened anew; the entry itself is kept as it is.',
  devices: 'Look at the phone.',
};

/** A length of time in its largest unit, from minutes. */
function spanWords(minutes: number): string {
  const [hours, days] = [Math.round(minutes / 60), Math.round(minutes / 1440)];
  if (days > 1) return `${days} days`;
  return hours > 1 ? `${hours} h` : `${minutes} min`;
}

export function dataIssueWords(issue: DataIssueFact): string {
  const sentences: ByCode<DataIssueFact> = {
    leftOut: ({ subjects: { id, name }, values: { place, whole } }) => {
      const which = ONLY_ONE.has(place) ? '' : `, ${name === undefined ? id : `${name} (${id})`},`;
      return `${THINGS[place]}${which}${whole ? ' cannot be read and is left out' : ' has something wrong in it, which is left out'}`;
    },
    planUnreadable: ({ values: { revision, shown } }) =>
      `Plan ${revision} cannot be read: ${shown === 0 ? 'the day is shown without a plan' : `plan ${shown} is shown instead`}`,
    entryUnreadable: ({ values: { seq } }) => `${THINGS.journal} (number ${seq}) cannot be read and is set aside`,
    closingBeforeOpening: ({ values: { by, closesS, opensS } }) =>
      `${by} has moved the closing to ${clockMinute(closesS)}, and the day opens at ${clockMinute(opensS)}`,
    dayLeftOut: () => 'The day is shown without what is wrong in it',
    dayUnreadable: () => 'Nothing of this day can be read',
    clockSetBack: ({ values: { lastAt } }) =>
      `The server’s clock was set back: it stands before what was written already (${lastAt.slice(0, 16).replace('T', ' ')} UTC)`,
    clockOff: ({ values: { aheadMin, devices } }) =>
      `By the clock of ${devices === 1 ? 'one phone' : `${devices} phones`}, the server’s is ${spanWords(Math.abs(aheadMin))} ${aheadMin > 0 ? 'ahead' : 'behind'}`,
    knownByPhone: ({ subjects: { phone }, values: { count } }) =>
      `The phone “${phone}” knows ${count === 1 ? 'an entry or booking' : `${count} entries and bookings`} that the server has lost: it was started with an older copy of its data`,
  };
  return tell(sentences, issue);
}

/** What puts it right; with its full stop. */
export function dataIssueRemedyWords(place: DataIssuePlace, { code }: DataIssueFact): string {
  if (code === 'dayUnreadable') return 'Restore a backup.';
  if (code === 'clockSetBack' || code === 'clockOff')
    return 'Set the clock of the server’s machine; until then times and lateness are told by the wrong one.';
  if (code === 'knownByPhone')
    return 'It is kept there, to be looked at and dropped; the day goes on as the server has it.';
  return code === 'closingBeforeOpening'
    ? 'It changes nothing. Take it back, or set the opening hours so that it fits.'
    : REMEDIES[place];
}

/** Why a line of a device is refused; with its full stop. */
export function deviceRefusalWords(refusal: DeviceRefusal): string {
  const sentences: ByCode<DeviceRefusal> = {
    notALine: () => 'A line is not in the format of a device.',
    notABody: () => 'A body is not in the format of a device.',
    wrongSignature: () => 'The signature is not that of this device.',
    sentBefore: ({ values: { seq, lastSeq } }) => `Number ${seq} comes after ${lastSeq}: sent before.`,
    unknownTransponder: ({ subjects }) => `No car has the transponder "${subjects.transponder}".`,
    clockAhead: ({ values: { time } }) => `The device's clock is ahead of the venue's: ${time}.`,
    notTaken: ({ values: { why } }) => why,
  };
  return tell(sentences, refusal);
}
