import type { Skill, SkillGap } from '../crew';
import type { Names } from './names';

type SkillNames = Pick<Names, 'car' | 'instructor'>;

/** `Mon 24 May`. */
export function dayWords(date: string): string {
  const at = new Date(`${date}T00:00:00Z`);
  return at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
}

/** What somebody may do, after "may". */
export function skillWords(skill: Skill, { car }: SkillNames): string {
  if (skill.kind === 'car') return `teach in the ${car(skill.car)}`;
  return skill.kind === 'brief' ? 'give the class' : 'drive the sighting run';
}

/** A gap in a sentence: who is left on which days, and where the others are. */
export function gapWords(gap: SkillGap, names: SkillNames): string {
  const who = gap.holder === undefined ? 'nobody' : `only ${names.instructor(gap.holder)}`;
  const when =
    gap.days === 1
      ? dayWords(gap.from)
      : `${dayWords(gap.from)} to ${dayWords(gap.to)}, ${gap.days === 2 ? 'both days' : `${gap.days} days`}`;
  const by = (because: SkillGap['missing'][number]['because']) =>
    gap.missing.filter((one) => one.because === because).map(({ instructor }) => names.instructor(instructor));
  const [away, expired] = [by('away'), by('expired')];
  const why = [
    ...(away.length > 0 ? [`${away.join(', ')} away`] : []),
    ...(expired.length > 0 ? [`the skill of ${expired.join(', ')} has ended`] : []),
  ];
  const nobody = gap.holder === undefined ? 'nobody has the skill' : 'nobody else has the skill';
  const because = `: ${why.join('; ') || nobody}`;
  return `${when}: ${who} may ${skillWords(gap.skill, names)}${because}.`;
}
