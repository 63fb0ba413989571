import { around, cornerName, type CornerBook, type TaughtCorner } from '../circuit';
import { fact, type Fact } from '../../values';
import { slowestIn, stationAtTime, stationOn, taughtBraking, type BrakingCustom } from './braking';
import type { CallCustoms } from './call-customs';
import { CALL_KINDS, CALL_ORDER, type CallKind } from './call-kinds';
import type { Lap } from './lap';

/** What is called; gears by number. */
export type CallFact =
  | Fact<'lift' | 'brake' | 'brakeLightly' | 'keepBraking' | 'release' | 'easeOff' | 'keepWaiting' | 'turn' | 'hands'>
  | Fact<'apex' | 'secondApex' | 'balance' | 'throttle' | 'easeThrottle' | 'letRun' | 'exit'>
  | Fact<'look', object, { where: string }>
  /** In place of a longer one for which there is no time. */
  | Fact<'lookAhead'>
  | Fact<'beOn', object, { side: 'left' | 'right' }>
  | Fact<'gearDown' | 'gearUp', object, { to: number }>;

/** What is special about a corner: from customs, taught line and the corner book, whose own words are values. */
export type CornerRemark =
  | Fact<'lightThrottle' | 'noThrottleYet' | 'noExitCone' | 'noGearChange' | 'givenAway' | 'rideKerbs' | 'avoidKerbs'>
  | Fact<'slippery', object, { where: string }>
  | Fact<'roadMarks' | 'oftenWrong', object, { text: string }>;

/** Something the instructor says, where it is to be done and where it must be said. */
export interface Call {
  readonly id: string;
  readonly kind: CallKind;
  readonly what: CallFact;
  /** Where it is to be done, metres along the centre line. */
  readonly actM: number;
  /** Where to begin to say it. */
  readonly sayM: number;
  /** When to begin to say it, seconds after the start line; where the lap begins anew before it is done, less than 0. */
  readonly sayS: number;
  readonly takesS: number;
  readonly speedKmh: number;
  /** Said earlier than others, as the guest has made this fault again. */
  readonly sooner: boolean;
}

/** A call that is left away, as another one is being said then. */
interface DroppedCall {
  readonly kind: CallKind;
  readonly what: CallFact;
  readonly beside: CallFact;
  readonly besideId: string;
}

export interface CornerCalls {
  readonly corner: string;
  readonly number: number;
  readonly direction: 'left' | 'right';
  /** In the order in which they are said; none begins before the one before has been said. */
  readonly calls: readonly Call[];
  readonly dropped: readonly DroppedCall[];
  readonly remarks: readonly CornerRemark[];
  /** What is asked for in place of full braking, from which lap on. */
  readonly steps: NonNullable<CornerBook['steps']>;
}

export interface CallSettings {
  /** How long it takes to say a call of ordinary length. */
  readonly speechS: number;
  /** How long a guest takes to act. */
  readonly reactionS: number;
  /** How the venue says each kind of call, where it has words and times of its own. */
  readonly customs?: CallCustoms | undefined;
  readonly gearbox: 'auto' | 'paddle';
  /** Throttle in mid-corner: a light one that holds the car, or none until the wheel unwinds. */
  readonly throttle: 'maintenance' | 'none';
  /** Braking is finished in a straight line, or trailed off into the turn. */
  readonly braking: BrakingCustom;
  /** Corners in which a gear is ordered for this car: called in an automatic as well. */
  readonly byHand?: ReadonlySet<string> | undefined;
  /** Calls (by id) that this guest needs sooner, as the fault came again. */
  readonly sooner?: ReadonlySet<string> | undefined;
}

/** The id of a call: its corner and its kind. */
export const callId = (corner: string, kind: CallKind): string => `${corner}-${kind}`;

/** How much sooner a call is said to a guest who has made the fault again. */
const SOONER_S = 0.5;
/** A call may be said so much before its time to make room for another, and no more. */
const MOST_EARLY_S = 1.2;
/** Braking for longer is held up by a call of its own, and so is waiting between the brake and the turn-in. */
const LONG_BRAKING_S = 1.6;
const LONG_WAIT_S = 0.9;
/** Eyes go to the next place so long before the turn-in. */
const LOOK_AHEAD_S = 1.6;
/** `Eyes ahead`, as a share of an ordinary call. */
const LOOK_AHEAD_LENGTH = 0.6;
/** Each word of where to look takes so much of an ordinary call. */
const WORD_LENGTH = 0.3;
const PEDAL = 0.25;

