import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { DayService } from '../../../shared/data/day.service';

/** The way round a car at the start or the end of the day: each thing is ticked as it is looked at. */
@Component({
  selector: 'jl-walk-round',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog],
  templateUrl: './walk-round.html',
  styles: `
    .items {
      display: grid;
      gap: 0.35rem;
    }
    button {
      min-height: 44px;
      padding: 0 0.8rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 6px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
      text-align: left;
      cursor: pointer;
    }
    button.on {
      border-color: var(--p-jl-moss);
      background: var(--p-jl-moss-soft);
    }
    footer {
      display: flex;
      flex-wrap: wrap;
      justify-content: flex-end;
      gap: 0.4rem;
      margin-top: 0.8rem;
    }
  `,
})
export class WalkRound {
  private readonly data = inject(DayService);
  readonly when = model<'start' | 'end' | undefined>();
  readonly car = input.required<string>();
  readonly name = input.required<string>();
  readonly items = input.required<readonly string[]>();
  readonly wrong = output<void>();
  protected readonly ticked = signal<ReadonlySet<string>>(new Set());

  constructor() {
    effect(() => {
      this.when();
      untracked(() => this.ticked.set(new Set()));
    });
  }

  protected toggle(item: string): void {
    this.ticked.update((known) => {
      const next = new Set(known);
      if (!next.delete(item)) next.add(item);
      return next;
    });
  }

  protected all(): void {
    this.enter([...this.items()]);
  }

  protected enter(items: string[]): void {
    const when = this.when();
    if (when && this.data.record({ kind: 'walkRoundDone', car: this.car(), when, items })) this.when.set(undefined);
  }
}
