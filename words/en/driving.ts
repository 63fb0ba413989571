import type {
  CallCustoms,
  CallFact,
  CallKind,
  CallKindFacts,
  CardAdvice,
  CardTopic,
  CardValue,
  CornerRemark,
  LapObstacle,
} from '@core/track/car';
import type { TalkFact, TalkGroupName } from '@core/people/coaching';
import { tell, type ByCode } from '../by-code';

const ORDINALS = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDINGS: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd' };
/** `3rd`. */
export const ordinal = (number: number): string => `${number}${ENDINGS[ORDINALS.select(number)] ?? 'th'}`;

export function lapObstacleWords(obstacle: LapObstacle): string {
  const sentences: ByCode<LapObstacle> = {
    cannotTurn: ({ values: { radiusM, leastRadiusM } }) =>
      `the car cannot get round: a radius of ${radiusM.toFixed(1)} m, its steering needs ${leastRadiusM.toFixed(1)} m`,
    brakesCannotHold: () => 'the brakes cannot hold the car on this descent',
    cannotClimb: () => 'the car cannot climb this hill',
    paceTooQuick: ({ values: { pace, bestPace } }) =>
      `a pace of ${pace} is quicker than this car goes; its best is ${bestPace.toFixed(3)}`,
    paceTooSlow: ({ values: { pace } }) => `a pace of ${pace} is slower than this car can be driven here`,
  };
  return tell(sentences, obstacle);
}

/** Said so at every venue, whatever it calls the others of their kind. */
const OWN_SENTENCES: ReadonlySet<CallFact['code']> = new Set(['brakeLightly', 'secondApex', 'lookAhead']);

/** What an instructor says, in the words of the venue where it has its own. */
export function callWords(call: CallFact, customs: CallCustoms = {}): string {
  const sentences: ByCode<CallFact> = {
    look: ({ values: { where } }) => `Eyes to ${where}`,
    lookAhead: () => 'Eyes ahead',
    beOn: ({ values: { side } }) => `Keep ${side}`,
    hands: () => 'Hands level',
    lift: () => 'Lift',
    brake: () => 'Brake',
    brakeLightly: () => 'Brake, lightly',
    keepBraking: () => 'Keep braking',
    release: () => 'Release',
    easeOff: () => 'Ease off the brake',
    gearDown: ({ values: { to } }) => `Down to ${ordinal(to)}`,
    keepWaiting: () => 'Wait',
    turn: () => 'Turn',
    apex: () => 'Apex',
    secondApex: () => 'Second apex',
    balance: () => 'Hold it with a little throttle',
    throttle: () => 'Throttle, wheel straight',
    easeThrottle: () => 'Gently with the throttle',
    letRun: () => 'Let it run',
    exit: () => 'Out to the exit',
    gearUp: ({ values: { to } }) => `Up to ${ordinal(to)}`,
  };
  const own = customs[kindOf(call)]?.say;
  if (own === undefined || OWN_SENTENCES.has(call.code)) return tell(sentences, call);
  const values: { readonly to?: number; readonly where?: string; readonly side?: string } = call.values;
  return own
    .replace('{gear}', values.to === undefined ? '' : ordinal(values.to))
    .replace('{where}', values.where ?? '')
    .replace('{side}', values.side ?? '');
}

function kindOf({ code }: CallFact): CallKind {
  if (code === 'brakeLightly') return 'brake';
  if (code === 'easeOff') return 'release';
  if (code === 'lookAhead') return 'look';
  return code === 'secondApex' ? 'apex' : code;
}

/** What each kind of call asks for, for those who hear it for the first time. */
export const CALL_MEANINGS: Readonly<Record<CallKind, string>> = {
  look: 'where the eyes go next',
  beOn: 'the side of the road to be on',
  hands: 'both hands level on the wheel',
  lift: 'foot off the throttle, no brake',
  brake: 'firmly on the brake',
  keepBraking: 'go on braking as you do',
  gearDown: 'one gear down for each pull, to the one that is named',
  release: 'let the brake go',
  keepWaiting: 'change nothing yet',
  turn: 'turn the wheel, once',
  apex: 'close to the inside, here',
  balance: 'a light throttle that keeps the speed',
  throttle: 'open the throttle as the wheel unwinds',
  easeThrottle: 'less throttle than you would like',
  letRun: 'open the wheel and use the road',
  exit: 'out to the edge of the road',
  gearUp: 'one gear up',
};

