import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { contract } from '@core/api';
import type { Guest, LeftOutReason } from '@core/day';
import type { Violation } from '@core/rules';
import { latestOf, type BrokenLine, type RepairOption } from '@core/live/drift';
import { planningSnapshotOf } from '@core/journal';
import type { Remedy } from '@core/planner';
import { Button } from 'primeng/button';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { PlanService } from '../../../shared/data/plan.service';
import { Who } from '../../../shared/data/who';
import { OwedWishes } from '../guest-card/owed-wish';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { BoardEdits } from './board-edits';

/** For so many drives it is worked out at once what would help, for more when somebody asks. */
const MOST_AT_ONCE = 6;

const SLIDING = 'slide';
/** A reason of a plan is no longer. */
const MOST_REASON = 200;

export interface LeftOut {
  readonly id: string;
  readonly guest: Guest;
  readonly what: string;
  readonly reason: LeftOutReason;
  /** The drive from which these laps are owed; nothing for an ordinary drive. */
  readonly owedFrom: string | undefined;
  /** The guest takes no more part, so nothing is to be done. */
  readonly gone: boolean;
}

/**
 * What waits for the manager: what makes others late, rules that the plan breaks, and drives without a place with what
 * would give them one.
 */
@Component({
  selector: 'jl-to-solve-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, OwedWishes, RouterLink],
  templateUrl: './to-solve-panel.html',
  styleUrl: './side-panel.scss',
  styles: `
    .broken {
      color: var(--p-jl-kerb);
    }
    .buttons {
      margin-top: 0.35rem;
    }
    .ways {
      list-style: none;
      margin: 0.3rem 0 0;
      padding: 0;
    }
  `,
})
export class ToSolvePanel {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly verdicts = inject(Verdicts);
  protected readonly planning = inject(PlanService);
  protected readonly tell = inject(DayWords).tell;
  readonly leftOut = input.required<readonly LeftOut[]>();
  readonly broken = input.required<readonly Violation[]>();
  protected readonly edits = inject(BoardEdits);
  protected readonly lines = this.edits.lines;
  readonly closed = output<void>();
  protected readonly remedies = signal<ReadonlyMap<string, readonly Remedy[]>>(new Map());
  private readonly costs = signal<ReadonlyMap<string, number>>(new Map());
  protected readonly sliding = computed(() => this.busy() === SLIDING);
  protected readonly busy = signal<string | undefined>(undefined);

  constructor() {
    // What a line costs is asked for one after the other, and again when it has changed.
    effect(() => {
      const lines = this.lines();
      untracked(() => void this.price(lines));
    });
    // One after the other, as long as the panel is open.
    effect(() => {
      const known = this.remedies();
      const next = this.coming().find(({ id }) => !known.has(id));
      if (!next || this.busy() !== undefined || known.size >= MOST_AT_ONCE) return;
      untracked(() => void this.find(next.id));
    });
  }

  /** What is to be solved, as it is counted on the button; who takes no more part needs no place. */
  protected readonly coming = computed(() => this.leftOut().filter(({ gone }) => !gone));
  protected readonly gone = computed(() =>
    [...new Set(this.leftOut().flatMap(({ gone, guest }) => (gone ? [guest.name] : [])))].join(', '),
  );
  protected readonly nothing = computed(() => this.broken().length + this.lines().length + this.coming().length === 0);

  /** The cheapest ways to keep what a line would break, where somebody has asked. */
  protected readonly ways = signal<ReadonlyMap<string, readonly RepairOption[]>>(new Map());

  protected async look(line: BrokenLine): Promise<void> {
    this.busy.set(line.key);
    const ways = await this.edits.repairOptions(line);
    this.ways.update((known) => new Map(known).set(line.key, ways));
    this.busy.set(undefined);
  }

  protected wayWords({ change, costs }: RepairOption): string {
    const price =
      Math.abs(costs) < 0.5
        ? 'costs nothing'
        : costs > 0
          ? `costs ${Math.round(costs)} min`
          : `saves ${Math.round(-costs)} min`;
    return `${this.tell().repairOption(change)}: ${price}`;
  }

  /** Lines with what they cost, as far as that is known. */
  protected readonly told = computed(() =>
    this.lines().map((line) => {
      const cost = this.costs().get(line.key);
      const costs = cost === undefined || cost < 0.5 ? '' : `costs ${Math.round(cost)} min of waiting`;
      // Of what makes nothing late there is no effect to tell, only the rule that it breaks.
      const effect = [this.tell().driftEffect(line), costs].filter(Boolean).join('; ');
      return { line, effect: effect && `${effect}.` };
    }),
  );

  /** The times of everything that is late follow, whatever is late for whose sake. */
  protected slide(): void {
    const params = { date: this.data.date()! };
    this.busy.set(SLIDING);
    this.api.call(contract.slideTimes, { params, body: { author: this.who.name() } }).subscribe({
      next: ({ slid }) => {
        this.busy.set(undefined);
        this.data.say(slid > 0 ? 'The times follow; cars, people and order stay.' : 'Nothing is late any more.');
      },
      error: (error: Error) => this.failed(error),
    });
  }

  protected repair(reason: string): void {
    this.planning.start('repair', reason.slice(0, MOST_REASON));
  }

  protected leave(line: BrokenLine): void {
    this.data.record({ kind: 'leftAsIs', cause: line.key, byS: latestOf(line) });
  }

  protected async find(drive: string): Promise<void> {
    const [day, plan, state] = [this.data.day(), this.data.plan(), this.data.state()];
    if (!day || !plan || !state) return;
    this.busy.set(drive);
    const remedies = await this.verdicts.remedies(planningSnapshotOf(day, plan, state), drive);
    this.remedies.update((known) => new Map(known).set(drive, remedies));
    this.busy.set(undefined);
  }

  protected apply(drive: string, { change, release }: Remedy): void {
    const words = this.tell().remedy(change, release);
    this.busy.set(drive);
    const params = { date: this.data.date()!, id: drive };
    this.api.call(contract.applyRemedy, { params, body: { author: this.who.name(), change } }).subscribe({
      next: () => {
        this.busy.set(undefined);
        // What helped before may not help any more.
        this.remedies.set(new Map());
        this.data.reload();
        this.data.say(`Done: ${words}.`);
      },
      error: (error: Error) => this.failed(error),
    });
  }

  private async price(lines: readonly BrokenLine[]): Promise<void> {
    for (const line of lines) {
      const cost = line.later.length > 0 ? await this.edits.costOf(line) : undefined;
      if (this.lines() !== lines) return;
      if (cost !== undefined) this.costs.update((known) => new Map(known).set(line.key, cost));
    }
  }

  /** Does what a way says; fewer laps are the guest's to agree to, and entered on the guest's card. */
  protected async take({ change }: RepairOption): Promise<void> {
    if (change.code === 'closeLater') {
      this.data.record({ kind: 'closingMoved', to: change.values.to });
      return this.ways.set(new Map());
    }
    if (change.code === 'fewerLaps' || !this.edits.begin(change.subjects.drive)) return;
    const { subjects } = change;
    this.edits.shift(0, 'car' in subjects ? { car: subjects.car } : { instructor: subjects.instructor });
    if (await this.edits.drop(false)) this.ways.set(new Map());
  }

  private failed(error: Error): void {
    this.busy.set(undefined);
    this.data.refuse(error.message);
  }
}
