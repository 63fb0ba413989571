import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Tried } from '@core/planner';
import { Button } from 'primeng/button';
import { DayWords } from '../../../shared/data/day-words';

/** What another car or instructor would cost a drive, or which rule it breaks; and a button that takes it. */
@Component({
  selector: 'jl-tried-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <span [class.stop]="of().broken">{{ words() }}</span>&ngsp;
    @if (open() && !of().broken) {
      <p-button [label]="label()" [ariaLabel]="says()" size="small" [text]="true" (onClick)="taken.emit()" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class TriedChoice {
  private readonly tell = inject(DayWords).tell;
  readonly of = input.required<Tried>();
  /** Whether it may be taken at all. */
  readonly open = input.required<boolean>();
  readonly label = input.required<string>();
  /** The label with the name in it, for those who hear it. */
  readonly says = input.required<string>();
  readonly taken = output<void>();

  protected readonly words = computed(() => {
    const { broken, costs } = this.of();
    if (broken) return this.tell().violation(broken);
    if (Math.abs(costs) < 0.5) return 'costs nothing more';
    return costs > 0 ? `costs ${costs.toFixed(1)} more` : `saves ${(-costs).toFixed(1)}`;
  });
}
