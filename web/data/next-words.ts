import { clockMinute, type PersonHold } from '@core/day';

/** "11:22 Halyard GT with Tamm": what comes next for a guest, in a few words. */
export function holdWords(hold: PersonHold | undefined, stalls: Readonly<Record<string, number>> = {}): string {
  if (!hold) return 'nothing more planned';
  const instructor = hold.instructor?.name ?? '';
  if (hold.kind === 'briefing') return `${clockMinute(hold.startS)} class with ${instructor}`;
  if (hold.kind === 'sighting') return `${clockMinute(hold.startS)} sighting run with ${instructor}`;
  const stall = stalls[hold.planned.car];
  return `${clockMinute(hold.startS)} ${hold.car?.name ?? ''}${stall ? `, stall ${stall},` : ''} with ${instructor}`;
}
