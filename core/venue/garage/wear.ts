import type { CarDay } from './usage';

/** How long parts last on one car, where the garage has set it. */
export interface WearLimits {
  /** Heat that the brakes may take, MJ. */
  readonly brakesMJ?: number | undefined;
  readonly tyresKm?: number | undefined;
  /** Starts from standing. */
  readonly clutchStarts?: number | undefined;
}

export interface WearCounter {
  readonly part: 'brakes' | 'tyres' | 'clutch';
  readonly unit: 'MJ' | 'km' | 'starts';
  readonly used: number;
  readonly limit: number | undefined;
  /** The drive at whose end the limit is reached, as far as the day is planned. */
  readonly reachedBy: { readonly drive: string; readonly atS: number } | undefined;
  /** Else the days after this one until then, at the mean of the days so far. */
  readonly inDays: number | undefined;
}

/** A drive that is still to come. */
export interface DriveToCome {
  readonly drive: string;
  readonly guest: string;
  readonly releaseS: number;
  readonly startS: number;
  readonly laps: number;
}

const PARTS = [
  { part: 'brakes', unit: 'MJ', limit: ({ brakesMJ }: WearLimits) => brakesMJ },
  { part: 'tyres', unit: 'km', limit: ({ tyresKm }: WearLimits) => tyresKm },
  { part: 'clutch', unit: 'starts', limit: ({ clutchStarts }: WearLimits) => clutchStarts },
] as const;

/**
 * What brakes, tyres and clutch have done since they were last replaced, and when their limit will be reached.
 *
 * @param days of one car, in any order, with today
 * @param heatMJ that a lap puts into the brakes
 * @param lapKm length of the lap
 * @param toCome drives that are still to come, in order
 */
export function wearOf(
  days: readonly CarDay[],
  limits: WearLimits,
  { heatMJ, lapKm }: { readonly heatMJ: number; readonly lapKm: number },
  toCome: readonly DriveToCome[],
): WearCounter[] {
  const inOrder = [...days].sort((a, b) => (a.date < b.date ? -1 : 1));
  return PARTS.map(({ part, unit, limit: limitOf }) => {
    const per = (laps: number, starts: number) =>
      part === 'brakes' ? laps * heatMJ : part === 'tyres' ? laps * lapKm : starts;
    let used = 0;
    for (const { laps, drives, services } of inOrder) {
      const last = services.filter(({ what }) => what === part).at(-1);
      used = last ? per(laps - last.laps, drives - last.starts) : used + per(laps, drives);
    }
    const limit = limitOf(limits);
    let sum = used;
    let reachedBy: WearCounter['reachedBy'];
    for (const { drive, releaseS, laps } of toCome) {
      sum += per(laps, 1);
      if (limit !== undefined && sum >= limit && !reachedBy) reachedBy = { drive, atS: releaseS };
    }
    const driven = inOrder.filter(({ drives }) => drives > 0);
    const daily = driven.reduce((total, { laps, drives }) => total + per(laps, drives), 0) / Math.max(1, driven.length);
    const inDays =
      limit === undefined || reachedBy || daily <= 0 ? undefined : Math.max(1, Math.ceil((limit - sum) / daily));
    return { part, unit, used, limit, reachedBy, inDays };
  });
}
