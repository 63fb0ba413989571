/**
 * Who is in which place behind the leader on each lap. The cars only ever rotate: whoever is first pulls aside, the others
 * pass, and it joins at the tail. So the table is a list of stretches of laps, each with the order of the one before moved on
 * by one, and what has to be decided is how long each stretch is.
 */

/** When the cars change: after so many laps each time, or whenever the leader calls it. */
export type ChangeAfter = number | 'onCall';

export interface Stretch {
  /** Laps in this order; at least one. */
  readonly laps: number;
  /** Numbers of the cars in their places, the first directly behind the leader; car 0 is first at the start. */
  readonly order: readonly number[];
}

export interface OrderTable {
  readonly cars: number;
  readonly stretches: readonly Stretch[];
  /** After the last stretch one more change brings the order of the start back, for the laps in which the cars cool. */
  readonly restores: boolean;
  /** Changes in all, that last one with them. */
  readonly changes: number;
  /** Laps directly behind the leader, and in the last place, by car. */
  readonly first: readonly number[];
  readonly last: readonly number[];
  /** The venue's rhythm would not be fair with so many laps, so the stretches have other lengths. */
  readonly adapted: boolean;
}

/** Fewest and most guests' cars behind one leader. */
export const FEWEST_CARS = 2;
export const MOST_CARS = 6;

/** The order of the start after so many changes. */
function rotated(cars: number, changes: number): number[] {
  return Array.from({ length: cars }, (_, place) => (place + changes) % cars);
}

function spread(counts: readonly number[]): number {
  return Math.max(...counts) - Math.min(...counts);
}

/** Laps behind the leader and in the last place of each car. */
function countsOf(cars: number, lengths: readonly number[]): { first: number[]; last: number[] } {
  const first = new Array<number>(cars).fill(0);
  const last = new Array<number>(cars).fill(0);
  lengths.forEach((laps, stretch) => {
    first[stretch % cars]! += laps;
    last[(stretch + cars - 1) % cars]! += laps;
  });
  return { first, last };
}

/** So many laps in so many stretches, the longer ones first. */
function shared(laps: number, stretches: number): number[] {
  return Array.from({ length: stretches }, (_, place) => Math.floor((laps + stretches - 1 - place) / stretches));
}

/** Stretches exactly as the venue changes, the last one as long as what is left. */
function asTheVenueDoes(laps: number, every: number): number[] {
  return Array.from({ length: Math.ceil(laps / every) }, (_, place) => Math.min(every, laps - place * every));
}

/**
 * The lengths of the stretches. A venue's rhythm is kept where it is fair. Where it is not, the laps are shared out over the
 * number of stretches nearest to that rhythm with which everybody leads equally often; with fewer laps than cars, lap by lap.
 */
function lengthsOf(cars: number, laps: number, after: ChangeAfter): { lengths: number[]; adapted: boolean } {
  if (after === 'onCall') return { lengths: shared(laps, Math.min(cars, laps)), adapted: false };
  const strict = asTheVenueDoes(laps, after);
  if (spread(countsOf(cars, strict).first) <= 1) return { lengths: strict, adapted: false };
  if (laps < cars) return { lengths: shared(laps, laps), adapted: true };
  const rounds = Math.max(1, Math.min(Math.floor(laps / cars), Math.round(laps / after / cars)));
  return { lengths: shared(laps, rounds * cars), adapted: true };
}

/**
 * The table of a train. Laps directly behind the leader differ by at most one between any two cars, and so do laps in the
 * last place.
 *
 * @param cars guests' cars behind the leader, `FEWEST_CARS` to `MOST_CARS`
 * @param laps between warming up and cooling down, at least 1
 */
export function orderTable(cars: number, laps: number, after: ChangeAfter): OrderTable {
  const { lengths, adapted } = lengthsOf(cars, laps, after);
  const restores = lengths.length % cars === 0;
  return {
    cars,
    stretches: lengths.map((length, stretch) => ({ laps: length, order: rotated(cars, stretch) })),
    restores,
    changes: lengths.length - 1 + (restores ? 1 : 0),
    ...countsOf(cars, lengths),
    adapted,
  };
}

/** Whether the laps come out even: everybody leads as often, in the venue's rhythm, and the first order comes back. */
export function comesOutEven(table: OrderTable): boolean {
  return table.restores && !table.adapted && spread(table.first) === 0;
}

/**
 * The numbers of laps nearest to the one wanted that come out even, fewer and more.
 *
 * @param most laps that a train may be given at most
 */
export function nearestEvenLaps(
  cars: number,
  laps: number,
  after: ChangeAfter,
  most = 50,
): { readonly fewer: number | undefined; readonly more: number | undefined } {
  const round = cars * (after === 'onCall' ? 1 : after);
  const fewer = Math.floor((laps - 1) / round) * round;
  const more = (Math.floor(laps / round) + 1) * round;
  return { fewer: fewer > 0 ? fewer : undefined, more: more <= most ? more : undefined };
}

/** The place of each car lap by lap, `rows[lap][place]`, for a strip that shows one column a lap. */
export function ordersByLap({ stretches }: OrderTable): (readonly number[])[] {
  return stretches.flatMap(({ laps, order }) => Array.from({ length: laps }, () => order));
}

/** A train as it runs, when the table has to be made anew. */
export interface TrainUnderWay {
  /** Cars that remain, in the order in which they follow the leader now. */
  readonly order: readonly number[];
  /** Laps that each of them has been directly behind the leader so far, in the same order. */
  readonly led: readonly number[];
  readonly lapsLeft: number;
}

/**
 * The stretches of a train of which somebody has left or to which somebody comes back: whoever has led less so far leads longer, as
 * evenly as the laps left allow. A stretch may have no lap: then two cars pull aside at once.
 *
 * @returns laps directly behind the leader to come, in the order given
 */
export function sharedAnew({ order, led, lapsLeft }: TrainUnderWay): number[] {
  const toCome = order.map(() => 0);
  for (let lap = 0; lap < lapsLeft; lap++) {
    let least = 0;
    for (let place = 1; place < order.length; place++) {
      if (led[place]! + toCome[place]! < led[least]! + toCome[least]!) least = place;
    }
    toCome[least]! += 1;
  }
  return toCome;
}

/** The rest of a train's table from where it is; the first stretch with laps is the order that is driven now or next. */
export function orderTableAnew(train: TrainUnderWay): readonly Stretch[] {
  const { order } = train;
  return sharedAnew(train).flatMap((laps, place) =>
    laps === 0 ? [] : [{ laps, order: [...order.slice(place), ...order.slice(0, place)] }],
  );
}
