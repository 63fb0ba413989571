import type { RuleEffect } from '@core/planner';

/** Shorter differences are not worth a word. */
const NOTICED_S = 60;

/** What another rule does to a day: `9 drives less find a place; guests wait 4 min more`. */
export function ruleEffectWords({ placed, more, waitS }: RuleEffect): string {
  const minutes = Math.round(Math.abs(waitS) / 60);
  const parts = [
    ...(placed === 0 ? [] : [`${drives(placed)} ${Math.abs(placed) === 1 ? 'finds' : 'find'} a place`]),
    ...(more === 0 ? [] : [`room for ${drives(more)}`]),
    ...(Math.abs(waitS) < NOTICED_S ? [] : [`guests wait ${minutes} min ${waitS > 0 ? 'more' : 'less'}`]),
  ];
  return parts.length === 0 ? 'changes nothing' : parts.join('; ');
}

function drives(difference: number): string {
  const count = Math.abs(difference);
  return `${count} ${count === 1 ? 'drive' : 'drives'} ${difference < 0 ? 'less' : 'more'}`;
}
