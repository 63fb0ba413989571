import { DUTIES, type Duty, hasSkill, holdsOn, lastDayOf, type InstructorFields, type Skill } from './skills';
import { dateAfter, windowsOn, type RosterEntry } from './roster';

/** Days on which one person alone, or nobody, is there with a skill. */
export interface SkillGap {
  readonly skill: Skill;
  /** The one who is left; nothing where nobody is. */
  readonly holder: string | undefined;
  /** First and last day, and how many of them in all. */
  readonly from: string;
  readonly to: string;
  readonly days: number;
  /** Who else has the skill, and why that does not help on the first of these days. */
  readonly missing: readonly { readonly instructor: string; readonly because: 'away' | 'expired' }[];
}

/** All that somebody may be trusted with. */
export function skillsOf(cars: readonly string[]): Skill[] {
  return [...cars.map((car) => ({ kind: 'car', car }) as const), ...DUTIES.map((kind) => ({ kind }) as const)];
}

/** The duties that no venue does without; what nobody at a venue has is not missed there. */
const EVERYWHERE: ReadonlySet<Duty> = new Set(['brief', 'sighting']);

/** All that a venue needs somebody for: a venue in which nobody leads or spots does without. */
function neededOf({ cars, crew }: Pick<Watched, 'cars' | 'crew'>): Skill[] {
  return skillsOf(cars).filter(
    (skill) => skill.kind === 'car' || EVERYWHERE.has(skill.kind) || crew.some((who) => hasSkill(who, skill)),
  );
}

interface Watched {
  readonly cars: readonly string[];
  readonly crew: readonly InstructorFields[];
  readonly roster: readonly RosterEntry[];
}

/**
 * Skills that hang on one person, or on nobody, on the days to come. Days on which nobody works at all are left out.
 *
 * @param from the first day looked at
 * @param days how many days are looked at, 14 for two weeks
 */
export function skillGaps({ cars, crew, roster }: Watched, from: string, days = 14): SkillGap[] {
  const dates = Array.from({ length: days }, (_, i) => dateAfter(from, i));
  const there = dates
    .map((date) => ({ date, crew: crew.filter((who) => windowsOn(who, roster, date).length > 0) }))
    .filter((day) => day.crew.length > 0);
  return neededOf({ cars, crew }).flatMap((skill) => {
    const gaps: SkillGap[] = [];
    let open = false;
    for (const day of there) {
      const holders = day.crew.filter((who) => holdsOn(who, skill, day.date));
      const holder = holders[0]?.id;
      const last = gaps.at(-1);
      if (holders.length > 1) open = false;
      else if (open && last?.holder === holder)
        gaps[gaps.length - 1] = { ...last!, to: day.date, days: last!.days + 1 };
      else {
        open = true;
        const missing = crew
          .filter((who) => who.id !== holder && hasSkill(who, skill))
          .map((who) => ({
            instructor: who.id,
            because: holdsOn(who, skill, day.date) ? ('away' as const) : ('expired' as const),
          }));
        gaps.push({ skill, holder, from: day.date, to: day.date, days: 1, missing });
      }
    }
    return gaps;
  });
}

/** A skill whose last day lies before long. */
export interface EndingSkill {
  readonly instructor: string;
  readonly skill: Skill;
  readonly last: string;
}

/** Skills that end within so many days, the next one first; those that have ended already are left out. */
export function endingSkills({ cars, crew }: Omit<Watched, 'roster'>, from: string, days = 14): EndingSkill[] {
  const until = dateAfter(from, days);
  return crew
    .flatMap((who) =>
      skillsOf(cars).flatMap((skill) => {
        const last = hasSkill(who, skill) ? lastDayOf(who, skill) : undefined;
        return last !== undefined && last >= from && last < until ? [{ instructor: who.id, skill, last }] : [];
      }),
    )
    .sort((a, b) => a.last.localeCompare(b.last));
}
