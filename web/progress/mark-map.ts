import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CircuitMap } from '@core/circuit';
import { circuitPlan } from '../drawing/circuit-plan';

/** The circuit with a guest's own marks: the more there were at a corner, the larger its disc. */
@Component({
  selector: 'jl-mark-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg role="img" [attr.aria-label]="words()" [attr.viewBox]="plan().viewBox">
      <path class="road" [attr.d]="plan().path" [attr.stroke-width]="plan().size * 0.028" />
      @for (corner of corners(); track corner.name) {
        @if (corner.count > 0) {
          <circle [attr.cx]="corner.cx" [attr.cy]="corner.cy" [attr.r]="corner.r" />
          <text
            class="count"
            text-anchor="middle"
            dy="0.36em"
            [attr.x]="corner.cx"
            [attr.y]="corner.cy"
            [attr.font-size]="plan().size * 0.034"
          >
            {{ corner.count }}
          </text>
        }
        <text
          [attr.x]="corner.x"
          [attr.y]="corner.y"
          [attr.text-anchor]="corner.anchor"
          [attr.font-size]="plan().size * 0.036"
        >
          {{ corner.name }}
        </text>
      }
    </svg>
    @if (lost().length > 0) {
      <p class="muted">Marked at corners that are called otherwise now: {{ lost().join(', ') }}</p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 20rem;
    }
    .road {
      fill: none;
      stroke: var(--p-jl-line);
      stroke-linejoin: round;
    }
    circle {
      fill: var(--p-jl-kerb);
      fill-opacity: 0.85;
    }
    text {
      fill: var(--p-jl-muted);
      font-stretch: 88%;
    }
    .count {
      fill: var(--p-jl-on-kerb);
      font-weight: 760;
    }
  `,
})
export class MarkMap {
  readonly map = input.required<CircuitMap>();
  readonly marks = input.required<ReadonlyMap<string, number>>();
  protected readonly plan = computed(() => circuitPlan(this.map()));
  protected readonly corners = computed(() => {
    const plan = this.plan();
    const lengthM = this.map().line.reduce((sum, point, i, all) => {
      const next = all[(i + 1) % all.length]!;
      return sum + Math.hypot(next.xM - point.xM, next.yM - point.yM);
    }, 0);
    return plan.corners.map((corner, index) => {
      const count = Math.round(this.marks().get(corner.name) ?? 0);
      const at = plan.at((this.map().corners[index]?.atM ?? 0) / lengthM);
      return { ...corner, count, cx: at.x, cy: at.y, r: plan.size * 0.02 * Math.sqrt(1 + count) };
    });
  });
  /** Corners that were marked and are not on the map any more. */
  protected readonly lost = computed(() => {
    const known = new Set(this.map().corners.map(({ name }) => name));
    return [...this.marks().keys()].filter((name) => !known.has(name));
  });
  protected readonly words = computed(() => {
    const marks = [...this.marks()].map(([name, count]) => `${name} ${Math.round(count)}`);
    return marks.length > 0 ? `Marks by corner: ${marks.join(', ')}` : 'No marks';
  });
}
