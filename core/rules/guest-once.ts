import { rule, type Broken } from './rule';

export type GuestOnceBroken =
  | Broken<'briefings' | 'sightings', { guest: string }, { count: number }>
  | Broken<'briefedAlready' | 'sightedAlready', { guest: string }>;

/** At most one briefing and one sighting run a guest, none for a guest who already has it. */
export const guestOnce = rule('GUEST_ONCE', function* ({ day, plan }): Iterable<GuestOnceBroken> {
  const classes = countByGuest(plan.briefings);
  const runs = countByGuest(plan.sightings);
  for (const guest of day.guests) {
    const briefings = classes.get(guest.id) ?? 0;
    const sightings = runs.get(guest.id) ?? 0;
    const subjects = { guest: guest.id };
    if (briefings > 1) yield { detail: 'briefings', subjects, values: { count: briefings } };
    if (briefings > 0 && guest.briefed) yield { detail: 'briefedAlready', subjects, values: {} };
    if (sightings > 1) yield { detail: 'sightings', subjects, values: { count: sightings } };
    if (sightings > 0 && guest.sighted) yield { detail: 'sightedAlready', subjects, values: {} };
  }
});

function countByGuest(activities: readonly { readonly guests: readonly string[] }[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const id of activities.flatMap((activity) => activity.guests)) counts.set(id, (counts.get(id) ?? 0) + 1);
  return counts;
}
