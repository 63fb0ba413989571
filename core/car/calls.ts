import { cornerName } from '../circuit/cones';
import { fact, type Fact } from '../day/fact';
import type { TaughtCorner } from '../circuit/teaching-line';
import type { Lap } from './lap';
import { slowestIn, stationOn, taughtBraking, type BrakingCustom } from './study';

export type CallKind = 'brake' | 'gearDown' | 'release' | 'turn' | 'apex' | 'balance' | 'throttle' | 'exit' | 'gearUp';

/** What is called; gears by number. */
export type CallFact =
  | Fact<'brake' | 'release' | 'easeOff' | 'turn' | 'apex' | 'secondApex' | 'balance' | 'throttle' | 'exit'>
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
  readonly speedKmh: number;
  readonly note: string | undefined;
}

export interface CornerCalls {
  readonly corner: string;
  readonly number: number;
  readonly direction: 'left' | 'right';
  readonly calls: readonly Call[];
  readonly remarks: readonly CornerRemark[];
}

export interface CallSettings {
  /** How long it takes to say a call. */
  readonly speechS: number;
  /** How long a guest takes to act. */
  readonly reactionS: number;
  readonly gearbox: 'auto' | 'paddle';
  /** Throttle in mid-corner: a light one that holds the car, or none until the wheel unwinds. */
  readonly throttle: 'maintenance' | 'none';
  /** Braking is finished in a straight line, or trailed off into the turn. */
  readonly braking: BrakingCustom;
  /** Calls (by id) that this guest needs sooner, as the fault came again. */
  readonly sooner?: ReadonlySet<string>;
}

/** How much sooner a call is said to a guest who has made the fault again. */
export const SOONER_S = 0.5;

const PEDAL = 0.25;

/** The calls of a lap, corner by corner, each in the order in which it is said. */
export function callSheet(lap: Lap, taught: readonly TaughtCorner[], settings: CallSettings): CornerCalls[] {
  return taught.map((one, index) => {
    const before = taught[(index + taught.length - 1) % taught.length]!;
    const after = taught[(index + 1) % taught.length]!;
    return cornerCalls(lap, one, { before, after }, settings);
  });
}

