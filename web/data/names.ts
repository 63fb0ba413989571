import type { DayView } from '@core/api';
import { clockMinute, DAY_S, type TermName } from '@core/day';
import {
  FLAG_WORDS,
  type BreakOffReason,
  type CarStatus,
  type CrewStatus,
  type EntryKind,
  type EntryOf,
  type GuestStage,
  type JournalEntry,
} from '@core/journal';

/** "Ines F" of "Ines Faro": how guests are called on a crowded drawing. */
export function shortName(name: string): string {
  const words = name.trim().split(/\s+/);
  const last = words.length > 1 ? words.at(-1)! : '';
  return last ? `${words[0]} ${last.charAt(0)}` : name;
}

/** The family name: how instructors are called. */
export function surname(name: string): string {
  return name.trim().split(/\s+/).at(-1) ?? name;
}

/** A car as people tell it from another of its name: `4 Halyard GT`. */
export function carLabel(view: Pick<DayView, 'carNumbers' | 'day'> | undefined, id: string): string {
  const name = view?.day.cars.find((car) => car.id === id)?.name ?? id;
  return `${view?.carNumbers[id] ?? ''} ${name}`.trim();
}

export const GUEST_STAGE_WORDS: Record<GuestStage, string> = {
  expected: 'expected',
  arrived: 'at the gate',
  cleared: 'cleared, waits for class',
  inClass: 'in class',
  briefed: 'briefed, waits for the sighting run',
  onSighting: 'on the sighting run',
  seen: 'has seen the circuit',
  waiting: 'waiting at the cars',
  seated: 'seated',
  onCircuit: 'on the circuit',
  inDebrief: 'in debrief',
  debriefed: 'debriefed',
  finished: 'finished',
  noShow: 'no-show',
  left: 'left',
  unwell: 'unwell',
};

export const CAR_STATUS_WORDS: Record<CarStatus, string> = {
  ready: 'ready',
  seated: 'guest seated',
  onCircuit: 'on the circuit',
  turnaround: 'turnaround',
  cooling: 'cooling',
  refuelling: 'refuelling',
  held: 'held',
};

export const CREW_STATUS_WORDS: Record<CrewStatus, string> = {
  free: 'free',
  busy: 'busy',
  resting: 'resting',
  atMeal: 'at meal',
  off: 'off',
};

/** What each term of the cost counts. */
export const TERM_WORDS: Record<TermName, string> = {
  unplanned: 'left out',
  waiting: 'waiting',
  continuity: 'change of instructor',
  preference: 'not the preferred instructor',
  ladder: 'fierce car before a tamer one',
  passes: 'passing on the circuit',
  balance: 'uneven work for the crew',
  party: 'parties apart at the end',
  moved: 'moved by more than 5 min',
  reassigned: 'another car or instructor',
};

export const BREAK_OFF_WORDS: Record<BreakOffReason, string> = {
  unwell: 'unwell',
  fault: 'fault of the car',
  spin: 'spin',
  contact: 'contact',
  weather: 'weather',
  other: 'another reason',
};

const ENTRY_WORDS: Record<EntryKind, string> = {
  guestArrived: 'Arrived',
  waiverSigned: 'Waiver signed',
  licenceSeen: 'Licence seen',
  helmetFitted: 'Helmet fitted',
  guestNoShow: 'No-show',
  guestLeft: 'Left',
  guestUnwell: 'Unwell',
  guestWell: 'Well again',
  deskDone: 'Finished at the desk',
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
  brokenOff: 'Broken off',
  owedAgreed: 'Laps owed',
  lapsMadeUp: 'Laps owed have a new drive',
  broughtIn: 'Brought in',
  parked: 'Parked',
  debriefed: 'Debriefed',
  driveMarked: 'Marked',
  handoverSeen: 'Handover read',
  carHeld: 'Car held',
  carReady: 'Car ready again',
  refuelBegan: 'Refuelling began',
  refuelEnded: 'Refuelled',
  fuelRead: 'Fuel read',
  carStalled: 'Parked in its stall',
  cardMoved: 'Camera card',
  carsCounted: 'Cars counted',
  walkRoundDone: 'Walked round',
  faultFound: 'Fault found',
  faultMended: 'Fault mended',
  serviced: 'Serviced',
  conesChecked: 'Cones looked at',
  coneDoubted: 'Cone doubted',
  answersCounted: 'Answers counted',
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
  noteTaken: 'Note',
  correction: 'Correction',
};

function owedWords({ notToday, notBefore, place }: EntryOf<'owedAgreed'>): string {
  if (notToday) return 'not today';
  if (place) return `a place at ${clockMinute(place.release)}`;
  return notBefore === undefined ? 'any time' : `not before ${clockMinute(notBefore)}`;
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
      return `${words} at ${entry.crossings}`;
    case 'intervened':
      return `${words}, lap ${entry.lap}${entry.corner ? `, ${entry.corner}` : ''}`;
    case 'brokenOff':
      return `${words}: ${entry.note || BREAK_OFF_WORDS[entry.reason]}`;
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
    case 'lapCounted':
      return `${words} (${entry.source === 'hand' ? 'by hand' : 'by loop'})`;
    default:
      return words;
  }
}
