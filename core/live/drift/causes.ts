import { activityOf, type Activity } from '../../day';
import { fact, type Fact } from '../../values';
import type { DayState } from '../../journal';
import type { Drift, Expected, Stuck } from './expected';

type Late = { readonly byS: number };

/** What has happened, or has not, that others have to wait for. */
export type DriftCause =
  | Fact<LateCode, { activity: Activity }, Late>
  | Fact<'guestNotHere', { guest: string }, { sinceS: number }>
  | Fact<'carOut', { car: string }, { reason: string; backAtS: number | undefined }>
  | Fact<'crewOff', { instructor: string }>
  | Fact<'guestUnwell' | 'missedClass' | 'missedRun' | 'noGuestThere', { guest: string }>
  | Fact<'circuitShut'>;

/** One cause with everything that begins later because of it, or cannot begin at all. */
export interface DriftLine {
  /** The same cause has the same key, however much later it makes things. */
  readonly key: string;
  readonly cause: DriftCause;
  /** In the order of the plan. */
  readonly later: readonly Expected[];
  readonly stuck: readonly Stuck[];
}

/** Beginning later by less than this is noise. */
export const NOTICED_S = 60;

/**
 * What begins later than accepted, or cannot begin, by its cause: the chain of what waits for what is followed back to
 * the first that is late for no other's sake.
 */
export function causesOf(drift: Drift, state: DayState): DriftLine[] {
  const lines = new Map<string, { cause: DriftCause; later: Expected[]; stuck: Stuck[] }>();
  const lineOf = ({ key, cause }: Root) => {
    let line = lines.get(key);
    if (!line) lines.set(key, (line = { cause, later: [], stuck: [] }));
    return line;
  };
  for (const one of drift.expected.values()) {
    if (one.phase === 'toCome' && one.lateS > NOTICED_S) lineOf(rootOf(one, drift, state)).later.push(one);
  }
  for (const one of drift.stuck.values()) lineOf(rootOfStuck(one, state)).stuck.push(one);
  return [...lines].map(([key, line]) => ({ key, ...line }));
}

type Root = Pick<DriftLine, 'key' | 'cause'>;

function rootOf(one: Expected, drift: Drift, state: DayState): Root {
  let late = one;
  for (;;) {
    const { waited } = late;
    if (!waited || waited.kind === 'begin') return lateRoot(late, 'notBegun');
    if (waited.kind === 'shut') return { key: 'shut', cause: fact('circuitShut', {}) };
    if (waited.kind === 'guestComes') {
      const { guest } = waited;
      const sinceS = state.guests.get(guest)?.guest.arrives ?? 0;
      return { key: `guest ${guest}`, cause: fact('guestNotHere', { guest }, { sinceS }) };
    }
    if (waited.kind === 'carBack') return carOut(waited.car, state);
    const before = drift.expected.get(waited.after)!;
    if (before.phase !== 'toCome') return begunLate(before, drift.timeS);
    if (before.lateS === 0) {
      // Something that is where it was accepted: longer than it was, or in the way of what came too late for its own place.
      const longerS = before.endS - before.occupancy.endS;
      return longerS > 0 ? lateRoot(before, 'lapsAdded', longerS) : lateRoot(late, 'notBegun');
    }
    late = before;
  }
}

type LateCode = 'cameInLate' | 'runsLate' | 'overLate' | 'notBegun' | 'lapsAdded';

function lateCodeOf({ phase, occupancy, trackEndS }: Expected, nowS: number): LateCode {
  if (occupancy.kind === 'drive') return trackEndS <= nowS ? 'cameInLate' : 'runsLate';
  return phase === 'over' ? 'overLate' : 'runsLate';
}

/** Something that has begun as a cause: that it ran over, or is running over. */
export function begunLate(of: Expected, nowS: number): Root {
  return lateRoot(of, lateCodeOf(of, nowS));
}

function lateRoot(of: Expected, code: LateCode, byS = of.lateS): Root {
  return { key: of.key, cause: fact(code, { activity: activityOf(of.occupancy) }, { byS }) };
}

function carOut(car: string, state: DayState): Root {
  const { heldFor, backAtS } = state.cars.get(car) ?? {};
  return { key: `car ${car}`, cause: fact('carOut', { car }, { reason: heldFor ?? '', backAtS }) };
}

function rootOfStuck({ why }: Stuck, state: DayState): Root {
  switch (why.kind) {
    case 'carOut':
      return carOut(why.car, state);
    case 'crewOff':
      return { key: `crew ${why.instructor}`, cause: fact('crewOff', { instructor: why.instructor }) };
    case 'missesAll':
      return { key: `guest ${why.guest}`, cause: fact('noGuestThere', { guest: why.guest }) };
    case 'guestUnwell':
    case 'missedClass':
    case 'missedRun':
      return { key: `guest ${why.guest}`, cause: fact(why.kind, { guest: why.guest }) };
  }
}

/** By how much the last of a line is late; nothing that is stuck counts. */
export function latestOf({ later }: Pick<DriftLine, 'later'>): number {
  return Math.max(0, ...later.map(({ lateS }) => lateS));
}