/** A call before it has its moment. */
interface Wanted {
  readonly corner: number;
  readonly id: string;
  readonly kind: CallKind;
  readonly what: CallFact;
  readonly at: number;
  /** Stations behind the turn-in of its corner. */
  readonly order: number;
  readonly takesS: number;
  /** When it is to be done, seconds after the start line, and when it is to be said at the latest. */
  readonly doneS: number;
  readonly latestS: number;
  readonly sooner: boolean;
  /** The same in fewer words, for where it finds no room. */
  readonly shorter?: Wanted;
}

/**
 * The calls of a lap, corner by corner, each in the order in which it is said. Calls are thinned over the whole lap: the
 * weightier ones first, each as near to its moment as those that stand leave room; what finds none is said in fewer words
 * where it can be, else left away, and told.
 */
export function callSheet(lap: Lap, taught: readonly TaughtCorner[], settings: CallSettings): CornerCalls[] {
  const wanted = taught.flatMap((one, index) => {
    const before = taught[(index + taught.length - 1) % taught.length]!;
    const after = taught[(index + 1) % taught.length]!;
    return cornerCalls(lap, one, { index, before, after }, settings);
  });
  const { said, dropped } = thinned(wanted, lap.lapTimeS);
  return taught.map((one, index) => ({
    corner: cornerName(one),
    number: one.corner.number,
    direction: one.corner.direction,
    calls: said
      .filter(({ call }) => call.corner === index)
      .sort((a, b) => a.call.order - b.call.order || CALL_ORDER.indexOf(a.call.kind) - CALL_ORDER.indexOf(b.call.kind))
      .map(({ call, sayS }) => callAt(lap, call, sayS)),
    dropped: dropped.filter(({ corner }) => corner === index).map(({ corner: _, ...one }) => one),
    remarks: remarksOf(one, settings),
    steps: one.named?.book.steps ?? [],
  }));
}

function callAt(lap: Lap, { id, kind, what, at, takesS, sooner }: Wanted, sayS: number): Call {
  return {
    id,
    kind,
    what,
    actM: lap.line.centreM[at]!,
    sayM: lap.line.centreM[stationAtTime(lap, sayS)]!,
    sayS,
    takesS,
    speedKmh: lap.speedMps[at]! * 3.6,
    sooner,
  };
}

