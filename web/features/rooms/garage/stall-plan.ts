import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { clockMinute } from '@core/values';
import { CAR_STATUS_WORDS } from '@words';
import type { CarView } from './car-view';

/** The garage from above: two rows of stalls with a lane between them, and what stands in which. */
@Component({
  selector: 'jl-stall-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stall-plan.html',
  styles: `
    ol {
      display: grid;
      gap: 0.4rem;
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li.lower {
      margin-top: 1.1rem;
    }
    button {
      position: relative;
      display: flex;
      flex-direction: column;
      align-items: center;
      width: 100%;
      min-height: 9.6rem;
      padding: 0.3rem 0.2rem;
      border: 1px solid var(--p-jl-line);
      border-top: 4px solid var(--p-jl-faint);
      border-radius: 4px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
      cursor: pointer;
      text-align: center;
      font-stretch: 88%;
    }
    .lower button {
      border-top: 1px solid var(--p-jl-line);
      border-bottom: 4px solid var(--p-jl-faint);
    }
    button.chosen {
      box-shadow: inset 0 0 0 3px var(--p-jl-lake);
    }
    button.away svg {
      opacity: 0.28;
    }
    button.held {
      background: var(--p-jl-kerb-soft);
    }
    .empty-stall button {
      border-style: dashed;
      background: none;
    }
    .stall-number {
      position: absolute;
      left: 0.35rem;
      top: 0.15rem;
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    svg {
      height: 62px;
    }
    .body {
      fill: var(--p-jl-lake-soft);
      stroke: var(--p-jl-ink);
      stroke-width: 1.6;
    }
    .held .body {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-kerb);
    }
    .glass {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
    }
    .wheel {
      fill: var(--p-jl-ink);
    }
    text {
      font-size: 19px;
      font-weight: 780;
      fill: var(--p-jl-ink);
    }
    b {
      font-size: 12.5px;
      line-height: 1.15;
    }
    .where {
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    .marks {
      display: flex;
      flex-wrap: wrap;
      justify-content: center;
      gap: 0.2rem;
      margin-top: auto;
    }
    .marks i {
      padding: 0 0.25rem;
      border: 1px solid var(--p-jl-moss);
      border-radius: 3px;
      font-size: 11px;
      font-style: normal;
      color: var(--p-jl-moss);
    }
    .marks .off {
      border-color: var(--p-jl-amber-mark);
      border-style: dashed;
      color: var(--p-jl-amber);
      text-decoration: line-through;
    }
    .marks .fault {
      border-color: var(--p-jl-kerb);
      color: var(--p-jl-kerb);
    }
    .tick {
      font-weight: 700;
    }
  `,
})
export class StallPlan {
  readonly views = input.required<readonly CarView[]>();
  readonly chosen = input<string>();
  /** While cars are being counted: those that were ticked; else nothing. */
  readonly counting = input<ReadonlySet<string>>();
  readonly picked = output<string>();

  private readonly size = computed(() => {
    const highest = Math.max(2, ...this.views().map(({ stall }) => stall ?? 0));
    return highest + (highest % 2);
  });
  protected readonly columns = computed(() => this.size() / 2);
  protected readonly stalls = computed(() =>
    Array.from({ length: this.size() }, (_, index) => {
      const number = index + 1;
      const view = this.views().find(({ stall }) => stall === number);
      const status = view?.state.status;
      const away = status === 'onCircuit';
      const state = view ? stateWords(view) : 'empty';
      const card = view?.inGarage?.card;
      return {
        number,
        view,
        lower: index >= this.size() / 2,
        tone: status === 'held' ? 'held' : away ? 'away' : '',
        turn: view?.lock === 'right' ? 24 : -24,
        card: card?.where,
        charged: card?.charged ?? false,
        state,
        ticked: view !== undefined && (this.counting()?.has(view.id) ?? false),
        words: view
          ? `Stall ${number}: car ${view.fields.number} ${view.fields.name}, ${state}, wheels to the ${view.lock}`
          : `Stall ${number}: empty`,
      };
    }),
  );

  protected pick(view: CarView | undefined): void {
    if (view) this.picked.emit(view.id);
  }
}

function stateWords({ state, coolingS }: CarView): string {
  if (coolingS !== undefined) return `cooling, ${Math.ceil(coolingS / 60)} min`;
  if (state.status === 'held' && state.backAtS !== undefined)
    return `out of service until ${clockMinute(state.backAtS)}`;
  return CAR_STATUS_WORDS[state.status];
}
