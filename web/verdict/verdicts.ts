import { Injectable, type OnDestroy } from '@angular/core';
import type { Plan } from '@core/day';
import type { Standpoint } from '@core/journal';
import type { Assignment, Mend } from '@core/planner';
import type { Answer, Question } from './verdict-messages';

type AnswerOf<K extends Answer['kind']> = Extract<Answer, { kind: K }>;

/**
 * Checks plans beside the screen, in a thread of its own. One that is asked for while another is being checked waits, and
 * only the newest of those that wait is checked: while a drive moves, what matters is where it is now.
 */
@Injectable({ providedIn: 'root' })
export class Verdicts implements OnDestroy {
  private worker: Worker | undefined;
  /** A thread of its own, for what takes longer: a drive that moves must not wait for it. */
  private mender: Worker | undefined;
  private next = 1;
  private readonly open = new Map<number, (answer: Answer) => void>();
  private judging = false;
  private waiting: { plan: Plan; settle: (answer: AnswerOf<'judge'> | undefined) => void } | undefined;

  /** From where changes are judged from now on; gives what is broken there already. */
  stand(standpoint: Standpoint): Promise<AnswerOf<'stand'>> {
    return this.ask({ kind: 'stand', id: this.next++, standpoint }) as Promise<AnswerOf<'stand'>>;
  }

  /** What comes of a changed plan; nothing where a newer one was asked for before this one's turn. */
  judge(plan: Plan): Promise<AnswerOf<'judge'> | undefined> {
    return new Promise((settle) => {
      this.waiting?.settle(undefined);
      this.waiting = { plan, settle };
      void this.judgeNext();
    });
  }

  /** What comes of accepting only some of a proposal's drives. */
  inPart(proposal: Plan, chosen: ReadonlySet<string>): Promise<AnswerOf<'part'>> {
    return this.ask({ kind: 'part', id: this.next++, proposal, chosen }) as Promise<AnswerOf<'part'>>;
  }

  /** Changes of the day, checked to work, that give a drive a place. */
  async mends(standpoint: Standpoint, drive: string): Promise<readonly Mend[]> {
    const question = { kind: 'mends' as const, id: this.next++, standpoint, drive };
    const answer = await this.ask(question, (this.mender ??= this.begin()));
    return (answer as AnswerOf<'mends'>).mends;
  }

  /** Why a drive has its instructor, and who else could have it. */
  async assignments(standpoint: Standpoint, drive: string): Promise<readonly Assignment[]> {
    const question = { kind: 'crew' as const, id: this.next++, standpoint, drive };
    const answer = await this.ask(question, (this.mender ??= this.begin()));
    return (answer as AnswerOf<'crew'>).assignments;
  }

  ngOnDestroy(): void {
    this.mender?.terminate();
    this.worker?.terminate();
  }

  private async judgeNext(): Promise<void> {
    const turn = this.waiting;
    if (this.judging || !turn) return;
    this.waiting = undefined;
    this.judging = true;
    const answer = await this.ask({ kind: 'judge', id: this.next++, plan: turn.plan });
    this.judging = false;
    turn.settle(answer as AnswerOf<'judge'>);
    void this.judgeNext();
  }

  private ask(question: Question, worker = (this.worker ??= this.begin())): Promise<Answer> {
    return new Promise((settle) => {
      this.open.set(question.id, settle);
      worker.postMessage(question);
    });
  }

  private begin(): Worker {
    const worker = new Worker(new URL('./verdict.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<Answer>) => {
      this.open.get(data.id)?.(data);
      this.open.delete(data.id);
    });
    return worker;
  }
}