/** The calls of one corner, in the order in which they are to be done, with the moment by which each must be said. */
function cornerCalls(
  lap: Lap,
  taught: TaughtCorner,
  { index, before, after }: { index: number; before: TaughtCorner; after: TaughtCorner },
  settings: CallSettings,
): Wanted[] {
  const { line } = lap;
  const n = line.centreM.length;
  const corner = cornerName(taught);
  const book: CornerBook = taught.named?.book ?? {};
  const station = (atM: number) => stationOn(line, atM);
  const turnIn = station(taught.turnInM);
  const order = (i: number) => ((i - turnIn + n + n / 2) % n) - n / 2;
  /** Counted from the turn-in, so that a lap's end between two does no harm. */
  const turnInS = lap.timeS[turnIn]!;
  const timeS = (i: number) =>
    turnInS + (((lap.timeS[i]! - turnInS + 1.5 * lap.lapTimeS) % lap.lapTimeS) - lap.lapTimeS / 2);
  const calls: Wanted[] = [];
  const add = (kind: CallKind, at: number, what: CallFact, aheadOfS = 0) => {
    const custom = settings.customs?.[kind];
    if (custom?.off) return;
    const same = calls.filter((call) => call.kind === kind).length;
    const id = `${callId(corner, kind)}${same > 0 ? `-${same + 1}` : ''}`;
    const sooner = settings.sooner?.has(id) ?? false;
    const long = what.code === 'look' ? WORD_LENGTH * what.values.where.split(/\s+/).length : 0;
    const takesS = custom?.takesS ?? settings.speechS * (CALL_KINDS[kind].length + long);
    const aheadS = takesS + (custom?.aheadS ?? settings.reactionS) + aheadOfS + (sooner ? SOONER_S : 0);
    // A lap begins with what is done behind the start line, wherever it is said.
    const doneS = around(timeS(at), lap.lapTimeS);
    const call = {
      corner: index,
      id,
      kind,
      what,
      at,
      order: order(at),
      takesS,
      doneS,
      latestS: doneS - aheadS,
      sooner,
    };
    if (what.code !== 'look' || custom?.takesS !== undefined) return calls.push(call);
    const savedS = settings.speechS * (CALL_KINDS.look.length + long - LOOK_AHEAD_LENGTH);
    const shorter = { ...call, what: fact('lookAhead', {}), takesS: takesS - savedS, latestS: call.latestS + savedS };
    return calls.push({ ...call, shorter });
  };

  const braking = taughtBraking(lap, taught, settings.braking, before);
  const slowest = slowestIn(lap, taught);
  const exit = station(taught.exitM);
  const nextTurnIn = order(station(after.turnInM)) + (after === taught ? n : 0);
  if (book.lookAt) add('look', turnIn, fact('look', {}, { where: book.lookAt }), LOOK_AHEAD_S);
  // Said only to those whose hands wander here.
  if (settings.sooner?.has(callId(corner, 'hands'))) {
    add('hands', braking?.from ?? turnIn, fact('hands', {}), settings.reactionS);
  }
  if (book.beOn) add('beOn', braking?.from ?? turnIn, fact('beOn', {}, { side: book.beOn }), settings.reactionS);
  if (braking) {
    if (braking.carried) add('keepBraking', braking.from, fact('keepBraking', {}));
    else add('brake', braking.from, fact('brake', {}));
    if (timeS(braking.to) - timeS(braking.from) > LONG_BRAKING_S) {
      // Said while the brake is held, in its second half.
      const middle = stationAtTime(lap, (timeS(braking.from) + timeS(braking.to)) / 2);
      add('keepBraking', middle, fact('keepBraking', {}), -settings.reactionS);
    }
    add('release', braking.to, fact(settings.braking === 'straight' ? 'release' : 'easeOff', {}));
    if (timeS(turnIn) - timeS(braking.to) > LONG_WAIT_S) add('keepWaiting', turnIn, fact('keepWaiting', {}), 0.2);
  } else {
    const lifts = liftBefore(lap, turnIn, slowest);
    if (lifts !== undefined) add('lift', lifts, fact('lift', {}));
  }
  if (settings.gearbox === 'paddle' || settings.byHand?.has(corner)) {
    for (const { station: at, from, to } of lap.changes) {
      const afterApex = order(at) > order(slowest);
      if (to < from && !afterApex && isBefore(at, turnIn, before, lap))
        add('gearDown', at, fact('gearDown', {}, { to }));
      if (to > from && afterApex && order(at) < nextTurnIn) add('gearUp', at, fact('gearUp', {}, { to }));
    }
  }
  add('turn', turnIn, fact('turn', {}));
  taught.apexesM.forEach((apexM, which) => add('apex', station(apexM), fact(which === 0 ? 'apex' : 'secondApex', {})));
  if ((book.throttle ?? settings.throttle) === 'maintenance') add('balance', slowest, fact('balance', {}));
  let pick = slowest;
  while (order(pick) < order(exit) && lap.throttle[pick]! < PEDAL) pick = (pick + 1) % n;
  // None before the last apex, whatever the car could take: the urge comes early enough by itself.
  const lastApex = station(taught.apexesM.at(-1)!);
  add('throttle', order(pick) < order(lastApex) ? lastApex : pick, fact('throttle', {}));
  if (book.givenAway) add('easeThrottle', lastApex, fact('easeThrottle', {}), settings.reactionS);
  if (taught.exitFree) add('exit', exit, fact('exit', {}));
  else if (after.corner.direction === taught.corner.direction) add('letRun', exit, fact('letRun', {}));
  return calls;
}

/** Whether a change down belongs to the corner with this turn-in: it lies between the corner before and the turn-in. */
function isBefore(at: number, turnIn: number, before: TaughtCorner, { line, speedMps: { length: n } }: Lap): boolean {
  const apex = stationOn(line, before.apexesM.at(-1)!);
  return around(at - apex, n) <= around(turnIn - apex, n);
}

/** Where the throttle is let go before a corner that needs no brake; nothing where it is driven through. */
function liftBefore({ throttle }: Lap, turnIn: number, slowest: number): number | undefined {
  const n = throttle.length;
  for (let k = 0; k <= (slowest - turnIn + n) % n; k++) {
    const i = (turnIn + k) % n;
    if (throttle[i]! < PEDAL) return i;
  }
  return undefined;
}

