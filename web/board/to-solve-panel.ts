import { ChangeDetectionStrategy, Component, effect, inject, input, output, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { contract } from '@core/api';
import type { Guest, LeftOutReason, Violation } from '@core/day';
import { standpointOf } from '@core/journal';
import type { Remedy } from '@core/planner';
import { Button } from 'primeng/button';
import { Api } from '../data/api';
import { DayWords } from '../data/day-words';
import { DayService } from '../data/day.service';
import { Who } from '../data/who';
import { OwedWishes } from '../guest-card/owed-wish';
import { Verdicts } from '../verdict/verdicts';

/** For so many drives it is worked out at once what would help, for more when somebody asks. */
const MOST_AT_ONCE = 6;

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

/** What waits for the manager: rules that the plan breaks, and drives without a place with what would give them one. */
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
  `,
})
export class ToSolvePanel {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly verdicts = inject(Verdicts);
  protected readonly tell = inject(DayWords).tell;
  readonly leftOut = input.required<readonly LeftOut[]>();
  readonly broken = input.required<readonly Violation[]>();
  readonly closed = output<void>();
  protected readonly remedies = signal<ReadonlyMap<string, readonly Remedy[]>>(new Map());
  protected readonly busy = signal<string | undefined>(undefined);

  constructor() {
    // One after the other, as long as the panel is open.
    effect(() => {
      const known = this.remedies();
      const next = this.leftOut().find(({ id, gone }) => !gone && !known.has(id));
      if (!next || this.busy() !== undefined || known.size >= MOST_AT_ONCE) return;
      untracked(() => void this.find(next.id));
    });
  }

  protected async find(drive: string): Promise<void> {
    const [day, plan, state] = [this.data.day(), this.data.plan(), this.data.state()];
    if (!day || !plan || !state) return;
    this.busy.set(drive);
    const remedies = await this.verdicts.remedies(standpointOf(day, plan, state), drive);
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

  private failed(error: Error): void {
    this.busy.set(undefined);
    this.data.refuse(error.message);
  }
}
