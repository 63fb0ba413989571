import { type CallKind, callId } from '../../track/car';
import type { DriveState } from '../../journal';
import type { FaultEntry, Phase } from './fault-entry';

/** Which call a fault of each phase is answered by; those of the whole drive by none. */
const CALL_OF: Readonly<Record<Phase, CallKind | undefined>> = {
  look: 'look',
  brake: 'brake',
  gear: 'gearDown',
  release: 'release',
  turnIn: 'turn',
  apex: 'apex',
  balance: 'balance',
  throttle: 'throttle',
  exit: 'exit',
  slide: undefined,
  whole: undefined,
};

/** Faults that a call of their own answers, whatever their phase. */
const CALL_OF_FAULT: Readonly<Record<string, CallKind | undefined>> = {
  'hands-wander': 'hands',
  'paddle-lost': 'hands',
};

/** A call that comes sooner, or is made at all, as its fault came again at this corner. */
export interface SoonerCall {
  /** Of the call sheet. */
  readonly id: string;
  readonly corner: string;
  readonly kind: CallKind;
  readonly fault: FaultEntry;
  /** How often it was seen there, over all drives. */
  readonly times: number;
}

/** Seen so often at one corner, a fault has been repeated. */
const REPEATED = 2;

/**
 * The calls that a guest needs sooner: those of faults that were marked at least twice at one corner, in whatever drives
 * of the day. What was marked everywhere moves no call.
 *
 * @param drives of the guest, with what was marked in each
 */
export function soonerCalls(
  drives: readonly Pick<DriveState, 'drive' | 'marked'>[],
  vocabulary: ReadonlyMap<string, FaultEntry>,
): SoonerCall[] {
  const seen = new Map<string, { fault: FaultEntry; corner: string; places: Set<string> }>();
  for (const { drive, marked } of drives) {
    for (const { marks } of marked) {
      for (const { fault: id, corner, lap } of marks) {
        const fault = vocabulary.get(id);
        if (!fault || corner === undefined) continue;
        const key = `${id} ${corner}`;
        const known = seen.get(key) ?? { fault, corner, places: new Set<string>() };
        known.places.add(`${drive.id} ${lap ?? ''}`);
        seen.set(key, known);
      }
    }
  }
  const sooner = [...seen.values()].flatMap(({ fault, corner, places }): SoonerCall[] => {
    const kind = CALL_OF_FAULT[fault.id] ?? CALL_OF[fault.phase];
    if (!kind || places.size < REPEATED) return [];
    return [{ id: callId(corner, kind), corner, kind, fault, times: places.size }];
  });
  // One call is moved once, for the fault that came most often.
  const best = new Map<string, SoonerCall>();
  for (const one of sooner) if (one.times > (best.get(one.id)?.times ?? 0)) best.set(one.id, one);
  return [...best.values()];
}
