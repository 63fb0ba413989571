import type { DayView } from '@core/api';
import { clockMinute, type PersonOccupancy } from '@core/day';
import { carLabel } from './names';

/** "11:22, 4 Halyard GT, stall 4, with Bram Tamm": what comes next for a guest, in a few words. */
export function occupancyWords(
  occupancy: PersonOccupancy | undefined,
  view: Pick<DayView, 'carNumbers' | 'day'> | undefined,
  stalls: Readonly<Record<string, number>> = {},
): string {
  if (!occupancy) return 'nothing more planned';
  const instructor = occupancy.instructor?.name ?? '';
  if (occupancy.kind === 'briefing') return `${clockMinute(occupancy.startS)}, class with ${instructor}`;
  if (occupancy.kind === 'sighting') return `${clockMinute(occupancy.startS)}, sighting run with ${instructor}`;
  const stall = stalls[occupancy.planned.car];
  return `${clockMinute(occupancy.startS)}, ${carLabel(view, occupancy.planned.car)}${stall ? `, stall ${stall},` : ''} with ${instructor}`;
}
