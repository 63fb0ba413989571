import { orderTable, orderTableAnew, type Stretch } from './order-table';
import type { SpacingPhase } from './ordinary';
import type { FollowProgramme } from './programme';

/** A train at one moment: how far it is, who is where, and what is said next. Guests are called by their ids. */

export type TrainPhase = 'warmUp' | 'laps' | 'coolDown' | 'over';

/** A change of places, as the leader says it. */
export interface NextChange {
  /** Laps until it takes place; 0: at the end of this lap. */
  readonly inLaps: number;
  /** Who pulls aside; two at once where the table is made anew. */
  readonly aside: readonly string[];
  /** The order after it. */
  readonly order: readonly string[];
  /** It brings the first order back, for the laps in which the cars cool. */
  readonly restores: boolean;
}

export interface TrainNow {
  readonly phase: TrainPhase;
  /** Of this phase, from 1. */
  readonly lap: number;
  readonly laps: number;
  readonly order: readonly string[];
  readonly next: NextChange | undefined;
}

/** What is known of a train that runs. */
export interface TrainKnown {
  /** The order of the start. */
  readonly start: readonly string[];
  /** Who follows the leader now. */
  readonly order: readonly string[];
  /** The order of each lap that is done, warming up included. */
  readonly done: readonly (readonly string[])[];
}

/** Laps from the first to the last, warming up and cooling down included. */
export function lapsInAll({ warmUpLaps, laps, coolDownLaps }: FollowProgramme): number {
  return warmUpLaps + laps + coolDownLaps;
}

/** Orders by lap that are still to come, the lap that is being driven first. */
export function ordersToCome(programme: FollowProgramme, known: TrainKnown): (readonly string[])[] {
  const { warmUpLaps, coolDownLaps } = programme;
  const doneLaps = known.done.length;
  const main = mainOrders(programme, known);
  const restored = main.restores ? known.start.filter((guest) => known.order.includes(guest)) : main.orders.at(-1);
  const last = restored ?? known.order;
  return [
    ...Array.from({ length: Math.max(0, warmUpLaps - doneLaps) }, () => known.order),
    ...main.orders,
    ...Array.from({ length: Math.min(coolDownLaps, lapsInAll(programme) - doneLaps) }, () => last),
  ];
}

/** The laps at pace that are left: as the table says while the train is whole, made anew for those who remain otherwise. */
function mainOrders(
  { warmUpLaps, laps, change }: FollowProgramme,
  { start, order, done }: TrainKnown,
): { readonly orders: (readonly string[])[]; readonly restores: boolean } {
  const driven = Math.max(0, Math.min(laps, done.length - warmUpLaps));
  const table = orderTable(start.length, laps, change.after);
  const planned = table.stretches.flatMap(({ laps: count, order: places }) =>
    Array.from({ length: count }, () => places.map((place) => start[place]!)),
  );
  const asPlanned = driven < laps && sameOrder(planned[driven]!, order);
  if (driven >= laps) return { orders: [], restores: table.restores && order.length === start.length };
  if (asPlanned && order.length === start.length) return { orders: planned.slice(driven), restores: table.restores };
  const led = order.map((guest) => done.slice(warmUpLaps).filter((lap) => lap[0] === guest).length);
  const places = order.map((_, place) => place);
  const anew: readonly Stretch[] =
    order.length === 0 ? [] : orderTableAnew({ order: places, led, lapsLeft: laps - driven });
  return {
    orders: anew.flatMap(({ laps: count, order: now }) =>
      Array.from({ length: count }, () => now.map((place) => order[place]!)),
    ),
    restores: false,
  };
}

function sameOrder(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((guest, place) => guest === other[place]);
}

/** Laps at pace until people are in step with each other. */
const IN_STEP_AFTER = 2;

/** How near the cars follow on the lap after so many. */
export function spacingPhase(
  { warmUpLaps, laps }: Pick<FollowProgramme, 'warmUpLaps' | 'laps'>,
  lapsDone: number,
): SpacingPhase {
  if (lapsDone >= warmUpLaps + laps) return 'coolDown';
  return lapsDone >= warmUpLaps + IN_STEP_AFTER ? 'practised' : 'start';
}

/** Where a train is and what comes next. */
export function trainNow(programme: FollowProgramme, known: TrainKnown): TrainNow {
  const { warmUpLaps, laps, coolDownLaps } = programme;
  const done = known.done.length;
  const phases = [
    ['warmUp', warmUpLaps],
    ['laps', laps],
    ['coolDown', coolDownLaps],
  ] as const;
  let before = 0;
  let phase: TrainPhase = 'over';
  let inPhase = { lap: 0, laps: 0 };
  for (const [name, count] of phases) {
    if (done < before + count) {
      phase = name;
      inPhase = { lap: done - before + 1, laps: count };
      break;
    }
    before += count;
  }
  return { phase, ...inPhase, order: known.order, next: nextChange(programme, known) };
}

function nextChange(programme: FollowProgramme, known: TrainKnown): NextChange | undefined {
  const toCome = ordersToCome(programme, known);
  const inLaps = toCome.findIndex((order, lap) => lap > 0 && !sameOrder(order, toCome[0] ?? []));
  if (inLaps < 0) return undefined;
  const [now, then] = [toCome[inLaps - 1]!, toCome[inLaps]!];
  const aside = now.slice(0, now.indexOf(then[0]!));
  const lapsLeftAtPace = programme.warmUpLaps + programme.laps - known.done.length;
  return { inLaps: inLaps - 1, aside, order: then, restores: inLaps >= lapsLeftAtPace };
}
