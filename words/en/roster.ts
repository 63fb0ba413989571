import type { Duty, Skill, SkillGap } from '@core/people/crew';
import type { Names } from '../names';
import type { Words } from '../words';

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });

/** `Mon 24 May`. */
export const dayWords = (date: string): string => DAY.format(new Date(`${date}T00:00:00Z`));

const DAY_OF_YEAR = new Intl.DateTimeFormat('en-GB', {
  ...{ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' },
});

/** `Sat 22 May 2027`. */
export function dateWords(date: string): string {
  const parts = DAY_OF_YEAR.formatToParts(new Date(`${date}T00:00:00Z`));
  return parts.flatMap(({ type, value }) => (type === 'literal' ? [] : [value])).join(' ');
}

const DUTY_WORDS: Readonly<Record<Duty, string>> = {
  brief: 'give the class',
  sighting: 'drive the sighting run',
  leadCar: 'lead a train of cars',
  rides: 'drive guests at full pace',
  marshal: 'be marshal of a group',
  blocker: 'keep the way across the apron',
  push: 'push cars off',
  spotter: 'spot',
};

export function skillWords({ car }: Names): Words['skill'] {
  return (skill: Skill) => {
    if (skill.kind === 'car') return `teach in the ${car(skill.car)}`;
    return DUTY_WORDS[skill.kind];
  };
}

export function gapWords(names: Names): Words['gap'] {
  const skill = skillWords(names);
  return (gap) => {
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
    return `${when}: ${who} may ${skill(gap.skill)}: ${why.join('; ') || nobody}.`;
  };
}
