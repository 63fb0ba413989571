import { clockMinute, DAY_S, spokenDuration } from '@core/values';
import type { EntryKind, EntryOf, JournalEntry } from '@core/journal';
import { GROUP_ENTRY_WORDS, MEMBER_OUT_WORDS } from './groups';
import { answersWords, BREAK_OFF_WORDS, EXTRA_LAP_WORDS, FLAG_WORDS, GEARBOX_WORDS, MONEY_MEANS_WORDS } from './terms';

const ENTRY_WORDS: Record<EntryKind, string> = {
  ...GROUP_ENTRY_WORDS,
  guestArrived: 'Arrived',
  waiverSigned: 'Waiver signed',
  licenceSeen: 'Licence seen',
  helmetFitted: 'Helmet fitted',
  guestAnswered: 'Asked at the gate',
  guestFitted: 'Told at the gate',
  guestNoShow: 'No-show',
  guestLeft: 'Left',
  guestUnwell: 'Unwell',
  guestWell: 'Well again',
  deskDone: 'Finished at the desk',
  moneyReceived: 'Money taken',
  recordingMoved: 'Recording card',
  classBegan: 'Class began',
  classEnded: 'Class ended',
  sightingBegan: 'Sighting run out',
  sightingEnded: 'Sighting run back',
  seated: 'Seated',
  unseated: 'Out of the car again',
  released: 'Let out',
  lapCounted: 'Lap counted',
  lastCheckDone: 'Last check',
  lineCrossed: 'Line crossed',
  lapsSettled: 'Laps settled',
  lapSpoiled: 'Lap spoiled',
  intervened: 'Instructor had to brake or steer',
  extraLapGranted: 'Extra lap granted',
  extraLapAsked: 'Extra lap asked for',
  extraLapRefused: 'No extra lap',
  brokenOff: 'Broken off',
  owedAgreed: 'Laps owed',
  lapsMadeUp: 'Laps owed have a new drive',
  broughtIn: 'Brought in',
  parked: 'Parked',
  debriefed: 'Debriefed',
  driveMarked: 'Marked',
  handoverSeen: 'Handover read',
  talkTicked: 'Talk in the car',
  carHeld: 'Car out of service',
  carReady: 'Car ready again',
  refuelBegan: 'Refuelling began',
  refuelEnded: 'Refuelled',
  fuelRead: 'Fuel read',
  carStalled: 'Parked in its stall',
  cardMoved: 'Camera card',
  carsCounted: 'Cars counted',
  walkRoundDone: 'Walked round',
  faultFound: 'Fault found',
  faultMended: 'Fault repaired',
  serviced: 'Serviced',
  conesChecked: 'Cones looked at',
  coneDoubted: 'Cone doubted',
  answersCounted: 'Answers counted',
  answerMissed: 'Misunderstood in class',
  guestSentFor: 'Missing at a class, sent for',
  guestFound: 'Found, on the way to the class',
  breakBegan: 'Break began',
  crewBack: 'Back from the break',
  guestLate: 'Late',
  circuitClosed: 'Circuit closed',
  conditionChanged: 'Condition changed',
  closingMoved: 'Closing moved',
  crewHours: 'Hours changed',
  crewAway: 'Away',
  runningLate: 'Running late',
  flagCalled: 'Flag',
  flagExplained: 'Flag explained',
  circuitCleared: 'Circuit seen clear',
  incident: 'Incident',
  dayClosed: 'Day closed',
  planAccepted: 'Plan accepted',
  timesSlid: 'Times slid',
  leftAsIs: 'Left as it is',
  noteTaken: 'Note',
  correction: 'Correction',
};

function fittedWords({ heightCm, gearbox }: EntryOf<'guestFitted'>): string[] {
  return [
    ...(heightCm === undefined ? [] : [`${heightCm} cm`]),
    ...(gearbox === undefined ? [] : [GEARBOX_WORDS[gearbox]]),
  ];
}

function owedWords({ notToday, notBefore, place }: EntryOf<'owedAgreed'>): string {
  if (notToday) return 'not today';
  if (place) return `a place at ${clockMinute(place.release)}`;
  return notBefore === undefined ? 'any time' : `not before ${clockMinute(notBefore)}`;
}

function slideWords({ drives, classes, runs, refuels, byS }: EntryOf<'timesSlid'>): string {
  const counted = [
    [drives.length, 'drive'],
    [classes.length, 'class', 'classes'],
    [runs.length, 'sighting run'],
    [refuels.length, 'refuel'],
  ] as const;
  const what = counted.flatMap(([count, one, more]) =>
    count > 0 ? `${count} ${count > 1 ? (more ?? `${one}s`) : one}` : [],
  );
  return `${ENTRY_WORDS.timesSlid}: ${what.join(', ')}, ${byS > 0 ? `up to ${spokenDuration(byS)} later than accepted` : 'back to what was accepted'}`;
}

