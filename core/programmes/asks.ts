import type { CornerStep } from './ordinary';
import type { FollowProgramme } from './programme';

/** What is asked at a corner from a lap at pace on. */
export type CornerAsk = NonNullable<FollowProgramme['asks']>[number];

/** A corner of the circuit, as its book tells what is asked there on the first laps. */
export interface BookedCorner {
  readonly name: string;
  readonly steps?: readonly { readonly fromLap: number; readonly brake: 'lift' | 'light' | 'full' }[] | undefined;
}

const AS_ASKED: Readonly<Record<'lift' | 'light' | 'full', CornerStep>> = {
  lift: 'coast',
  light: 'lightBrake',
  full: 'full',
};

/**
 * What a train is asked for at each corner: what the group itself says of a corner, or else what the corner book does.
 *
 * @param book in the order of the lap
 */
export function cornerAsks({ asks = [] }: Pick<FollowProgramme, 'asks'>, book: readonly BookedCorner[]): CornerAsk[] {
  const own = new Set(asks.map(({ corner }) => corner));
  const place = new Map(book.map(({ name }, at) => [name, at]));
  const booked = book
    .filter(({ name }) => !own.has(name))
    .flatMap(({ name, steps = [] }) =>
      steps.map(({ fromLap, brake }): CornerAsk => ({ corner: name, fromLap, step: AS_ASKED[brake] })),
    );
  return [...asks, ...booked].sort(
    (a, b) => (place.get(a.corner) ?? Infinity) - (place.get(b.corner) ?? Infinity) || a.fromLap - b.fromLap,
  );
}

/** What holds at each corner on a lap at pace: of several steps the last that has begun. */
export function asksOnLap(asks: readonly CornerAsk[], lap: number): CornerAsk[] {
  const now = new Map<string, CornerAsk>();
  for (const ask of asks) {
    const before = now.get(ask.corner);
    if (ask.fromLap <= lap && (before === undefined || before.fromLap <= ask.fromLap)) now.set(ask.corner, ask);
  }
  return [...now.values()];
}
