import { fact, type Fact } from '../../values';
import type { Refusal, LapEstimate } from '../../journal';
import type { LapShape } from './lap-shape';
import { expectedPasses, passesOf, type Pass } from './meetings';
import { offAfter, progressOfRunner, reachedS, type Runner } from './runner';

/** A car or a sighting vehicle that waits at the pit exit. */
export interface Waiting {
  readonly id: string;
  readonly kind: Runner['kind'];
  /** Id of its car. */
  readonly vehicle: string;
  readonly lap: LapEstimate;
  /** Crossings of the line that it is to make. */
  readonly crossings: number;
  /** How long it may wait until something after it begins later, seconds. */
  readonly slackS: number;
  /** Cars that go out behind it as one with it, each so many seconds after the one before. */
  readonly behind?: { readonly cars: number; readonly apartS: number };
}

/** What the venue allows. */
export interface ReleaseLimits {
  readonly nowS: number;
  readonly releaseGapS: number;
  readonly lastReleaseS: number | undefined;
  readonly maxCarsOnTrack: number;
  readonly firstLapFactor: number;
  /** Why nobody is let out at a time, or nothing. */
  readonly shut: (atS: number) => Refusal | undefined;
  /** Cars that wait, this one among them: what it waits, they wait too. */
  readonly queue: number;
  /** Others than those of this product, to compare them. */
  readonly prices?: WaitingPrices;
}

/** What stands against letting out at a moment. */
type Hindrance = 'shut' | 'gap' | 'full';

interface ReleaseMoment {
  /** Seconds since midnight. */
  readonly atS: number;
  readonly hindrance: Hindrance | undefined;
  /** Until the next vehicle comes past the exit. */
  readonly gapBehindS: number;
  /** Passes to be expected over the whole drive. */
  readonly passes: number;
  /** What there is to be said against this moment, in passes. */
  readonly trouble: number;
}

/** A stretch of moments that look alike. */
export interface ReleaseWindow {
  readonly fromS: number;
  readonly toS: number;
  readonly hindrance: Hindrance | undefined;
  /** To the whole number. */
  readonly passes: number;
}

/** A vehicle on the circuit, by its id. */
export type RunnerName = Pick<Runner, 'kind' | 'vehicle'>;

/** Why to let out, or to hold for so long. */
export type AdviceReason =
  | Fact<'shut', object, { refusal: Refusal }>
  | Fact<'noRoom', object, { withinS: number }>
  | Fact<'clear', object, { passes: number; nextS: number | undefined; tight: boolean }>
  | Fact<'circuitFull', { next: RunnerName | undefined }, { waitS: number }>
  | Fact<'releaseGap', object, { waitS: number; gapS: number }>
  | Fact<'thenClear', object, { waitS: number }>
  | Fact<'lastLap' | 'tooNear', { runner: RunnerName }, { waitS: number }>
  /** It comes past so often until then, the last time so long before. */
  | Fact<'letPast', { runner: RunnerName }, { waitS: number; times: number; aheadS: number }>
  | Fact<
      'wouldBePassed' | 'wouldPass',
      { runner: RunnerName },
      { waitS: number; lap: number; corner: string | undefined }
    >;

export interface ReleaseAdvice {
  readonly moments: readonly ReleaseMoment[];
  readonly windows: readonly ReleaseWindow[];
  /** The moment that is recommended; nothing where none is allowed within the horizon. */
  readonly best: ReleaseMoment | undefined;
  /** Let out now. */
  readonly go: boolean;
  readonly why: AdviceReason;
  /** The passes to come if it is let out at the best moment and everybody drives as expected. */
  readonly ahead: readonly Pass[];
}

/** How far ahead windows are told. */
export const HORIZON_S = 180;
/** What a minute of waiting is worth, in passes. */
export interface WaitingPrices {
  readonly perMin: number;
  /** More for each further car in the queue, … */
  readonly perFollower: number;
  /** … and where the plan cannot spare it. */
  readonly late: number;
}

/** Chosen on simulated days, see `docs/performance.md`. */
export const PRICES: WaitingPrices = { perMin: 0.95, perFollower: 0.3, late: 0.2 };
/** A car that comes past so soon after finds one that is still gathering speed. */
const CLEAR_BEHIND_S = 5;
const BEHIND_WEIGHT = 1;
/** With less than this until the next car comes past the road is not called clear. */
const TIGHT_S = 8;
/** A swap of two waiting cars is advised where it saves at least so much. */
export const SWAP_FROM = 0.5;
/** A moment as good as the best but for this much is as good. */
const GOOD_ENOUGH = 0.06;

/**
 * When to let a car out, over the next three minutes: what is allowed, what is to be expected, what is recommended, and
 * why. Advice only; it opens nothing.
 *
 * @param stepS seconds between the moments that are looked at
 */
