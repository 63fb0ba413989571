import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { DifferenceCard } from '@core/track/car';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';

/** The talk in the car on one card: what this car is, what changed against the last one, and what to do otherwise. */
@Component({
  selector: 'jl-difference-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './difference-card.html',
  styles: `
    h3 {
      margin: 0 0 0.4rem;
      font-size: 17px;
      font-weight: 740;
    }
    .advice {
      margin: 0 0 0.7rem;
      padding: 0;
      list-style: none;
    }
    .advice li {
      padding: 0.3rem 0.6rem;
      margin-bottom: 0.25rem;
      border-left: 4px solid var(--p-jl-lake);
      background: var(--p-jl-panel);
    }
    .advice .trap {
      border-left-color: var(--p-jl-amber-mark);
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.22rem 0.3rem;
      border-bottom: 1px solid var(--p-jl-line);
      text-align: left;
      font-weight: 400;
      vertical-align: top;
    }
    th {
      color: var(--p-jl-muted);
      font-size: 13px;
    }
    .changes td:nth-child(2) {
      font-weight: 720;
    }
    p {
      font-size: 12px;
    }
  `,
})
export class DifferenceCardView {
  readonly card = input.required<DifferenceCard>();
  protected readonly words = PLAIN_WORDS;
}
