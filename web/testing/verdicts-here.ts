import { judgeOf, type Plan } from '@core/day';
import type { Standpoint } from '@core/journal';
import { acceptInPart, remediesFor } from '@core/planner';
import type { Verdicts } from '../verdict/verdicts';

/** Checks plans at once and on this thread. */
export class VerdictsHere implements Pick<Verdicts, 'judgeFrom' | 'judge' | 'inPart' | 'remedies'> {
  private standpoint!: Standpoint;
  judgeFrom(standpoint: Standpoint) {
    this.standpoint = standpoint;
    const { violations, cost } = this.judgement().verdict;
    return Promise.resolve({ violations, cost: cost.total });
  }
  judge(plan: Plan) {
    return Promise.resolve(this.judgement().of(plan));
  }
  inPart(proposal: Plan, chosen: ReadonlySet<string>) {
    return Promise.resolve(acceptInPart(this.standpoint, proposal, chosen));
  }
  remedies({ day: known, from, repair }: Standpoint, id: string) {
    return Promise.resolve(remediesFor(known, from.previous, id, repair));
  }
  private judgement() {
    const { day, plan, repair } = this.standpoint;
    return judgeOf(day, plan, repair);
  }
}
