import type { GateAnswers, GateQuestion, HomeCar, PaceClass } from '@core/venue/booking';
import type { ConeKind, Legend, Marker } from '@core/track/circuit';
import { CUE_PLACES, type CuePlace } from '@core/people/coaching/at-start';
import { type Misread, type Phase } from '@core/people/coaching';
import type { FriendWishKind, Gearbox } from '@core/day';
import type { GroupRole } from '@core/programmes';
import type { TermName } from '@core/cost';
import type {
  BreakOffReason,
  CarStatus,
  ExtraLapReason,
  CrewStatus,
  FlagKind,
  GuestStage,
  MoneyMeans,
} from '@core/journal';
import type { CrewStation } from '@core/live/practice';

/** The terms of the field in the language of the screens. */

/** `1 lap`, `5 laps`. */
export const lapsText = (count: number): string => (count === 1 ? '1 lap' : `${count} laps`);

export const PHASE_WORDS: Record<Phase, string> = {
  look: 'Look',
  brake: 'Brake',
  gear: 'Gear',
  release: 'Release',
  turnIn: 'Turn in',
  apex: 'Apex',
  balance: 'Balance',
  throttle: 'Throttle',
  exit: 'Exit',
  slide: 'Slide',
  whole: 'Whole drive',
};

/** What people do for a group, as after "needed as". */
export const ROLE_WORDS: Readonly<Record<GroupRole, string>> = {
  lead: 'leader',
  beside: 'instructor beside guests',
  inTrain: 'driver of a staff car',
  spotter: 'spotter',
  marshal: 'marshal',
  blocker: 'blocker',
  push: 'push crew',
};

export const CONE_WORDS: Record<ConeKind, string> = {
  brake: 'brake',
  turnIn: 'turn in',
  apex: 'apex',
  exit: 'exit',
  gate: 'gate',
  boundary: 'boundary',
  pullOff: 'pull off',
  distance: 'distance to the corner',
  keepOff: 'keep off this kerb',
  guideLine: 'guide line',
  safetyZone: 'safety zone',
};

/** What stands at the road, by number and kind: `a pair of white cones`. */
export function markerWords({ by, count, colour }: Marker, pair: string, cones: (count: number) => string): string {
  if (by !== 'cone') return colour;
  const amount = count === 2 ? `${pair} ` : count > 2 ? `${count} ` : '';
  return `${amount}${cones(count)}`;
}

const PATTERNS: Record<Marker['pattern'], string> = { plain: '', banded: 'banded ', lying: 'lying ', inRow: '' };

/** What stands at the road: `a pair of white cones`. */
export function lookWords(marker: Marker): string {
  const cones = (count: number) => `${PATTERNS[marker.pattern]}${marker.colour} ${count > 1 ? 'cones' : 'cone'}`;
  const inRow = marker.by === 'cone' && marker.pattern === 'inRow' && marker.count > 1;
  return `${markerWords(marker, 'a pair of', cones)}${inRow ? ' one behind the other' : ''}`;
}

/** What stands at the road, as it is said in the car: `the white pair`. */
function spokenMarker({ by, count, colour, pattern }: Marker): string {
  if (by !== 'cone') return `the ${colour}`;
  const look = `${PATTERNS[pattern]}${colour}`;
  return count === 1 ? `the ${look} cone` : count === 2 ? `the ${look} pair` : `the ${count} ${look} cones`;
}

/** Where a venue marks nothing. */
const UNMARKED: Record<CuePlace, string> = {
  brake: 'your place',
  turnIn: 'your place',
  apex: 'the inside',
  exit: 'the edge of the road',
};

/** A cue as it is said at a venue: what stands at the road is named as its legend has it. */
export function spokenCue(cue: string, legend: Legend): string {
  return CUE_PLACES.reduce((said, place) => {
    const marker = legend[place];
    return said.replaceAll(`{${place}}`, marker.by === 'none' ? UNMARKED[place] : spokenMarker(marker));
  }, cue);
}

/** What stands at the road and what it says: `a pair of white cones: brake`. */
export function coneWords(kind: ConeKind, marker: Marker): string {
  return `${lookWords(marker)}: ${CONE_WORDS[kind]}`;
}

/** Whether a touch is all right as a teaching prompt; what nobody has asked is not a no. */
export function touchWords(touch: boolean | undefined): string {
  if (touch === undefined) return 'touch as a prompt: not asked yet';
  return touch ? 'touch as a prompt is all right' : 'no touch as a prompt';
}

