import type { Guest } from '../day-file';
import { drivesOf, type PersonHold } from '../schedule';
import { wallClock } from '../time';
import { rule } from './rule';

/**
 * Briefing, then sighting run, then drives, compared by their starts. A guest without a planned drive needs neither
 * class nor sighting run; `asListed` drives run in the listed order.
 */
export const guestOrder = rule('GUEST_ORDER', function* ({ day, guestHolds }) {
  for (const guest of day.guests) yield* guestOrderFaults(guest, guestHolds.get(guest.id) ?? []);
});

/** What is out of order in one guest's holds (by start). */
export function* guestOrderFaults(guest: Guest, holds: readonly PersonHold[]): Iterable<string> {
  const drives = drivesOf(holds);
  const briefing = holds.find((hold) => hold.kind === 'briefing');
  const sighting = holds.find((hold) => hold.kind === 'sighting');
  const first = drives[0];
  if (first && !guest.briefed && !briefing) yield `${guest.name} drives without a classroom briefing`;
  if (first && !guest.sighted && !sighting) yield `${guest.name} drives without a sighting run`;
  if (briefing && sighting && sighting.startS < briefing.startS) {
    yield `${guest.name} has the sighting run at ${wallClock(sighting.startS)} before the class at ${wallClock(briefing.startS)}`;
  }
  for (const [what, hold] of [
    ['class', briefing],
    ['sighting run', sighting],
  ] as const) {
    if (hold && first && first.startS < hold.startS) {
      yield `${guest.name} drives at ${wallClock(first.startS)}, before the ${what} at ${wallClock(hold.startS)}`;
    }
  }
  if (guest.sequence === 'asListed') {
    const place = new Map(guest.drives.map((drive, position) => [drive.id, position]));
    for (let i = 1; i < drives.length; i++) {
      const earlier = drives[i - 1]!;
      const later = drives[i]!;
      const outOfOrder = (place.get(earlier.planned.drive) ?? 0) > (place.get(later.planned.drive) ?? 0);
      if (outOfOrder && earlier.startS < later.startS) {
        yield `${guest.name} wants the drives as listed, but ${earlier.label} comes before ${later.label}`;
      }
    }
  }
}