/** Until when a call holds. */
export const CALL_HOLDS: Readonly<Record<CallKindFacts['holds'], string>> = {
  untilNext: 'until the next call',
  moment: 'for a moment',
  whileSaid: 'as long as it is said',
};

export function cornerRemarkWords(remark: CornerRemark): string {
  const sentences: ByCode<CornerRemark> = {
    lightThrottle: () => 'light throttle in mid-corner',
    noThrottleYet: () => 'no throttle until the wheel unwinds',
    noExitCone: () => 'no exit cone: stay on the inside, the next corner comes from there',
    noGearChange: () => 'no gear change here',
    givenAway: () => 'given away for the next straight: slow in',
    rideKerbs: () => 'kerbs may be ridden',
    avoidKerbs: () => 'leave the kerbs alone',
    slippery: ({ values: { where } }) => `slippery: ${where}`,
    roadMarks: ({ values: { text } }) => text,
    oftenWrong: ({ values: { text } }) => `often wrong: ${text}`,
  };
  return tell(sentences, remark);
}

export const CARD_TOPICS: Readonly<Record<CardTopic, string>> = {
  driven: 'Driven',
  engine: 'Engine',
  massKg: 'Weight',
  powerKW: 'Power',
  powerKWPerT: 'Power to weight',
  gears: 'Gears used here',
  shifts: 'Shifts a lap',
  topSpeedKmh: 'Top speed here',
  lapS: 'Lap of a good guest',
  brakes: 'Brakes',
  steering: 'Steering',
  automatic: 'Automatic',
};

const WHEELS = { front: 'front wheels', rear: 'rear wheels', all: 'all four wheels' } as const;
const ENGINES = { front: 'in front', mid: 'behind the seats', rear: 'behind the rear axle' } as const;

/** What a card says of one topic of a car. */
export function cardValueWords<T extends CardTopic>(topic: T, value: CardValue<T>): string {
  const values: { readonly [K in CardTopic]: (value: CardValue<K>) => string } = {
    driven: (wheels) => WHEELS[wheels],
    engine: (where) => ENGINES[where],
    massKg: (kg) => `${kg} kg`,
    powerKW: (kW) => `${kW} kW`,
    powerKWPerT: (kWPerT) => `${kWPerT} kW/t`,
    gears: gearsWords,
    shifts: String,
    topSpeedKmh: (kmh) => `${kmh} km/h`,
    lapS: (seconds) => `${seconds.toFixed(1)} s`,
    brakes: String,
    steering: String,
    automatic: String,
  };
  return values[topic](value);
}

function gearsWords(gears: readonly number[]): string {
  return gears.length === 1 ? `${gears[0]}` : `${gears[0]} to ${gears.at(-1)}`;
}

export function cardAdviceWords(advice: CardAdvice): string {
  const sentences: ByCode<CardAdvice> = {
    pulls: ({ values: { wheels } }) => HOW_IT_PULLS[wheels],
    turns: ({ values: { engine } }) => HOW_IT_TURNS[engine],
    gearsHere: ({ values: { gears, shifts } }) =>
      `Gears ${gearsWords(gears)} do all the work here, ${shifts} shifts a lap.`,
    gentleFirst: () => 'A gentler first lap, then a little quicker each time.',
    stronger: ({ values: { percent } }) =>
      `A good deal stronger (${percent} % more per tonne): gentler with the throttle, brake sooner than it seems.`,
    weaker: () => 'Weaker than the last: carry speed through the corner, it does not come back on the straight.',
    heavier: ({ values: { kg } }) => `${kg} kg heavier: it takes longer to slow and to change direction.`,
    lighter: ({ values: { kg } }) => `${kg} kg lighter: it answers sooner; smaller movements.`,
    moreShifts: ({ values: { shifts } }) => `${shifts} more shifts a lap: listen for the call.`,
    fewerShifts: ({ values: { shifts } }) => `${shifts} fewer shifts a lap.`,
    brakesSooner: ({ values: { metres } }) => `Braking begins ${metres} m sooner on average: it arrives faster.`,
    brakesLater: ({ values: { metres } }) => `Braking could begin ${metres} m later; the cone stays where it is.`,
    alike: () => 'Much like the last car: the same calls hold.',
  };
  return tell(sentences, advice);
}

