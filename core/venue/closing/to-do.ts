import type { SkillGap } from '../../people/crew';
import type { Fact } from '../../values';
import type { CarPlace } from '../../journal';

/** What to do before tomorrow. */
export type ToDo =
  | Fact<'lapsOwed', { guest: string }, { laps: number }>
  | Fact<'outOfService', { car: string }, { reason: string }>
  | Fact<'faultOpen', { car: string }, { where: CarPlace; what: string }>
  | Fact<'needsFuel', { car: string }>
  | Fact<'coneDoubted', object, { cone: string; doubt: string }>
  | Fact<'balancesDue', object, { guests: number }>
  | Fact<'followUp', object, { text: string }>
  /** Whoever is away that day is named here, as the day does not know them. */
  | Fact<'skillGap', object, { gap: SkillGap; crew: Readonly<Record<string, string>> }>;