/** What an entry says, in a few words, and how its time was corrected. */
export function entryWords(entry: JournalEntry): string {
  const { corrected } = entry;
  return `${plainWords(entry)}${corrected ? ` (time corrected, the device gave ${clockMinute(corrected.from)})` : ''}`;
}

function plainWords(entry: JournalEntry): string {
  const words = ENTRY_WORDS[entry.kind];
  switch (entry.kind) {
    case 'lapSpoiled':
      return `Lap ${entry.lap} spoiled: ${entry.reason}`;
    case 'lapsSettled':
      return `${words} at ${entry.crossings}${entry.why ? `: ${entry.why}` : ''}`;
    case 'extraLapAsked':
      return `${words}: ${EXTRA_LAP_WORDS[entry.reason]}`;
    case 'intervened':
      return `${words}, lap ${entry.lap}${entry.corner ? `, ${entry.corner}` : ''}`;
    case 'brokenOff':
      return `${words}: ${entry.note || BREAK_OFF_WORDS[entry.reason]}`;
    case 'answerMissed':
      return `${words}: ${entry.misread}`;
    case 'guestAnswered':
      return `${words}: ${answersWords(entry.answers).join(', ')}`;
    case 'guestFitted':
      return `${words}: ${fittedWords(entry).join(', ')}`;
    case 'owedAgreed':
      return `${words}: ${owedWords(entry)}`;
    case 'flagCalled':
      return `${FLAG_WORDS[entry.flag]}${entry.reason ? `: ${entry.reason}` : ''}`;
    case 'flagExplained':
      return `${words}: ${entry.reason}`;
    case 'incident':
      return `${words}: ${entry.what}`;
    case 'carHeld':
      return `${words}: ${entry.reason}`;
    case 'fuelRead':
      return `${words}: ${entry.litres} l`;
    case 'extraLapGranted':
      return entry.price === undefined ? words : `Extra lap sold: ${entry.price.toFixed(2)}`;
    case 'moneyReceived':
      return `${words}: ${entry.amount.toFixed(2)}, ${MONEY_MEANS_WORDS[entry.means]}`;
    case 'recordingMoved':
      return `${words} ${entry.to === 'guest' ? 'handed out' : 'handed in'}`;
    case 'driveMarked':
      return `${words}: ${entry.marks.length === 0 ? 'no fault' : `${entry.marks.length} fault${entry.marks.length > 1 ? 's' : ''}`}${entry.good ? `, good: ${entry.good}` : ''}`;
    case 'carStalled':
      return `${words} ${entry.stall}`;
    case 'cardMoved':
      return `${words} ${entry.card}, ${entry.charged ? 'charged' : 'not charged'}`;
    case 'faultFound':
      return `${words}: ${entry.where}, ${entry.what}`;
    case 'serviced':
      return `${words}: ${entry.what}${entry.note ? `, ${entry.note}` : ''}`;
    case 'conesChecked':
      return `${words}: ${entry.cones.length}`;
    case 'coneDoubted':
      return `${words}: ${entry.cone}${entry.note ? `, ${entry.note}` : ''}`;
    case 'guestLate':
      return `${words}, expected at ${clockMinute(entry.expected)}`;
    case 'circuitClosed':
      return `${words} ${clockMinute(entry.from)} to ${clockMinute(entry.to)}: ${entry.reason}`;
    case 'conditionChanged':
      return `${words}: ${entry.name} from ${clockMinute(entry.from)}`;
    case 'closingMoved':
      return `${words} to ${clockMinute(entry.to)}`;
    case 'crewHours':
      return `There from ${clockMinute(entry.from)} to ${clockMinute(entry.to)}`;
    case 'crewAway':
      return `${words} from ${clockMinute(entry.from)}${entry.to < DAY_S ? ` to ${clockMinute(entry.to)}` : ''}`;
    case 'runningLate':
      return `${words} by ${entry.minutes} min`;
    case 'noteTaken':
      return `${words}: ${entry.text}`;
    case 'planAccepted':
      return `Plan ${entry.revision} accepted`;
    case 'timesSlid':
      return slideWords(entry);
    case 'leftAsIs':
      return `${words}, up to ${spokenDuration(entry.byS)} late`;
    case 'memberOut':
      return `${words}: ${MEMBER_OUT_WORDS[entry.why]}`;
    case 'radioTested':
      return `${words}: ${entry.answered ? 'answered' : 'no answer'}`;
    case 'groupStopped':
    case 'stationOpened':
      return `${words}: ${entry.reason}`;
    case 'stationRun':
      return `${words}: ${entry.station}, ${entry.passed ? 'passed' : 'not passed'}`;
    case 'lapCounted':
      return `${words} (${entry.source === 'hand' ? 'by hand' : 'by loop'})`;
    default:
      return words;
  }
}
