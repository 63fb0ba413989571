import { linearScale, type LinearScale } from '../../../shared/drawing/linear-scale';

/** The stretch of a day that is shown. */
export interface Stretch {
  /** How many times as wide as with the whole day. */
  readonly k: number;
  /** Pixels from the left of the plot to the beginning of the day; 0 or less. */
  readonly x: number;
}

export const WHOLE_DAY: Stretch = { k: 1, x: 0 };

/** As near to it as the day has room, on a plot of this width. */
export function within({ k, x }: Stretch, width: number): Stretch {
  return { k, x: Math.min(0, Math.max(width * (1 - k), x)) };
}

/** The scale of the whole day on a plot, as it is for the stretch. */
export function scaleOf({ k, x }: Stretch, day: LinearScale, width: number): LinearScale {
  return linearScale([day.invert(-x / k), day.invert((width - x) / k)], [0, width]);
}
