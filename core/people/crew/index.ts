/** The crew: who did how much, what would be fair, who alone may do what. */
export { crewDay, type CrewDay, crewDaysOf, crewSharesOf, crewSharesOver } from './load';
export { NEW_INSTRUCTOR } from './newcomer';
export { freeFor, mealOf, restOf } from './rests';
export {
  dateAfter,
  daysBetween,
  MOST_ROSTER_DAYS,
  plannedInstructor,
  rosterEntry,
  type RosterEntry,
  windowsOn,
} from './roster';
export { endingSkills, type SkillGap, skillGaps, skillsOf } from './skill-watch';
export {
  type Duty,
  hasSkill,
  holdsOn,
  instructorFields,
  type InstructorFields,
  instructorId,
  lastDayOf,
  type Skill,
  withSkill,
  withSkills,
} from './skills';
