import { fact } from '../../values';
import { CALL_KINDS, type CallKind } from './call-kinds';
import type { Call, CornerCalls } from './calls';

/** How calls become fewer as a guest goes on. */
export interface CallProgress {
  /** The lap, from 1. */
  readonly lap: number;
  /** From this lap on nothing is called but where a corner is marked. */
  readonly quietFromLap: number;
  /** Names of corners at which a fault was marked in this drive or the last. */
  readonly marked: ReadonlySet<string>;
}

/** On the second lap only what weighs so much is still called, and so it is at marked corners from then on. */
const STILL_CALLED = 6;
/** A gear is called as long as it is called at all: nobody changes by ear. */
const ALWAYS: ReadonlySet<CallKind> = new Set(['gearDown', 'gearUp', 'lift']);

/**
 * The calls of one lap of a drive: on the first lap all, then fewer, and quiet from a lap on, except for gears and at
 * marked corners. Where a corner is taken in steps, what is asked for is that of the lap.
 */
export function callsOnLap(corners: readonly CornerCalls[], progress: CallProgress): CornerCalls[] {
  const { lap, quietFromLap, marked } = progress;
  const isCalled = (kind: CallKind, { corner }: CornerCalls) => {
    const loud = lap === 1 || marked.has(corner);
    const least = loud ? (lap === 1 ? 0 : STILL_CALLED) : lap < quietFromLap ? STILL_CALLED : Infinity;
    return ALWAYS.has(kind) || CALL_KINDS[kind].weight >= least;
  };
  const onLap = corners.map((corner) => ({
    ...corner,
    calls: corner.calls
      .filter(({ kind, sooner }) => sooner || isCalled(kind, corner))
      .map((call) => steppedCall(call, corner.steps, lap)),
  }));
  const said = new Map(onLap.flatMap(({ calls }) => calls.map(({ id, what }) => [id, what] as const)));
  // What found no room beside a call that is not said on this lap did not give way to it.
  return onLap.map((corner) => ({
    ...corner,
    dropped: corner.dropped.flatMap((one) => {
      const beside = said.get(one.besideId);
      return beside && isCalled(one.kind, corner) ? [{ ...one, beside }] : [];
    }),
  }));
}

/** What is asked for at the brake of a corner on a lap, where the venue goes there in steps. */
function steppedCall(call: Call, steps: CornerCalls['steps'], lap: number): Call {
  if (call.kind !== 'brake') return call;
  const step = [...steps].sort((a, b) => a.fromLap - b.fromLap).findLast(({ fromLap }) => fromLap <= lap);
  if (!step || step.brake === 'full') return call;
  return { ...call, what: step.brake === 'lift' ? fact('lift', {}) : fact('brakeLightly', {}) };
}
