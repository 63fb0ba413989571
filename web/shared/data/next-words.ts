import type { DayView } from '@core/api';
import type { PersonOccupancy } from '@core/day';
import { carLabel } from './names';

/** "11:22, 4 Halyard GT, stall 4, with Bram Tamm": what comes next for a guest, in a few words. */
export function occupancyWords(
  occupancy: PersonOccupancy | undefined,
  view: Pick<DayView, 'carNumbers' | 'day'> | undefined,
  stalls: Readonly<Record<string, number>>,
  when: (occupancy: PersonOccupancy) => string,
): string {
  if (!occupancy) return 'nothing more planned';
  const instructor = occupancy.instructor?.name ?? '';
  if (occupancy.kind === 'briefing') return `${when(occupancy)}, class with ${instructor}`;
  if (occupancy.kind === 'sighting') return `${when(occupancy)}, sighting run with ${instructor}`;
  if (occupancy.kind === 'group') {
    return `${when(occupancy)}, ${occupancy.group?.name ?? occupancy.planned.group}${instructor && `, with ${instructor}`}`;
  }
  const stall = stalls[occupancy.planned.car];
  return `${when(occupancy)}, ${carLabel(view, occupancy.planned.car)}${stall ? `, stall ${stall},` : ''} with ${instructor}`;
}