export function releaseAdvice(
  waiting: Waiting,
  runners: readonly Runner[],
  limits: ReleaseLimits,
  shape: LapShape,
  stepS = 1,
): ReleaseAdvice {
  const moments: ReleaseMoment[] = [];
  const offsS = runners.map((runner) => reachedS(runner, runner.off));
  for (let waitS = 0; waitS <= HORIZON_S; waitS += stepS) {
    moments.push(momentAt(limits.nowS + waitS, waiting, runners, offsS, limits, shape));
  }
  let best: ReleaseMoment | undefined;
  for (const moment of moments) {
    if (moment.hindrance === undefined && (!best || moment.trouble < best.trouble - GOOD_ENOUGH)) best = moment;
  }
  const go = best !== undefined && best.atS === limits.nowS;
  const joined = best ? allJoining(waiting, best.atS, limits, shape) : [];
  return {
    moments,
    windows: windowsOf(moments, stepS),
    best,
    go,
    why: reasonFor(moments, best, waiting, runners, offsS, limits, shape),
    ahead: joined.flatMap((one) => runners.flatMap((runner) => passesOf(one, runner))).sort((a, b) => a.atS - b.atS),
  };
}

/** The waiting car as it would run if let out at a time. */
export function joining(
  { id, kind, vehicle, lap, crossings }: Waiting,
  atS: number,
  limits: Pick<ReleaseLimits, 'firstLapFactor'>,
  shape: LapShape,
): Runner {
  const off = offAfter(crossings, shape);
  // Whoever gives a sighting run knows the way from the first lap on.
  const firstLapFactor = kind === 'drive' ? limits.firstLapFactor : 1;
  return { id, kind, vehicle, fromS: atS, progress: shape.pitExit, lap, firstLapFactor, off };
}

/** All that goes out with it: the cars of a train one after the other. */
export function allJoining(
  waiting: Waiting,
  atS: number,
  limits: Pick<ReleaseLimits, 'firstLapFactor'>,
  shape: LapShape,
): Runner[] {
  const { cars, apartS } = waiting.behind ?? { cars: 0, apartS: 0 };
  const first = joining(waiting, atS, limits, shape);
  return Array.from({ length: cars + 1 }, (_, place) => ({ ...first, fromS: atS + place * apartS }));
}

function momentAt(
  atS: number,
  waiting: Waiting,
  runners: readonly Runner[],
  offsS: readonly number[],
  limits: ReleaseLimits,
  shape: LapShape,
): ReleaseMoment {
  const joined = allJoining(waiting, atS, limits, shape);
  let gapBehindS = Infinity;
  let passes = 0;
  let onCircuit = 0;
  runners.forEach((runner, place) => {
    if (offsS[place]! <= atS) return;
    onCircuit += 1;
    const progress = progressOfRunner(runner, atS);
    const before = Math.floor(progress - shape.pitExit) + shape.pitExit;
    const nextS = reachedS(runner, before + 1);
    // Whoever comes past before the last car of a train is out drives into the train.
    if (nextS <= offsS[place]!) gapBehindS = Math.min(gapBehindS, Math.max(0, nextS - joined.at(-1)!.fromS));
    for (const one of joined) passes += expectedPasses(one, runner);
  });
  const waitMin = (atS - limits.nowS) / 60;
  const { perMin, perFollower, late } = limits.prices ?? PRICES;
  const queuePerMin = perMin + perFollower * Math.max(0, limits.queue - 1);
  return {
    atS,
    hindrance: hindranceAt(atS, onCircuit + joined.length, limits),
    gapBehindS,
    passes,
    trouble:
      passes +
      BEHIND_WEIGHT * nearness(gapBehindS, CLEAR_BEHIND_S) +
      queuePerMin * waitMin +
      late * Math.max(0, waitMin - waiting.slackS / 60),
  };
}

/** 1 at the same place, 0 from a gap on that is clear. */
function nearness(gapS: number, clearS: number): number {
  return Math.max(0, 1 - gapS / clearS);
}

function hindranceAt(atS: number, thenOnCircuit: number, limits: ReleaseLimits): Hindrance | undefined {
  if (limits.shut(atS) !== undefined) return 'shut';
  if (thenOnCircuit > limits.maxCarsOnTrack) return 'full';
  return limits.lastReleaseS !== undefined && atS < limits.lastReleaseS + limits.releaseGapS ? 'gap' : undefined;
}

function windowsOf(moments: readonly ReleaseMoment[], stepS: number): ReleaseWindow[] {
  const windows: ReleaseWindow[] = [];
  for (const { atS, hindrance, passes } of moments) {
    const last = windows.at(-1);
    const whole = hindrance === undefined ? Math.round(passes) : 0;
    if (last && last.hindrance === hindrance && last.passes === whole) {
      windows[windows.length - 1] = { ...last, toS: atS + stepS };
    } else windows.push({ fromS: atS, toS: atS + stepS, hindrance, passes: whole });
  }
  return windows;
}

