import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { contract, type PlanRevision } from '@core/api';
import { clockMinute } from '@core/values';
import { changesBetween } from '@core/planner';
import { Button } from 'primeng/button';
import { forkJoin, of } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { PlanService } from '../../../shared/data/plan.service';
import { known } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';
import { HowGood } from './how-good';
import { otherChanges } from './other-changes';

/** The accepted plans of the day: who, when, why; any two beside each other, and an older one back. */
@Component({
  selector: 'jl-plans-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, HowGood, Unread],
  templateUrl: './plans-panel.html',
  styleUrl: './side-panel.scss',
  styles: `
    .list > .chosen {
      padding-inline: 0.6rem;
      background: var(--p-jl-lilac-soft);
    }
    .despite {
      color: var(--p-jl-kerb);
    }
    li b {
      margin-right: 0.4rem;
    }
  `,
})
export class PlansPanel {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly planning = inject(PlanService);
  private readonly tell = inject(DayWords).tell;
  readonly closed = output<void>();
  protected readonly chosen = signal<readonly number[]>([]);
  protected readonly list = rxResource({
    params: () => ({ date: this.data.date(), base: this.planning.base() }),
    stream: ({ params: { date } }) =>
      date ? this.api.call(contract.listPlans, { params: { date } }) : of({ revisions: [] }),
  });
  protected readonly revisions = computed(() =>
    (known(this.list)?.revisions ?? []).map((revision) => ({ ...revision, at: this.timeOf(revision) })),
  );
  protected readonly both = rxResource({
    params: () => (this.chosen().length === 2 ? this.chosen() : undefined),
    stream: ({ params }) => {
      const date = this.data.date()!;
      return forkJoin(params.map((revision) => this.api.call(contract.readPlan, { params: { date, revision } })));
    },
  });
  protected readonly comparison = computed(() => {
    const [day, plans] = [this.data.day(), known(this.both)];
    if (!day || !plans || this.chosen().length < 2) return undefined;
    const [older, newer] = [...plans].sort((a, b) => a.revision.revision - b.revision.revision);
    return {
      title: `From plan ${older!.revision.revision} to plan ${newer!.revision.revision}`,
      changes: changesBetween(day, older!.plan, newer!.plan).map(({ drive, guest, before, after }) => ({
        drive,
        guest,
        from: before ? this.tell().place(before) : 'not planned',
        to: after ? this.tell().place(after) : 'left out',
      })),
      others: otherChanges(this.tell(), older!.plan, newer!.plan),
    };
  });

  /** An earlier version kept the sentence. */
  protected decided(rule: PlanRevision['despite'][number]): string {
    return typeof rule === 'string' ? rule : this.tell().violation(rule);
  }

  protected choose(revision: number): void {
    this.chosen.update((chosen) =>
      chosen.includes(revision) ? chosen.filter((other) => other !== revision) : [...chosen, revision].slice(-2),
    );
  }

  protected restore(revision: number): void {
    this.planning.start('restore', `Back to plan ${revision}`, { revision });
    this.closed.emit();
  }

  /** The venue's time at which a plan was accepted, as the journal has it. */
  private timeOf({ revision }: PlanRevision): string {
    const accepted = this.data
      .entries()
      .find(({ entry }) => entry.kind === 'planAccepted' && entry.revision === revision);
    return accepted ? `, ${clockMinute(accepted.entry.at)}` : '';
  }
}
