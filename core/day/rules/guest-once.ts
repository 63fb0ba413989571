import { rule } from './rule';

/** At most one briefing and one sighting run a guest, none for a guest who already has it. */
export const guestOnce = rule('GUEST_ONCE', function* ({ day, plan }) {
  const classes = countByGuest(plan.briefings);
  const runs = countByGuest(plan.sightings);
  for (const guest of day.guests) {
    const briefings = classes.get(guest.id) ?? 0;
    const sightings = runs.get(guest.id) ?? 0;
    if (briefings > 1) yield `${guest.name} sits in ${briefings} classes`;
    if (briefings > 0 && guest.briefed) yield `${guest.name} is briefed already and sits in a class again`;
    if (sightings > 1) yield `${guest.name} has ${sightings} sighting runs`;
    if (sightings > 0 && guest.sighted) yield `${guest.name} has seen the circuit already and has a sighting run again`;
  }
});

function countByGuest(activities: readonly { readonly guests: readonly string[] }[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const id of activities.flatMap((activity) => activity.guests)) counts.set(id, (counts.get(id) ?? 0) + 1);
  return counts;
}
