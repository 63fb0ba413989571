import * as z from 'zod';
import { instructor } from '../../day';

/**
 * What somebody may be trusted with besides a car: the class, the sighting run, to lead a train of cars, to spot, to drive
 * guests at full pace, and what else groups need of people.
 */
export const DUTIES = ['brief', 'sighting', 'leadCar', 'spotter', 'rides', 'marshal', 'blocker', 'push'] as const;
export type Duty = (typeof DUTIES)[number];

/** What somebody may be trusted with: a car to teach in, or a duty. */
export type Skill = { readonly kind: 'car'; readonly car: string } | { readonly kind: Duty };

const lastDay = z.iso.date('expected a date, YYYY-MM-DD');

// What a day file lists as duties stands as a skill each here.
const { duties: _, ...withoutDuties } = instructor.shape;

/** An instructor of the venue: what the planner knows of one on any day, until when each skill holds, and the roster. */
export const instructorFields = z.strictObject({
  ...withoutDuties,
  /** Works on days with a shift in the roster only; otherwise on every day, at the usual hours. */
  byRoster: z.boolean().optional(),
  /** Leads other cars round; nobody does where it is not said. */
  leadCar: z.boolean().optional(),
  /** Watches from beside the circuit and speaks by radio. */
  spotter: z.boolean().optional(),
  /** Watches over an exercise, keeps a way shut, pushes a car off. */
  marshal: z.boolean().optional(),
  blocker: z.boolean().optional(),
  push: z.boolean().optional(),
  /** The last day on which a skill holds; without one it has no end. */
  holdsUntil: z
    .strictObject({
      cars: z.record(z.string().min(1).max(64), lastDay).optional(),
      brief: lastDay.optional(),
      sighting: lastDay.optional(),
      leadCar: lastDay.optional(),
      spotter: lastDay.optional(),
      rides: lastDay.optional(),
      marshal: lastDay.optional(),
      blocker: lastDay.optional(),
      push: lastDay.optional(),
    })
    .optional(),
});
export type InstructorFields = z.output<typeof instructorFields>;

/** Whether somebody has a skill at all, be it expired or not. */
export function hasSkill(who: InstructorFields, skill: Skill): boolean {
  if (skill.kind === 'car') return who.cars === 'all' || who.cars.includes(skill.car);
  return who[skill.kind] ?? false;
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

/** The same instructor with many skills given or taken, without an end. */
export function withSkills(
  who: InstructorFields,
  skills: readonly Skill[],
  may: boolean,
  fleet: readonly string[],
): InstructorFields {
  return skills.reduce(
    (now, skill) => (hasSkill(now, skill) === may ? now : withSkill(now, skill, { may }, fleet)),
    who,
  );
}

/** An id for somebody new: `i4`, the first that nobody has. */
export function instructorId(taken: ReadonlySet<string>): string {
  for (let place = taken.size + 1; ; place++) if (!taken.has(`i${place}`)) return `i${place}`;
}