const HOW_IT_PULLS = {
  front: 'The front wheels steer and pull: too much throttle in the turn pushes it wide.',
  rear: 'The rear wheels push: open the throttle only as the wheel unwinds.',
  all: 'All four wheels pull: it feels safe early, and still pushes wide when asked too soon.',
} as const;
const HOW_IT_TURNS = {
  front: 'The weight is in front: brake in a straight line and give the nose time to turn.',
  mid: 'The weight is in the middle: it turns at once, and turns quickly if it slides. Smooth hands.',
  rear: 'The weight is behind: never lift suddenly in the turn.',
} as const;

/** The groups of the talk in the car. */
export const TALK_GROUP_WORDS: Readonly<Record<TalkGroupName, string>> = {
  seat: 'Before it rolls',
  guest: 'This guest',
  car: 'This car',
  before: 'Against the car before',
  home: 'Against the car at home',
  ways: 'Out, passing, in',
  speed: 'To be promised',
};

const PASSING_WHERE = {
  named: 'where it is named',
  straights: 'on any straight',
  signals: 'where the instructors agree',
} as const;

export function talkWords(line: TalkFact): string {
  const sentences: ByCode<TalkFact> = {
    check: ({ values }) => values.text,
    trap: ({ values }) => `Mind: ${values.text}`,
    occasion: ({ values }) => `Occasion: ${values.text}`,
    workOn: ({ values }) => `One thing: ${values.text}`,
    wasGood: ({ values }) => `Was good: ${values.text}`,
    brakes: ({ values }) => `Brakes: ${values.text}`,
    steering: ({ values }) => `Steering: ${values.text}`,
    automatic: ({ values }) => `Automatic: ${values.text}`,
    touchNotAsked: () => 'Ask whether a touch as a prompt is all right',
    touchIsFine: () => 'A touch as a prompt is all right',
    noTouch: () => 'No touch as a prompt; in a pass or an emergency you steady and steer all the same',
    sick: () => 'Feels sick easily: say so at the first sign, and we slow down',
    glasses: () => 'Wears glasses: do they sit under the helmet?',
    gearbox: ({ values: { gearbox } }) =>
      gearbox === undefined
        ? 'Automatic or paddles? Ask'
        : gearbox === 'auto'
          ? 'Automatic: the lever to D, hands off the paddles'
          : 'Paddles: right is up, left is down, and only on the call',
    shifts: ({ values: { shifts, gears } }) =>
      shifts === 0
        ? `Gear ${gears.join(' and ')} all the way round`
        : `${shifts} shifts a lap, in ${gears.join(' and ')}`,
    advice: ({ values }) => cardAdviceWords(values.advice),
    homeSmall: () => 'Wider and lower than the small car at home: look further, brake harder than feels polite',
    homeFamily: () => 'Sits lower and answers sooner than the family car at home: smaller movements',
    homeAutomatic: () => 'As at home it shifts by itself; here the right foot alone decides',
    homeElectric: () => 'Unlike the electric car at home it does not slow by itself: lift is not braking',
    homeSporty: () => 'What works at home on the road comes later here: brake longer, turn once',
    homeNone: () => 'No car at home: every pedal once, standing',
    homeSide: ({ values }) => `Drives on the ${values.side} at home: show on which side this car is wide`,
    wayOut: () => 'Way out: roll to the exit, stop, wait for the marshal, keep to the side of the exit',
    priority: () => 'Whoever is on the circuit has priority; join behind',
    passing: ({ values: { where } }) =>
      `Passing ${PASSING_WHERE[where]}: lift, hazard lights, I say the side, never let go`,
    wayIn: ({ values }) => `Way in: ${values.text}`,
    parking: ({ values: { lock, parkedIn } }) => `Park against the stops, wheels to the ${lock}, in ${parkedIn}`,
    topSpeed: ({ values }) => `Up to ${values.kmh} km/h here, at your pace`,
  };
  return tell(sentences, line);
}
