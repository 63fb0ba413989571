import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { CircuitMap } from '@core/track/circuit';
import { circuitPlan } from '../../../shared/drawing/circuit-plan';

/** The circuit with its corners to tap; without a map the names of the corners alone. */
@Component({
  selector: 'jl-corner-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (map()) {
      <div class="map">
        <svg aria-hidden="true" [attr.viewBox]="plan().viewBox">
          <path class="road" [attr.d]="plan().path" [attr.stroke-width]="plan().size * 0.03" />
        </svg>
        @for (corner of corners(); track corner.name) {
          <button
            type="button"
            [style.left.%]="corner.left"
            [style.top.%]="corner.top"
            [class.on]="corner.name === chosen()"
            [attr.aria-pressed]="corner.name === chosen()"
            (click)="picked.emit(corner.name)"
          >
            {{ corner.name }}
          </button>
        }
      </div>
    }
    <button
      type="button"
      class="everywhere"
      [class.on]="chosen() === ''"
      [attr.aria-pressed]="chosen() === ''"
      (click)="picked.emit('')"
    >
      everywhere
    </button>
  `,
  styles: `
    .map {
      position: relative;
    }
    svg {
      display: block;
      width: 100%;
    }
    .road {
      fill: none;
      stroke: var(--p-jl-line);
      stroke-linejoin: round;
    }
    button {
      min-height: 40px;
      padding: 0 0.5rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 20px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
      font-size: 13px;
      font-stretch: 88%;
      font-weight: 620;
      cursor: pointer;
    }
    .map button {
      position: absolute;
      transform: translate(-50%, -50%);
    }
    button.on {
      background: var(--p-jl-ink);
      color: var(--p-jl-paper);
    }
    .everywhere {
      display: block;
      margin: 0.3rem auto 0;
      min-width: 10rem;
    }
  `,
})
export class CornerPicker {
  readonly map = input<CircuitMap>();
  /** Name of the corner; empty for everywhere, nothing where none is chosen. */
  readonly chosen = input<string>();
  readonly picked = output<string>();
  protected readonly plan = computed(() => circuitPlan(this.map()));
  protected readonly corners = computed(() => {
    const plan = this.plan();
    const [x, y, width, height] = plan.viewBox.split(' ').map(Number) as [number, number, number, number];
    const places = plan.corners.map((corner) => ({
      name: corner.name,
      left: (100 * (corner.x - x)) / width,
      top: (100 * (corner.y - y)) / height,
    }));
    return apart(places.map((place) => ({ ...place, left: Math.min(86, Math.max(14, place.left)) })));
  });
}

/** Least distance of two names, in per cent of the map. */
const APART = { left: 19, top: 19 };

/** The middle of a name stays so far from the upper and lower edge. */
const EDGE = 4;

/** Names that would lie on each other are moved apart: down, and from the lower edge up again. */
function apart<T extends { left: number; top: number }>(places: readonly T[]): T[] {
  const sorted = [...places].sort((a, b) => a.top - b.top);
  const besides = (one: T, others: readonly T[]) =>
    others.filter(({ left }) => Math.abs(left - one.left) < APART.left).map(({ top }) => top);
  sorted.forEach((one, i) => {
    const above = besides(one, sorted.slice(0, i)).map((top) => top + APART.top);
    one.top = Math.max(EDGE, one.top, ...above);
  });
  for (let i = sorted.length - 1; i >= 0; i--) {
    const below = besides(sorted[i]!, sorted.slice(i + 1)).map((top) => top - APART.top);
    sorted[i]!.top = Math.max(EDGE, Math.min(100 - EDGE, sorted[i]!.top, ...below));
  }
  return [...places];
}
