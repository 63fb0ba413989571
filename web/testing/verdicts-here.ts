import { judgeOf } from '@core/rules';
import type { Day, Plan } from '@core/day';
import type { PlanningSnapshot } from '@core/journal';
import { acceptInPart, carsFor, dayAhead, remediesFor, stillSold, type Wanted } from '@core/planner';
import { headingAt, repairOptionsAt, type Moment } from '../shared/verdict/moment';
import type { Verdicts } from '../shared/verdict/verdicts';

/** Checks plans at once and on this thread. */
export class VerdictsHere implements Pick<
  Verdicts,
  'judgeFrom' | 'judge' | 'inPart' | 'remedies' | 'stillSold' | 'dayAhead' | 'cars' | 'heading' | 'repairOptions'
> {
  private snapshot!: PlanningSnapshot;
  judgeFrom(snapshot: PlanningSnapshot) {
    this.snapshot = snapshot;
    const { violations, cost } = this.judgement().verdict;
    return Promise.resolve({ violations, cost: cost.total });
  }
  judge(plan: Plan) {
    return Promise.resolve(this.judgement().of(plan));
  }
  inPart(snapshot: PlanningSnapshot, proposal: Plan, chosen: ReadonlySet<string>) {
    return Promise.resolve(acceptInPart(snapshot, proposal, chosen));
  }
  remedies({ day: known, from, repair }: PlanningSnapshot, id: string) {
    return Promise.resolve(remediesFor(known, from.previous, id, repair));
  }
  cars({ day: known, plan, repair }: PlanningSnapshot, id: string) {
    return Promise.resolve(carsFor(known, plan, id, repair));
  }
  stillSold({ day: known, plan, from }: PlanningSnapshot, wanted: Wanted) {
    return Promise.resolve(stillSold(known, plan, from.nowS, wanted));
  }
  dayAhead(day: Day, accepted: Plan | undefined, wanted: Wanted) {
    return Promise.resolve(dayAhead(day, accepted, wanted));
  }
  heading(moment: Moment) {
    return Promise.resolve(headingAt(moment));
  }
  repairOptions(moment: Moment, key: string) {
    return Promise.resolve(repairOptionsAt(moment, key));
  }
  private judgement() {
    const { day, plan, repair } = this.snapshot;
    return judgeOf(day, plan, repair);
  }
}
