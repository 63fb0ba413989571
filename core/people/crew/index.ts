/** The crew: who did how much, what would be fair, who alone may do what. */
export { type CrewDay, crewDaysOf, crewSharesOf, crewSharesOver } from './load';
export { NEW_INSTRUCTOR } from './newcomer';
export { freeFor, mealOf, restOf } from './rests';
export { daysBetween, MOST_ROSTER_DAYS, plannedInstructor, type RosterEntry, windowsOn } from './roster';
export { endingSkills, type SkillGap, skillGaps, skillsOf } from './skill-watch';
export {
  type Duty,
  hasSkill,
  holdsOn,
  type InstructorFields,
  instructorId,
  lastDayOf,
  type Skill,
  withSkill,
  withSkills,
} from './skills';
