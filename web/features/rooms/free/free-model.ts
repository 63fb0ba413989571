import { clockMinute } from '@core/values';
import { STRETCH_S, type InTheWay, type StillSold, type Stretch } from '@core/planner';

/** Neighbouring stretches of a row in which the same is so. */
export interface Run {
  readonly fit: Stretch['fit'];
  readonly because: InTheWay | undefined;
  readonly fromS: number;
  readonly toS: number;
  /** What could be sold in it: a release and an instructor in each stretch, of one of the row's cars. */
  readonly offers: readonly Offer[];
}

export interface Offer {
  readonly car: string;
  readonly release: number;
  readonly instructor: string;
  readonly fit: 'free' | 'tight';
}

export interface Row {
  readonly id: string;
  readonly level: number;
  /** Nothing for all cars of the level. */
  readonly car: string | undefined;
  readonly runs: readonly Run[];
}

export const WHY: Readonly<Record<InTheWay, string>> = {
  car: 'car taken',
  crew: 'no instructor free',
  circuit: 'circuit full',
  closed: 'circuit closed',
  notReady: 'class and run come first',
  several: 'taken',
};

type Cell = { readonly fit: Stretch['fit']; readonly because?: InTheWay; readonly offer?: Offer };

const RANK: Readonly<Record<Stretch['fit'], number>> = { free: 0, tight: 1, none: 2 };

/** A row for each level, and below it one for each of its cars. */
export function rowsOf({ cars, stretches }: StillSold, closesS: number): Row[] {
  const levels = [...new Set(cars.map(({ level }) => level))].sort((a, b) => a - b);
  return levels.flatMap((level): Row[] => {
    const own = cars.filter((car) => car.level === level);
    const cells = own.map((car) => car.stretches.map((stretch): Cell => cellOf(car.car, stretch)));
    // Of the cars of a level the one in which it fits best, and of these the soonest.
    const best = stretches.map((_, at) => cells.map((row) => row[at]!).reduce((a, b) => (rank(b) < rank(a) ? b : a)));
    return [
      { id: `level ${level}`, level, car: undefined, runs: runsOf(best, stretches, closesS) },
      ...own.map((car, i): Row => ({
        ...{ id: car.car, level, car: car.car },
        runs: runsOf(cells[i]!, stretches, closesS),
      })),
    ];
  });
}

function cellOf(car: string, stretch: Stretch): Cell {
  if (stretch.fit === 'none') return stretch;
  const { fit, release, instructor } = stretch;
  return { fit, offer: { car, release, instructor, fit } };
}

function rank({ fit, offer }: Cell): number {
  return RANK[fit] * 1e6 + (offer?.release ?? 0);
}

function runsOf(cells: readonly Cell[], stretches: readonly number[], closesS: number): Run[] {
  const runs: (Run & { offers: Offer[] })[] = [];
  cells.forEach(({ fit, because, offer }, at) => {
    const [fromS, toS] = [stretches[at]!, Math.min(closesS, stretches[at]! + STRETCH_S)];
    const last = runs.at(-1);
    if (last && last.fit === fit && last.because === because) {
      runs[runs.length - 1] = { ...last, toS, offers: offer ? [...last.offers, offer] : last.offers };
    } else runs.push({ fit, because, fromS, toS, offers: offer ? [offer] : [] });
  });
  return runs;
}

/** What a run says: to the eye where there is room, and to a reader. */
export function runWords({ fit, because, fromS, toS, offers }: Run): string {
  const stretch = `${clockMinute(fromS)} to ${clockMinute(toS)}`;
  if (fit === 'none') return `${stretch}: ${WHY[because ?? 'several']}`;
  const first = clockMinute(offers[0]!.release);
  return fit === 'free'
    ? `${stretch}: free, out from ${first}`
    : `${stretch}: fits where others move by up to five minutes, out from ${first}`;
}
