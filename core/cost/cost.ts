import type { Schedule } from '../day';
import { balance } from './balance';
import { continuity } from './continuity';
import { friends } from './friends';
import { ladder } from './ladder';
import { moved } from './moved';
import { party } from './party';
import { passes } from './passes';
import { preference } from './preference';
import { reassigned } from './reassigned';
import type { CostTerm, TermName } from './term';
import { unplanned } from './unplanned';
import { waiting } from './waiting';

/** Adding a cost term is adding its name, a file and a line here: one that is missing does not compile. */
const BY_NAME = {
  unplanned,
  waiting,
  continuity,
  preference,
  ladder,
  passes,
  balance,
  party,
  friends,
  moved,
  reassigned,
} satisfies Record<TermName, CostTerm>;

/** Every cost term. */
export const COST_TERMS: readonly CostTerm[] = Object.values(BY_NAME);

/** Weighted terms and their sum. */
export interface Cost {
  readonly total: number;
  readonly terms: Readonly<Record<TermName, number>>;
}

/** The cost of a laid-out plan, each term weighted by the day's weights. */
export function costOf(schedule: Schedule): Cost {
  const own = schedule.day.rules.weights ?? {};
  const terms = Object.fromEntries(
    COST_TERMS.map((term) => [term.name, term.of(schedule) * (own[term.name] ?? term.weight)]),
  ) as Record<TermName, number>;
  return { total: Object.values(terms).reduce((sum, value) => sum + value, 0), terms };
}
