import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { CircuitMap } from '@core/circuit';
import { progressOfRunner, type LapShape, type Runner } from '@core/traffic';
import { interval } from 'rxjs';
import { VenueClock } from '../data/venue-clock';
import { circuitPlan } from './circuit-plan';

/** A vehicle on the drawing: on its way, or standing at a place. */
export interface MapCar {
  readonly id: string;
  /** For those who do not see it. */
  readonly label: string;
  /** Where it will be, of one that moves. */
  readonly runner?: Runner;
  /** Share of the lap, of one that stands. */
  readonly place?: number;
  /** On its tag. */
  readonly text: string;
  /** Said beside the tag. */
  readonly word: string | undefined;
  readonly kind: 'plain' | 'last' | 'sighting';
}

const MOVE_MS = 200;
/** So far ahead, as a share of the lap, a car looks. */
const LOOK_AHEAD = 0.006;
/** Share of the lap by which a key moves a place. */
const STEP = 0.01;

/** The circuit, or a ring where its shape is not known, with the cars on it: a wedge that points where the car goes, its number on a tag. */
@Component({
  selector: 'jl-circuit-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './circuit-view.html',
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .picking {
      cursor: crosshair;
    }
    path {
      fill: none;
      stroke-linejoin: round;
    }
    .edge {
      stroke: var(--p-jl-line);
    }
    .road {
      stroke: var(--p-jl-done);
    }
    .middle {
      stroke: var(--p-jl-panel);
    }
    text {
      fill: var(--p-jl-ink);
    }
    .corner,
    .gate-word {
      fill: var(--p-jl-muted);
      font-stretch: 88%;
    }
    .gate {
      fill: var(--p-jl-ink);
    }
    .picked {
      fill: none;
      stroke: var(--p-jl-kerb);
      stroke-width: 8;
    }
    .car {
      transition: transform 0.2s linear;
    }
    .car .wedge {
      fill: var(--p-jl-lake);
      stroke: var(--p-jl-panel);
      stroke-width: 2;
    }
    .car .tag {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
    }
    .car .number {
      font-weight: 780;
    }
    .car.last .wedge {
      fill: var(--p-jl-kerb);
    }
    .car.last .tag {
      stroke: var(--p-jl-kerb);
      stroke-width: 4;
    }
    .car.sighting .wedge {
      fill: var(--p-jl-ink);
    }
    .word {
      font-weight: 700;
      font-stretch: 90%;
      paint-order: stroke;
      stroke: var(--p-jl-paper);
      stroke-width: 9;
    }
  `,
})
export class CircuitView {
  private readonly clock = inject(VenueClock);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  readonly map = input<CircuitMap>();
  readonly cars = input<readonly MapCar[]>([]);
  readonly shape = input.required<LapShape>();
  /** Cars move with the clock; else they stand where they are. */
  readonly live = input(true);
  /** A place can be chosen on the line. */
  readonly picks = input(false);
  readonly picked = input<number>();
  readonly placePicked = output<number>();
  private readonly moment = signal(0);

  protected readonly plan = computed(() => circuitPlan(this.map()));
  protected readonly dash = computed(() => `${this.plan().size * 0.02} ${this.plan().size * 0.02}`);
  protected readonly words = computed(() => {
    const names = this.cars().map(({ label }) => label);
    return names.length === 0 ? 'The circuit is empty' : `On the circuit: ${names.join(', ')}`;
  });
  protected readonly gates = computed(() => {
    const { at, pitExit } = this.plan();
    return this.map() ? [{ ...at(pitExit), word: 'pit exit' }] : [];
  });
  protected readonly pickedAt = computed(() => this.plan().at(this.picked() ?? 0));
  /** A car, pointing to the right; about a fiftieth of the drawing long. */
  protected readonly wedge = computed(() => {
    const size = this.plan().size * 0.024;
    return `M${size} 0L${-size} ${size * 0.62}L${-size * 0.55} 0L${-size} ${-size * 0.62}Z`;
  });
  protected readonly placed = computed(() => {
    const [plan, shape, nowS] = [this.plan(), this.shape(), this.moment()];
    return this.cars().map(({ id, runner, place, text, word, kind }) => {
      const atS = runner && (this.live() ? Math.max(runner.fromS, nowS) : runner.fromS);
      const share = runner ? shape.placeAt(progressOfRunner(runner, atS!)) : (place ?? 0);
      const [{ x, y }, ahead] = [plan.at(share), plan.at((share + LOOK_AHEAD) % 1)];
      const headingDeg = (Math.atan2(ahead.y - y, ahead.x - x) * 180) / Math.PI;
      // The tag stands off the road, to the outside of the way ahead.
      const [dx, dy] = [ahead.x - x, ahead.y - y];
      const away = (plan.size * 0.062) / (Math.hypot(dx, dy) || 1);
      const half = plan.size * (0.012 + 0.0105 * text.length);
      return {
        id,
        text,
        word,
        kind,
        headingDeg: headingDeg.toFixed(1),
        transform: `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`,
        tagAt: `translate(${(dy * away).toFixed(1)} ${(-dx * away).toFixed(1)})`,
        tag: tagPath(half, plan.size * 0.024),
      };
    });
  });

  constructor() {
    interval(MOVE_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.moment.set(this.clock.preciseS()));
  }

  /** The keyboard's twin of choosing a place: arrows move it along the line. */
  protected step(event: KeyboardEvent): void {
    const by = { ArrowRight: STEP, ArrowLeft: -STEP }[event.key];
    if (!this.picks() || by === undefined) return;
    event.preventDefault();
    this.placePicked.emit(((this.picked() ?? 0) + by + 1) % 1);
  }

  protected pick(event: MouseEvent): void {
    if (!this.picks()) return;
    const svg = this.svg().nativeElement;
    const matrix = svg.getScreenCTM();
    if (!matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    this.placePicked.emit(this.plan().nearest(x, y));
  }
}

/** The outline of a tag: a lead-in cut like that of a drive on the board. */
function tagPath(half: number, height: number): string {
  const cut = height * 0.35;
  return `M${-half} ${-height}H${half}V${height}H${-half}L${-half - cut} 0Z`;
}
