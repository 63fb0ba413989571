import { inject, Injectable, type OnDestroy } from '@angular/core';
import type { Day, Plan } from '@core/day';
import type { Judgement, Violation } from '@core/rules';
import type { Heading, RepairOption } from '@core/live/drift';
import type { PlanningSnapshot } from '@core/journal';
import type { Assignment, CarChoice, DayAhead, DayRoom, PartOutcome, Remedy, StillSold, Wanted } from '@core/planner';
import { DayService } from '../data/day.service';
import { Thread } from '../data/thread';
import type { Moment } from './moment';
import type { QuestionsThread } from './questions.worker';
import type { VerdictThread } from './verdict.worker';
import type { WaysThread } from './ways.worker';

/**
 * Checks plans beside the screen, in a thread of its own. One that is asked for while another is being checked waits, and
 * only the newest of those that wait is checked: while a drive moves, what matters is where it is now. A thread that dies
 * is begun again, from where changes were judged, and that is said.
 */
@Injectable({ providedIn: 'root' })
export class Verdicts implements OnDestroy {
  private readonly data = inject(DayService);
  private readonly thread = new Thread<VerdictThread>(
    () => new Worker(new URL('./verdict.worker', import.meta.url), { type: 'module' }),
    (remote) => (this.snapshot ? remote.judgeFrom(this.snapshot) : undefined),
  );
  /** For what takes longer: a drive that moves must not wait for it. */
  private readonly longer = new Thread<QuestionsThread>(
    () => new Worker(new URL('./questions.worker', import.meta.url), { type: 'module' }),
  );
  /** For where the day is heading: begun once something is late. */
  private readonly ahead = new Thread<WaysThread>(
    () => new Worker(new URL('./ways.worker', import.meta.url), { type: 'module' }),
  );
  private readonly sayAgain = () => this.data.refuse('The check of the plan broke off and is begun again.');
  private snapshot: PlanningSnapshot | undefined;
  private judging = false;
  private waiting:
    | { readonly plan: Plan; readonly answer: (judgement: Promise<Judgement | undefined> | undefined) => void }
    | undefined;

  /** From where changes are judged from now on; gives what is broken there already, and what it costs. */
  judgeFrom(snapshot: PlanningSnapshot): Promise<{ readonly violations: readonly Violation[]; readonly cost: number }> {
    const answer = this.thread.askTwice((remote) => remote.judgeFrom(snapshot), this.sayAgain);
    this.snapshot = snapshot;
    return answer;
  }

  /** What comes of a changed plan; nothing where a newer one was asked for before this one's turn. */
  judge(plan: Plan): Promise<Judgement | undefined> {
    return new Promise((answer) => {
      this.waiting?.answer(undefined);
      this.waiting = { plan, answer };
      void this.judgeNext();
    });
  }

  /** What comes of accepting only some of the drives of a proposal, which was made from this snapshot. */
  inPart(snapshot: PlanningSnapshot, proposal: Plan, chosen: ReadonlySet<string>): Promise<PartOutcome> {
    return this.longer.askTwice<PartOutcome>(
      async (remote) => remote.inPart(snapshot, proposal, chosen),
      this.sayAgain,
    );
  }

  /** Changes of the day, checked to work, that give a drive a place. */
  remedies(snapshot: PlanningSnapshot, drive: string): Promise<readonly Remedy[]> {
    return this.longer.askTwice((remote) => remote.remedies(snapshot, drive), this.sayAgain);
  }

  /** What becomes of the day if every time follows. */
  heading(moment: Moment): Promise<Heading> {
    return this.ahead.askTwice(async (remote) => remote.heading(moment), this.sayAgain);
  }

  /** What helps against what one cause breaks, the cheapest first. */
  repairOptions(moment: Moment, key: string): Promise<readonly RepairOption[]> {
    return this.ahead.askTwice(async (remote) => remote.repairOptions(moment, key), this.sayAgain);
  }

  /** Why a drive has its instructor, and who else could have it. */
  assignments(snapshot: PlanningSnapshot, drive: string): Promise<readonly Assignment[]> {
    return this.longer.askTwice((remote) => remote.assignments(snapshot, drive), this.sayAgain);
  }

  /** The other cars in which a drive could be at the time it has. */
  cars(snapshot: PlanningSnapshot, drive: string): Promise<readonly CarChoice[]> {
    return this.longer.askTwice((remote) => remote.cars(snapshot, drive), this.sayAgain);
  }

  /** What can still be sold of the open day. */
  stillSold(snapshot: PlanningSnapshot, wanted: Wanted): Promise<StillSold> {
    return this.longer.askTwice((remote) => remote.stillSold(snapshot, wanted), this.sayAgain);
  }

  /** What a day takes under its rules. */
  room(day: Day, wanted: Wanted): Promise<DayRoom> {
    return this.longer.askTwice((remote) => remote.room(day, wanted), this.sayAgain);
  }

  /** How much more another day takes. */
  dayAhead(day: Day, plan: Plan | undefined, wanted: Wanted): Promise<DayAhead> {
    return this.longer.askTwice((remote) => remote.dayAhead(day, plan, wanted), this.sayAgain);
  }

  ngOnDestroy(): void {
    this.longer.end();
    this.ahead.end();
    this.thread.end();
  }

  private async judgeNext(): Promise<void> {
    const turn = this.waiting;
    if (this.judging || !turn) return;
    this.waiting = undefined;
    this.judging = true;
    const judgement = this.thread.askTwice<Judgement | undefined>(
      async (remote) => remote.judge(turn.plan),
      this.sayAgain,
    );
    turn.answer(judgement);
    await judgement.catch(() => undefined);
    this.judging = false;
    void this.judgeNext();
  }
}