function reasonFor(
  moments: readonly ReleaseMoment[],
  best: ReleaseMoment | undefined,
  waiting: Waiting,
  runners: readonly Runner[],
  offsS: readonly number[],
  limits: ReleaseLimits,
  shape: LapShape,
): AdviceReason {
  const now = moments[0]!;
  const { nowS } = limits;
  if (now.hindrance === 'shut') return fact('shut', {}, { refusal: limits.shut(nowS)! });
  if (!best) return fact('noRoom', {}, { withinS: HORIZON_S });
  const waitS = best.atS - nowS;
  if (waitS === 0) {
    const { passes, gapBehindS } = best;
    const nextS = Number.isFinite(gapBehindS) ? gapBehindS : undefined;
    return fact('clear', {}, { passes: Math.round(passes), nextS, tight: gapBehindS < TIGHT_S });
  }
  const wait = { waitS };
  // What hinders last is the reason where all moments before are hindered; where one of them is free, it is the traffic.
  const free = moments.find(({ hindrance }) => hindrance === undefined)!;
  const before = free === best ? moments[moments.indexOf(best) - 1] : undefined;
  if (before?.hindrance === 'shut') return fact('shut', {}, { refusal: limits.shut(before.atS)! });
  if (before?.hindrance === 'full') {
    const next = offsS.indexOf(Math.min(...offsS));
    return fact('circuitFull', { next: runners[next] && nameOf(runners[next]) }, wait);
  }
  if (before?.hindrance === 'gap') {
    return fact('releaseGap', {}, { ...wait, gapS: limits.releaseGapS });
  }
  // The vehicle that makes most of the difference between the first free moment and then is the reason.
  const atOnce = joining(waiting, free.atS, limits, shape);
  const later = joining(waiting, best.atS, limits, shape);
  let reason: { readonly runner: Runner; readonly offS: number; readonly saved: number } | undefined;
  runners.forEach((runner, place) => {
    const then = offsS[place]! <= best.atS ? 0 : expectedPasses(later, runner);
    const saved = expectedPasses(atOnce, runner) - then;
    if (!reason || saved > reason.saved) reason = { runner, offS: offsS[place]!, saved };
  });
  if (!reason) return fact('thenClear', {}, wait);
  const { runner, offS } = reason;
  const of = { runner: nameOf(runner) };
  const lastLap = runner.off - runner.progress < 1;
  if (lastLap && offS <= best.atS + 2 * waiting.lap.lapS) return fact('lastLap', of, wait);
  const pastExit = (atS: number) => Math.floor(Math.min(progressOfRunner(runner, atS), runner.off) - shape.pitExit);
  const times = pastExit(best.atS) - pastExit(nowS);
  if (times > 0) {
    const aheadS = best.atS - reachedS(runner, pastExit(best.atS) + shape.pitExit);
    return fact('letPast', of, { ...wait, times, aheadS });
  }
  const pass = passesOf(atOnce, runner)[0];
  if (!pass) return fact('tooNear', of, wait);
  const corner = shape.cornerAt(shape.placeAt(pass.timeShare));
  return pass.passed === waiting.id
    ? fact('wouldBePassed', of, { ...wait, lap: pass.passedLap, corner })
    : fact('wouldPass', of, { ...wait, lap: pass.passingLap, corner });
}

const nameOf = ({ kind, vehicle }: Runner): RunnerName => ({ kind, vehicle });

/** Passes that letting the second car out before the first would save; 0 where it would not. */
export function swapSaves(
  [first, second]: readonly [Waiting, Waiting],
  runners: readonly Runner[],
  limits: ReleaseLimits,
  shape: LapShape,
): number {
  const inOrder = troubleInOrder([first, second], runners, limits, shape);
  const swapped = troubleInOrder([second, first], runners, limits, shape);
  return inOrder === undefined || swapped === undefined ? 0 : Math.max(0, inOrder - swapped);
}

/** Looking at every fourth second is enough to compare two orders. */
const SWAP_STEP_S = 4;

function troubleInOrder(
  [first, second]: readonly [Waiting, Waiting],
  runners: readonly Runner[],
  limits: ReleaseLimits,
  shape: LapShape,
): number | undefined {
  const { best } = releaseAdvice(first, runners, limits, shape, SWAP_STEP_S);
  if (!best) return undefined;
  const out = allJoining(first, best.atS, limits, shape);
  const then = { ...limits, nowS: best.atS, lastReleaseS: best.atS, queue: limits.queue - 1 };
  // The others go on from now; as runners are told from a moment, the same ones serve.
  const next = releaseAdvice(second, [...runners, ...out], then, shape, SWAP_STEP_S).best;
  return next && best.trouble + next.trouble;
}
