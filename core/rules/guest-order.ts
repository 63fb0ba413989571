import { activityOf, type Activity, type Guest, drivesOf, ownDrivesOf, type PersonOccupancy } from '../day';
import { rule, type Broken } from './rule';

type Of = { guest: string };
export type GuestOrderBroken =
  | Broken<'noBriefing' | 'noSighting', Of>
  | Broken<'groupUnbriefed', Of & { activity: Activity }>
  | Broken<'sightingFirst', Of, { sightingS: number; briefingS: number }>
  | Broken<'driveFirst', Of & { activity: Activity }, { driveS: number; startS: number }>
  | Broken<'notAsListed', Of & { earlier: Activity; later: Activity }>;

/**
 * Briefing, then sighting run, then drives, compared by their starts; before a group the briefing alone, where the group needs
 * it, and before a ride neither. A guest without a planned drive needs no sighting run; `asListed` drives run in the listed
 * order.
 */
export const guestOrder = rule('GUEST_ORDER', function* ({ day, guestOccupancies }): Iterable<GuestOrderBroken> {
  for (const guest of day.guests) yield* guestOrderFaults(guest, guestOccupancies.get(guest.id) ?? []);
});

/** What is out of order in one guest's occupancies (by start). */
function* guestOrderFaults(guest: Guest, occupancies: readonly PersonOccupancy[]): Iterable<GuestOrderBroken> {
  const of = { guest: guest.id };
  const drives = drivesOf(occupancies);
  const own = ownDrivesOf(occupancies);
  const briefing = occupancies.find((occupancy) => occupancy.kind === 'briefing');
  const sighting = occupancies.find((occupancy) => occupancy.kind === 'sighting');
  const first = own[0];
  if (first && !guest.briefed && !briefing) yield { detail: 'noBriefing', subjects: of, values: {} };
  if (first && !guest.sighted && !sighting) yield { detail: 'noSighting', subjects: of, values: {} };
  if (briefing && sighting && sighting.startS < briefing.startS) {
    const values = { sightingS: sighting.startS, briefingS: briefing.startS };
    yield { detail: 'sightingFirst', subjects: of, values };
  }
  for (const occupancy of [briefing, sighting]) {
    if (occupancy && first && first.startS < occupancy.startS) {
      yield {
        detail: 'driveFirst',
        subjects: { ...of, activity: activityOf(occupancy) },
        values: { driveS: first.startS, startS: occupancy.startS },
      };
    }
  }
  for (const occupancy of occupancies) {
    if (occupancy.kind !== 'group' || !occupancy.group?.needsBriefing || guest.briefed) continue;
    if (briefing && briefing.startS < occupancy.startS) continue;
    yield { detail: 'groupUnbriefed', subjects: { ...of, activity: activityOf(occupancy) }, values: {} };
  }
  if (guest.sequence === 'asListed') {
    const place = new Map(guest.drives.map((drive, position) => [drive.id, position]));
    for (let i = 1; i < drives.length; i++) {
      const earlier = drives[i - 1]!;
      const later = drives[i]!;
      const outOfOrder = (place.get(earlier.planned.drive) ?? 0) > (place.get(later.planned.drive) ?? 0);
      if (outOfOrder && earlier.startS < later.startS) {
        const subjects = { ...of, earlier: activityOf(earlier), later: activityOf(later) };
        yield { detail: 'notAsListed', subjects, values: {} };
      }
    }
  }
}
