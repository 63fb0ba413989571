import type { DayView } from '@core/api';
import { clockMinute, type PersonHold } from '@core/day';
import { carLabel } from './names';

/** "11:22, 4 Halyard GT, stall 4, with Bram Tamm": what comes next for a guest, in a few words. */
export function holdWords(
  hold: PersonHold | undefined,
  view: Pick<DayView, 'carNumbers' | 'day'> | undefined,
  stalls: Readonly<Record<string, number>> = {},
): string {
  if (!hold) return 'nothing more planned';
  const instructor = hold.instructor?.name ?? '';
  if (hold.kind === 'briefing') return `${clockMinute(hold.startS)}, class with ${instructor}`;
  if (hold.kind === 'sighting') return `${clockMinute(hold.startS)}, sighting run with ${instructor}`;
  const stall = stalls[hold.planned.car];
  return `${clockMinute(hold.startS)}, ${carLabel(view, hold.planned.car)}${stall ? `, stall ${stall},` : ''} with ${instructor}`;
}