export const MONEY_MEANS_WORDS: Readonly<Record<MoneyMeans, string>> = {
  cash: 'cash',
  card: 'card',
  voucher: 'voucher',
};

export const GEARBOX_WORDS: Record<Gearbox, string> = { auto: 'automatic', paddle: 'paddles' };

/** How quick a guest is taken to be; having driven before need not have been here. */
export const PACE_WORDS: Record<PaceClass, string> = {
  first: 'first time',
  before: 'has driven before',
  quick: 'quick',
};

/** What is driven at home, by its kind. */
export const HOME_CAR_WORDS: Record<HomeCar, string> = {
  small: 'small car',
  family: 'family car',
  automatic: 'automatic',
  electric: 'electric car',
  sporty: 'sporty car',
  none: 'no car',
};

export const GATE_QUESTION_WORDS: Record<GateQuestion, string> = {
  gearbox: 'gearbox wanted',
  height: 'height, where a car needs it',
  touch: 'touch as a prompt',
  homeCar: 'kind of car at home',
  drivesOn: 'side of the road at home',
  glasses: 'glasses',
  sick: 'feels sick easily',
  fast: 'has driven fast before',
};

/** What a guest has answered at the gate, for those who sit beside it; what was not asked is left out. */
export function answersWords({ touch, homeCar, drivesOn, glasses, sick, fast, own }: GateAnswers): string[] {
  return [
    ...(touch === undefined ? [] : [touchWords(touch)]),
    ...(homeCar === undefined ? [] : [`at home: ${HOME_CAR_WORDS[homeCar]}`]),
    ...(drivesOn === undefined ? [] : [`drives on the ${drivesOn} at home`]),
    ...(glasses === undefined ? [] : [glasses ? 'wears glasses' : 'no glasses']),
    ...(sick === undefined ? [] : [sick ? 'feels sick easily' : 'does not feel sick easily']),
    ...(fast === undefined ? [] : [fast ? 'has driven fast before' : 'has never driven fast']),
    ...Object.entries(own ?? {}).map(([question, yes]) => `${question}: ${yes ? 'yes' : 'no'}`),
  ];
}

/** What was misunderstood in class, for those who teach the guest next. */
export function misreadWords({ words, hands }: Misread): string {
  if (!hands) return `In class: ${words}`;
  return `In class, ${hands.wrong} of ${hands.all}: ${words}. Nobody has said who: ask`;
}

/** A rule of the house that no answer of a guest switches off: said in class, and on the waiver. */
export const HOUSE_RULE =
  'In a pass or an emergency the instructor may steady or steer the wheel, and brake where the car has a second pedal.';

/** A station of the simulated crew: what it is called, who stands there, and what they do. */
export const CREW_STATION_WORDS: Record<
  CrewStation,
  { readonly name: string; readonly role: string; readonly does: string }
> = {
  gate: { name: 'Gate', role: 'at the gate', does: 'guests come, papers are seen, helmets fitted' },
  classroom: { name: 'Classroom', role: 'in the classroom', does: 'classes are held' },
  cars: {
    name: 'Instructors',
    role: 'an instructor',
    does: 'guests are seated, cars parked, drives marked and talked over',
  },
  pitExit: { name: 'Pit exit', role: 'the marshal', does: 'cars are let out, counted and brought in' },
  garage: { name: 'Garage', role: 'in the garage', does: 'cars are filled, and mended when they break down' },
  desk: { name: 'Desk', role: 'at the desk', does: 'guests are seen off' },
};

export const FLAG_WORDS: Record<FlagKind, string> = { green: 'Green', caution: 'Caution', stop: 'All-stop' };

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
  held: 'out of service',
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
  friends: 'friends not as they wish',
  moved: 'moved by more than 5 min',
  reassigned: 'another car or instructor',
};

/** What friends wish, before the name of the friend. */
export const FRIEND_WISH_WORDS: Record<FriendWishKind, string> = {
  sameTimeAs: 'on the circuit with',
  inTurnWith: 'in turn with',
  sameInstructorAs: 'the same instructor as',
};

/** Why an instructor asks for one more lap. */
export const EXTRA_LAP_WORDS: Record<ExtraLapReason, string> = {
  traffic: 'traffic',
  flag: 'a flag',
  goodwill: 'goodwill',
};

export const BREAK_OFF_WORDS: Record<BreakOffReason, string> = {
  unwell: 'unwell',
  fault: 'fault of the car',
  spin: 'spin',
  contact: 'contact',
  weather: 'weather',
  other: 'another reason',
};
