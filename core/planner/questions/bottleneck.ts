import { fact, overlaps, withoutWindows, type Fact, type Interval, type TimeWindow } from '../../values';
import type { Schedule } from '../../day';
import { onCircuit } from '../../rules';

const QUARTER_S = 900;

/** How much of one resource is used in each quarter hour of the opening hours. */
export interface ResourceLoad {
  readonly kind: 'releases' | 'circuit' | 'car' | 'instructor';
  /** Of the car or the instructor; the kind again where there is only one of it. */
  readonly id: string;
  /** Share of the quarter hour, 0 to 1; undefined where it is not there. */
  readonly used: readonly (number | undefined)[];
  /** Share of all the time it is there. */
  readonly overall: number;
}

export interface Bottleneck {
  /** Start of each quarter hour. */
  readonly quarters: readonly number[];
  readonly resources: readonly ResourceLoad[];
  readonly limits: Limit;
}

/** What limits the day: one car by itself, or a kind of resource with the busiest one of it; shares are of all its time. */
export type Limit =
  | Fact<'nothing'>
  | Fact<'car', { car: string }, { share: number }>
  | Fact<'kind', { id: string }, { kind: ResourceLoad['kind']; share: number; peakShare: number; peakS: number }>;

/**
 * The use of the circuit (releases against the least gap, vehicles at once against the limit), of each car (with its
 * turnarounds and refuels) and of each instructor, by quarter hour. A closed circuit offers nothing.
 */
export function bottleneckOf(schedule: Schedule): Bottleneck {
  const { day, index } = schedule;
  const quarters: number[] = [];
  for (let from = day.opens; from < day.closes; from += QUARTER_S) quarters.push(from);
  const slices = quarters.map((startS) => ({ startS, endS: Math.min(startS + QUARTER_S, day.closes) }));
  const open = withoutWindows([{ from: day.opens, to: day.closes }], day.circuit.closures);
  const vehicles = [...schedule.sightings, ...schedule.drives];

  const load = (
    kind: ResourceLoad['kind'],
    id: string,
    windows: readonly TimeWindow[],
    occupancies: readonly Interval[],
    capacity = 1,
  ): ResourceLoad => {
    const there = slices.map((slice) => overlapS(slice, windows.map(asInterval)));
    const held = slices.map((slice) => overlapS(slice, occupancies));
    return {
      kind,
      id,
      used: there.map((seconds, i) => (seconds === 0 ? undefined : held[i]! / (seconds * capacity))),
      overall: sum(held) / Math.max(1, sum(there) * capacity),
    };
  };

  const gapS = day.rules.releaseGapS;
  const resources = [
    load(
      'releases',
      'releases',
      open,
      vehicles.map(({ releaseS }) => ({ startS: releaseS, endS: releaseS + gapS })),
    ),
    load('circuit', 'circuit', open, vehicles.map(onCircuit), day.rules.maxCarsOnTrack),
    ...day.cars.map((car) =>
      load('car', car.id, index.windows(car), [
        ...schedule.drives
          .filter((occupancy) => occupancy.car === car)
          .map(({ startS, endS }) => ({ startS, endS: endS + day.rules.turnaroundS })),
        ...schedule.refuels.filter((occupancy) => occupancy.car === car),
      ]),
    ),
    ...day.instructors.map((who) =>
      load('instructor', who.id, index.windows(who), schedule.crewOccupancies.get(who.id) ?? []),
    ),
  ];
  return { quarters, resources, limits: limitOf(resources, quarters) };
}

function limitOf(resources: readonly ResourceLoad[], quarters: readonly number[]): Limit {
  const kinds = (['instructor', 'car', 'circuit', 'releases'] as const).flatMap((kind) => {
    const of = resources.filter((resource) => resource.kind === kind);
    return of.length === 0 ? [] : [{ kind, of, overall: sum(of.map(({ overall }) => overall)) / of.length }];
  });
  // One car that is booked out limits its guests even where the fleet as a whole has time.
  const busiestCar = [...resources].filter(({ kind }) => kind === 'car').sort((a, b) => b.overall - a.overall)[0];
  const top = [...kinds].sort((a, b) => b.overall - a.overall)[0];
  if (!top || top.overall === 0) return fact('nothing', {});
  if (busiestCar && busiestCar.overall > 0.75 && busiestCar.overall > top.overall) {
    return fact('car', { car: busiestCar.id }, { share: busiestCar.overall });
  }
  const busiest = [...top.of].sort((a, b) => b.overall - a.overall)[0]!;
  const shares = quarters.map((_, i) => {
    const there = top.of.flatMap(({ used }) => used[i] ?? []);
    return there.length === 0 ? 0 : sum(there) / there.length;
  });
  const peakShare = Math.max(...shares);
  const peakS = quarters[shares.indexOf(peakShare)]!;
  return fact('kind', { id: busiest.id }, { kind: top.kind, share: top.overall, peakShare, peakS });
}

function asInterval({ from, to }: TimeWindow): Interval {
  return { startS: from, endS: to };
}

function overlapS(slice: Interval, occupancies: readonly Interval[]): number {
  return sum(
    occupancies
      .filter((occupancy) => overlaps(slice, occupancy))
      .map((occupancy) => Math.min(slice.endS, occupancy.endS) - Math.max(slice.startS, occupancy.startS)),
  );
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}
