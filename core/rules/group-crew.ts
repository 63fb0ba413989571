import { activityOf, type Activity } from '../day';
import type { GroupRole } from '../programmes';
import { rule, type Broken } from './rule';

type Of = { activity: Activity };
export type GroupCrewBroken =
  | Broken<'count', Of, { role: GroupRole; count: number; needed: number }>
  | Broken<'twice', Of & { instructor: string }>
  | Broken<'notAsked', Of & { instructor: string }, { role: GroupRole }>;

/** A group has exactly the people it needs, each for one thing, and each of those who are asked for it. */
export const groupCrew = rule('GROUP_CREW', function* ({ groups }): Iterable<GroupCrewBroken> {
  for (const occupancy of groups) {
    const { group, crew } = occupancy;
    if (!group) continue;
    const subjects = { activity: activityOf(occupancy) };
    for (const role of new Set([...group.roles, ...crew].map((one) => one.role))) {
      const asked = group.roles.filter((one) => one.role === role);
      const needed = asked.reduce((sum, { count }) => sum + count, 0);
      const there = crew.filter((one) => one.role === role);
      if (there.length !== needed) yield { detail: 'count', subjects, values: { role, count: there.length, needed } };
      for (const { instructor } of there) {
        if (asked.some(({ people }) => !people || people.includes(instructor.id))) continue;
        yield { detail: 'notAsked', subjects: { ...subjects, instructor: instructor.id }, values: { role } };
      }
    }
    const seen = new Set<string>();
    for (const { instructor } of crew) {
      if (seen.has(instructor.id))
        yield { detail: 'twice', subjects: { ...subjects, instructor: instructor.id }, values: {} };
      seen.add(instructor.id);
    }
  }
});
