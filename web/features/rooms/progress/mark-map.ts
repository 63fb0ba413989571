import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { measure, type CircuitMap } from '@core/track/circuit';
import { heatOf, marksByCorner, phase, type PlaceMarks } from '@core/people/coaching';
import { guestWords, type GuestWords } from '@words/guests';
import { circuitPlan } from '../../../shared/drawing/circuit-plan';

/** So many pieces draw a stretch of the road. */
const PIECES = 8;

/** The circuit with marks: by corner as discs that grow with their number, and by phase as heat on the road. */
@Component({
  selector: 'jl-mark-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './mark-map.html',
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
    .heat {
      fill: none;
      stroke: var(--p-jl-kerb);
    }
    table {
      width: 100%;
      margin-top: 0.4rem;
      border-collapse: collapse;
      font-size: 12.5px;
    }
    th,
    td {
      padding: 0.15rem 0.25rem;
      border-bottom: 1px solid var(--p-jl-line);
      text-align: center;
      font-weight: 500;
    }
    th {
      color: var(--p-jl-muted);
      font-stretch: 84%;
    }
    th[scope='row'] {
      color: var(--p-jl-ink);
      text-align: left;
      white-space: nowrap;
    }
    td {
      background: color-mix(in srgb, var(--p-jl-kerb) var(--heat, 0%), transparent);
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
  readonly marks = input.required<readonly PlaceMarks[]>();
  readonly told = input<GuestWords>(guestWords('en'));
  private readonly byCorner = computed(() => marksByCorner(this.marks()));
  private readonly stretches = computed(() => heatOf(this.marks(), this.map()));
  private readonly most = computed(() => Math.max(1, ...this.stretches().map(({ count }) => count)));
  protected readonly heat = computed(() => {
    const plan = this.plan();
    return this.stretches().map(({ corner, phase, count, from, to }) => {
      const points = Array.from({ length: PIECES + 1 }, (_, i) => plan.at(from + ((to - from) * i) / PIECES));
      return {
        key: `${corner} ${phase}`,
        words: `${corner}, ${this.told().results.phase[phase].toLowerCase()}: ${count}`,
        path: `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`,
        opacity: 0.35 + (0.65 * count) / this.most(),
      };
    });
  });
  /** Phases with marks on the map, in the order of a corner. */
  protected readonly columns = computed(() => {
    const found = new Set(this.stretches().map((stretch) => stretch.phase));
    return phase.options
      .filter((of) => found.has(of))
      .map((of) => ({ phase: of, words: this.told().results.phase[of] }));
  });
  protected readonly table = computed(() => {
    const names = [...new Set(this.stretches().map(({ corner }) => corner))];
    return names.map((name) => ({
      name,
      counts: this.columns().map((column) => {
        const found = this.stretches().find(({ corner, phase: of }) => corner === name && of === column.phase);
        const count = found?.count ?? 0;
        return { count, share: count === 0 ? 0 : 12 + (40 * count) / this.most() };
      }),
    }));
  });
  protected readonly plan = computed(() => circuitPlan(this.map()));
  protected readonly corners = computed(() => {
    const plan = this.plan();
    const { lengthM } = measure(this.map().line);
    return plan.corners.map((corner, index) => {
      const count = Math.round(this.byCorner().get(corner.name) ?? 0);
      const at = plan.at((this.map().corners[index]?.atM ?? 0) / lengthM);
      return { ...corner, count, cx: at.x, cy: at.y, r: plan.size * 0.02 * Math.sqrt(1 + count) };
    });
  });
  /** Corners that were marked and are not on the map any more. */
  protected readonly lost = computed(() => {
    const known = new Set(this.map().corners.map(({ name }) => name));
    return [...this.byCorner().keys()].filter((name) => !known.has(name));
  });
  protected readonly words = computed(() => {
    const marks = [...this.byCorner()].map(([name, count]) => `${name} ${Math.round(count)}`);
    const { marksAt, noMarks } = this.told().results;
    return marks.length > 0 ? marksAt(marks) : noMarks;
  });
}
