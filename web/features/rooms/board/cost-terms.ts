import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Cost, TermName } from '@core/cost';
import { TERM_WORDS } from '@words';

/** A cost term by term, beside what it was; terms that are nought before and after are left out. */
@Component({
  selector: 'jl-cost-terms',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="terms" aria-label="Cost, in minutes that one guest waits">
      @for (row of rows(); track row.words) {
        <tr>
          <th scope="row">{{ row.words }}</th>
          <td>{{ row.after }}</td>
          <td [class.better]="row.change < 0" [class.worse]="row.change > 0">{{ row.changeText }}</td>
        </tr>
      }
    </table>
  `,
  styleUrl: './side-panel.scss',
})
export class CostTerms {
  readonly cost = input.required<Cost>();
  readonly before = input<Cost | null>(null);

  protected readonly rows = computed(() => {
    const [after, before] = [this.cost().terms, this.before()?.terms];
    const names = Object.keys(TERM_WORDS) as TermName[];
    return names
      .filter((name) => Math.round(after[name]) !== 0 || Math.round(before?.[name] ?? 0) !== 0)
      .map((name) => {
        const change = before ? Math.round(after[name]) - Math.round(before[name]) : 0;
        return {
          words: TERM_WORDS[name],
          after: Math.round(after[name]),
          change,
          changeText: before && change !== 0 ? signed(change) : '',
        };
      });
  });
}

/** "+12", "−7". */
export function signed(value: number): string {
  const rounded = Math.round(value);
  return rounded > 0 ? `+${rounded}` : rounded < 0 ? `−${-rounded}` : '0';
}