function remarksOf({ named, exitFree }: TaughtCorner, settings: CallSettings): CornerRemark[] {
  const book: CornerBook = named?.book ?? {};
  const throttle = book.throttle ?? settings.throttle;
  return [
    fact(throttle === 'maintenance' ? 'lightThrottle' : 'noThrottleYet', {}),
    ...(exitFree ? [] : [fact('noExitCone', {})]),
    ...(book.noGearChange ? [fact('noGearChange', {})] : []),
    ...(book.givenAway ? [fact('givenAway', {})] : []),
    ...(book.kerbs ? [fact(book.kerbs === 'ride' ? 'rideKerbs' : 'avoidKerbs', {})] : []),
    ...(book.slippery ? [fact('slippery', {}, { where: book.slippery })] : []),
    ...(book.roadMarks ? [fact('roadMarks', {}, { text: book.roadMarks })] : []),
    ...(book.mistakes ? [fact('oftenWrong', {}, { text: book.mistakes })] : []),
  ];
}

interface Said {
  readonly call: Wanted;
  readonly sayS: number;
}

/**
 * Gives each call its moment. The weightier ones are taken in first; one is taken in if all that have been can still be
 * said, in the order in which they are to be done, none within the time that another takes, and none much too early.
 */
function thinned(
  wanted: readonly Wanted[],
  lapTimeS: number,
): { said: readonly Said[]; dropped: (DroppedCall & { readonly corner: number })[] } {
  let said: readonly Said[] = [];
  const dropped: (DroppedCall & { readonly corner: number })[] = [];
  const weight = ({ kind, sooner }: Wanted) => CALL_KINDS[kind].weight + (sooner ? 1.5 : 0);
  for (const call of [...wanted].sort((a, b) => weight(b) - weight(a))) {
    const place = said.findIndex(({ call: other }) => isDoneBefore(call, other));
    const at = place < 0 ? said.length : place;
    const withIt = (one: Wanted) => spoken(said.map(({ call: other }) => other).toSpliced(at, 0, one), lapTimeS);
    const whole = withIt(call);
    const found = whole ?? (call.shorter && withIt(call.shorter));
    if (found) said = found;
    if (!whole) {
      const beside = found ? call.shorter! : said[at % said.length]!.call;
      const { corner, kind, what } = call;
      dropped.push({ corner, kind, what, beside: beside.what, besideId: beside.id });
    }
  }
  return { said, dropped };
}

/** Order of the lap; what is done at one place is called in the order of the kinds. */
function isDoneBefore(one: Wanted, other: Wanted): boolean {
  const kind = ({ kind: of }: Wanted) => CALL_ORDER.indexOf(of);
  return one.at === other.at && one.corner === other.corner ? kind(one) < kind(other) : one.doneS < other.doneS;
}

/**
 * When calls are said that are done one after the other, the last after the lap's end being followed by the first: each at
 * its latest, or as soon before the next as it takes. Nothing where one would come too early.
 */
function spoken(calls: readonly Wanted[], lapTimeS: number): Said[] | undefined {
  const sayS = calls.map(({ latestS }) => latestS);
  const last = calls.length - 1;
  // Twice round: what is said before the line may have to make room for what is said behind it.
  for (let turn = 0; turn < 2 * calls.length; turn++) {
    const i = last - (turn % calls.length);
    if (calls.length === 1) break;
    const nextS = i === last ? sayS[0]! + lapTimeS : sayS[i + 1]!;
    sayS[i] = Math.min(sayS[i]!, nextS - calls[i]!.takesS);
    if (calls[i]!.latestS - sayS[i] > MOST_EARLY_S) return undefined;
  }
  return calls.map((call, i) => ({ call, sayS: sayS[i]! }));
}

/** A call of a kind where nothing of a lap is known: the next place, the left, third gear. */
export function plainCall(kind: CallKind): CallFact {
  switch (kind) {
    case 'look':
      return fact('look', {}, { where: 'the next place' });
    case 'beOn':
      return fact('beOn', {}, { side: 'left' });
    case 'gearDown':
    case 'gearUp':
      return fact(kind, {}, { to: 3 });
    default:
      return fact(kind, {});
  }
}
