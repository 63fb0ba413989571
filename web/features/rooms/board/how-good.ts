import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { rxResource, toSignal } from '@angular/core/rxjs-interop';
import { contract } from '@core/api';
import type { Cost } from '@core/cost';
import { scan, startWith } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { PlanService } from '../../../shared/data/plan.service';
import { known } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

/** How far a plan can be from the best there is: the accepted one, or a proposal. */
@Component({
  selector: 'jl-how-good',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Unread],
  template: `
    <jl-unread what="How good the plan is" [of]="read" />
    @if (sentences(); as all) {
      <ul class="small how-good">
        @for (sentence of all; track sentence) {
          <li>{{ sentence }}</li>
        }
      </ul>
    } @else if (waits()) {
      <p class="small muted" role="status">How good it can be at best is being worked out…</p>
    }
  `,
  styles: `
    .how-good {
      margin: 0.4rem 0;
      padding-left: 1.1rem;
      display: grid;
      gap: 0.2rem;
    }
  `,
})
export class HowGood {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly planning = inject(PlanService);
  private readonly tell = inject(DayWords).tell;
  /** Of a proposal; without it the accepted plan is judged. */
  readonly cost = input<Cost>();
  readonly leftOut = input(0);
  private readonly workedOut = toSignal(
    this.data.boundChanged.pipe(
      scan((count) => count + 1, 0),
      startWith(0),
    ),
  );
  protected readonly read = rxResource({
    params: () => {
      const date = this.data.date();
      return date
        ? { date, base: this.planning.base(), job: this.planning.job()?.id, count: this.workedOut() }
        : undefined;
    },
    stream: ({ params: { date } }) => this.api.call(contract.readBound, { params: { date } }),
  });
  protected readonly waits = computed(() => known(this.read)?.bound === null);
  protected readonly sentences = computed(() => {
    const found = known(this.read);
    const [own, leftOut] = this.cost() ? [this.cost(), this.leftOut()] : [found?.cost, found?.leftOut];
    if (!found?.bound || !own) return undefined;
    return this.tell().howGood({ cost: own, leftOut: leftOut ?? 0 }, found.bound);
  });
}
