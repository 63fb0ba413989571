import * as z from 'zod';
import { instructor } from '../day/day-file';

/** What somebody may be trusted with: a car to teach in, the class, the sighting run. */
export type Skill =
  { readonly kind: 'car'; readonly car: string } | { readonly kind: 'brief' } | { readonly kind: 'sighting' };

const lastDay = z.iso.date('expected a date, YYYY-MM-DD');

/** An instructor of the venue: what the planner knows of one on any day, until when each skill holds, and the roster. */
export const instructorFields = z.strictObject({
  ...instructor.shape,
  /** Works on days with a shift in the roster only; otherwise on every day, at the usual hours. */
  byRoster: z.boolean().optional(),
  /** The last day on which a skill holds; without one it has no end. */
  holdsUntil: z
    .strictObject({
      cars: z.record(z.string().min(1).max(64), lastDay).optional(),
      brief: lastDay.optional(),
      sighting: lastDay.optional(),
    })
    .optional(),
});
export type InstructorFields = z.output<typeof instructorFields>;

/** Whether somebody has a skill at all, be it expired or not. */
export function hasSkill({ cars, brief, sighting }: InstructorFields, skill: Skill): boolean {
  if (skill.kind === 'car') return cars === 'all' || cars.includes(skill.car);
  return skill.kind === 'brief' ? brief : sighting;
}

/** The last day of a skill; nothing where it has no end. */
export function lastDayOf({ holdsUntil }: InstructorFields, skill: Skill): string | undefined {
  return skill.kind === 'car' ? holdsUntil?.cars?.[skill.car] : holdsUntil?.[skill.kind];
}

/** Whether somebody has a skill, and it still holds on a day. */
export function holdsOn(who: InstructorFields, skill: Skill, date: string): boolean {
  const last = lastDayOf(who, skill);
  return hasSkill(who, skill) && (last === undefined || date <= last);
}

/** The same instructor with a skill given, taken, or given until a day. */
export function withSkill(
  who: InstructorFields,
  skill: Skill,
  { may, until }: { readonly may: boolean; readonly until?: string | undefined },
  fleet: readonly string[],
): InstructorFields {
  const { cars: carDays = {}, ...days } = who.holdsUntil ?? {};
  if (skill.kind !== 'car') {
    const others = Object.fromEntries(Object.entries(days).filter(([kind]) => kind !== skill.kind));
    const holdsUntil = { ...others, cars: carDays, ...(may && until && { [skill.kind]: until }) };
    return { ...who, [skill.kind]: may, holdsUntil };
  }
  const { [skill.car]: _, ...otherDays } = carDays;
  const known = who.cars === 'all' ? fleet : who.cars;
  const others = known.filter((car) => car !== skill.car);
  const cars = may ? (who.cars === 'all' ? 'all' : [...others, skill.car]) : [...others];
  return { ...who, cars, holdsUntil: { ...days, cars: { ...otherDays, ...(may && until && { [skill.car]: until }) } } };
}

/** An id for somebody new: `i4`, the first that nobody has. */
export function instructorId(taken: ReadonlySet<string>): string {
  for (let place = taken.size + 1; ; place++) if (!taken.has(`i${place}`)) return `i${place}`;
}