function cornerCalls(
  lap: Lap,
  taught: TaughtCorner,
  { before, after }: { before: TaughtCorner; after: TaughtCorner },
  settings: CallSettings,
): CornerCalls {
  const { line } = lap;
  const n = line.centreM.length;
  const corner = cornerName(taught);
  const book = taught.named?.book ?? {};
  const station = (atM: number) => stationOn(line, atM);
  const calls: (Omit<Call, 'sayM'> & { order: number; at: number; leadS: number })[] = [];
  const from = station(taught.turnInM);
  const order = (i: number) => ((i - from + n + n / 2) % n) - n / 2;
  const add = (kind: CallKind, at: number, what: CallFact, note?: string) => {
    const id = `${corner}-${kind}${calls.some((call) => call.kind === kind) ? `-${calls.length}` : ''}`;
    const leadS = settings.speechS + settings.reactionS + (settings.sooner?.has(id) ? SOONER_S : 0);
    calls.push({
      id,
      kind,
      what,
      actM: line.centreM[at]!,
      speedKmh: lap.speedMps[at]! * 3.6,
      note,
      order: order(at),
      at,
      leadS,
    });
  };

  const braking = taughtBraking(lap, taught, settings.braking, before.corner.exitM);
  const slowest = slowestIn(lap, taught);
  const turnIn = from;
  const exit = station(taught.exitM);
  const nextTurnIn = order(station(after.turnInM)) + (after === taught ? n : 0);
  if (braking) {
    add('brake', braking.from, fact('brake', {}));
    add('release', braking.to, fact(settings.braking === 'straight' ? 'release' : 'easeOff', {}));
  }
  if (settings.gearbox === 'paddle') {
    for (const down of downChanges(lap, braking ?? { from: turnIn, to: slowest })) {
      const inCorner = book.noGearChange && order(down.station) > order(turnIn);
      add('gearDown', inCorner ? turnIn : down.station, fact('gearDown', {}, { to: down.to }));
    }
  }
  add('turn', turnIn, fact('turn', {}));
  taught.apexesM.forEach((apexM, which) =>
    add('apex', station(apexM), fact(which === 0 ? 'apex' : 'secondApex', {}), which === 0 ? book.lookAt : undefined),
  );
  const throttle = book.throttle ?? settings.throttle;
  if (throttle === 'maintenance') add('balance', slowest, fact('balance', {}));
  let pick = slowest;
  while (order(pick) < order(exit) && lap.throttle[pick]! < PEDAL) pick = (pick + 1) % n;
  // None before the last apex, whatever the car could take: the urge comes early enough by itself.
  const lastApex = station(taught.apexesM.at(-1)!);
  add('throttle', order(pick) < order(lastApex) ? lastApex : pick, fact('throttle', {}));
  if (taught.exitFree) add('exit', exit, fact('exit', {}));
  if (settings.gearbox === 'paddle') {
    const up = lap.changes.find(
      ({ station: at, from: was, to }) => to > was && order(at) > order(slowest) && order(at) < nextTurnIn,
    );
    if (up)
      add(
        'gearUp',
        book.noGearChange && order(up.station) < order(exit) ? exit : up.station,
        fact('gearUp', {}, { to: up.to }),
      );
  }
  const remarks: CornerRemark[] = [
    fact(throttle === 'maintenance' ? 'lightThrottle' : 'noThrottleYet', {}),
    ...(taught.exitFree ? [] : [fact('noExitCone', {})]),
    ...(book.noGearChange ? [fact('noGearChange', {})] : []),
    ...(book.givenAway ? [fact('givenAway', {})] : []),
    ...(book.kerbs ? [fact(book.kerbs === 'ride' ? 'rideKerbs' : 'avoidKerbs', {})] : []),
    ...(book.slippery ? [fact('slippery', {}, { where: book.slippery })] : []),
    ...(book.roadMarks ? [fact('roadMarks', {}, { text: book.roadMarks })] : []),
    ...(book.mistakes ? [fact('oftenWrong', {}, { text: book.mistakes })] : []),
  ];
  return {
    corner,
    number: taught.corner.number,
    direction: taught.corner.direction,
    calls: oneAfterAnother(
      lap,
      calls.sort((a, b) => a.order - b.order),
      settings.speechS,
    ),
    remarks,
  };
}

/** Calls as they are said: none before the one that comes first has been said to its end. */
function oneAfterAnother(
  lap: Lap,
  calls: readonly (Omit<Call, 'sayM'> & { readonly order: number; readonly at: number; readonly leadS: number })[],
  speechS: number,
): Call[] {
  const said: Call[] = [];
  let latestS = Infinity;
  for (const { order: _, at, leadS, ...call } of [...calls].reverse()) {
    // Times are counted from the last call of the corner, so that a lap's end between two does no harm.
    const toLastS =
      ((lap.timeS[calls.at(-1)!.at]! - lap.timeS[at]! + 1.5 * lap.lapTimeS) % lap.lapTimeS) - lap.lapTimeS / 2;
    const sayS = Math.min(-toLastS - leadS, latestS);
    latestS = sayS - speechS;
    said.push({ ...call, sayM: lap.line.centreM[earlier(lap, at, -sayS - toLastS)]! });
  }
  return said.reverse();
}

/** The station at which the car is so many seconds before it comes to another. */
function earlier(lap: Lap, at: number, leadS: number): number {
  const n = lap.timeS.length;
  let i = at;
  for (let back = 0; back < n; back++) {
    const before = (lap.timeS[at]! - lap.timeS[i]! + lap.lapTimeS) % lap.lapTimeS;
    if (before >= leadS && i !== at) break;
    i = (i - 1 + n) % n;
  }
  return i;
}

/** Changes down while braking; several in a row become one call for the last gear of each step that is far enough apart. */
function downChanges(lap: Lap, { from, to }: { from: number; to: number }): { station: number; to: number }[] {
  const n = lap.gear.length;
  const within = (i: number) => (i - from + n) % n <= (to - from + n) % n;
  return lap.changes.filter(({ station, from: was, to: now }) => now < was && within(station));
}
