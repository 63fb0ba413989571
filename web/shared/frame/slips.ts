import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { slipsOf } from '@core/day';
import { DayService } from '../data/day.service';
import { PLAIN_WORDS } from '../data/screen-words';

/** What a booking or an instructor names and the venue does not have: perhaps on purpose, perhaps a slip. */
@Component({
  selector: 'jl-slips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (slips().length > 0) {
      <details>
        <summary>{{ slips().length }} may be a slip: {{ slips()[0] }}</summary>
        <ul>
          @for (words of slips(); track $index) {
            <li>{{ words }}</li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    details {
      margin-bottom: 0.6rem;
      padding: 0.4rem 0.8rem;
      border-left: 4px solid var(--p-jl-amber-mark);
      background: var(--p-jl-amber-soft);
    }
    summary {
      min-height: 24px;
      cursor: pointer;
    }
    ul {
      margin: 0.3rem 0;
      padding-left: 1.1rem;
    }
  `,
})
export class Slips {
  private readonly data = inject(DayService);
  /** In whose entries they stand. */
  readonly of = input.required<'guests' | 'instructors'>();
  protected readonly slips = computed(() => {
    const day = this.data.day();
    if (!day) return [];
    return slipsOf(day)
      .filter(({ path }) => path.startsWith(this.of()))
      .map(({ who, what }) => `${who}: ${PLAIN_WORDS.slip(what, 'venue')}`);
  });
}
