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
import type { StandingCone } from '@core/api';
import type { CircuitMap } from '@core/track/circuit';
import { progressOfRunner, type LapShape, type Runner } from '@core/live/traffic';
import { interval } from 'rxjs';
import { VenueClock } from '../data/venue-clock';
import { circuitPlan } from './circuit-plan';
import { clearPlace, type Box } from './label-places';

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
  readonly kind: 'plain' | 'last' | 'warn' | 'sighting';
  /** The car's own, where it has one. */
  readonly colour?: string | undefined;
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
      position: relative;
      display: block;
      min-height: 0;
    }
    /* What stands still is a layer of its own: moving cars do not have it drawn anew. */
    .ground {
      position: absolute;
      inset: 0;
      pointer-events: none;
      will-change: transform;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    svg:not(.ground) {
      position: relative;
    }
    .picking {
      cursor: crosshair;
    }
    path {
      fill: none;
      stroke-linejoin: round;
    }
    .edge {
      stroke: var(--p-jl-muted);
    }
    .road {
      stroke: var(--p-jl-sunk);
    }
    .driven {
      stroke: var(--p-jl-lake);
    }
    .cone {
      stroke: var(--p-jl-ink);
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
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
      stroke-width: 2;
    }
    .leader {
      stroke: var(--p-jl-ink);
    }
    .tag {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
    }
    .number {
      font-weight: 780;
    }
    .last .tag,
    .warn .tag {
      stroke-width: 4;
    }
    .last .tag {
      stroke: var(--p-jl-kerb);
    }
    .last .word {
      fill: var(--p-jl-kerb);
    }
    .warn .tag {
      stroke: var(--p-jl-amber-mark);
    }
    .warn .word {
      fill: var(--p-jl-amber);
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
  readonly cones = input<readonly StandingCone[]>([]);
  readonly shape = input.required<LapShape>();
  /** Cars move with the clock; else they stand where they are. */
  readonly live = input(true);
  /** A place can be chosen on the line. */
  readonly picks = input(false);
  readonly picked = input<number>();
  readonly placePicked = output<number>();
  private readonly moment = signal(0);

  protected readonly plan = computed(() => circuitPlan(this.map()));
  /** Where each label was drawn last. */
  private readonly labelled = new Map<string, number>();
  protected readonly words = computed(() => {
    const names = this.cars().map(({ label }) => label);
    return names.length === 0 ? 'The circuit is empty' : `On the circuit: ${names.join(', ')}`;
  });
  protected readonly gates = computed(() => {
    const { at, pitExit } = this.plan();
    return this.map() ? [{ ...at(pitExit), word: 'pit exit' }] : [];
  });
  /** The way out of the pits, a little of it. */
  protected readonly lane = computed(() => {
    const { at, pitExit, size } = this.plan();
    if (!this.map()) return '';
    const [joins, before] = [at(pitExit), at(pitExit - 0.035)];
    const [dx, dy] = [joins.x - before.x, joins.y - before.y];
    const along = Math.hypot(dx, dy) || 1;
    const off = 0.075 * size;
    const [x, y] = [before.x + (dy / along) * off, before.y + (dx / along) * off];
    return `M${x.toFixed(1)} ${y.toFixed(1)}Q${before.x.toFixed(1)} ${before.y.toFixed(1)} ${joins.x.toFixed(1)} ${joins.y.toFixed(1)}`;
  });
  protected readonly coneMarks = computed(() =>
    this.cones().map(({ id, xM, yM, css, board }) => ({ id, css, board, at: `translate(${xM} ${-yM})` })),
  );
  protected readonly conePath = computed(() => {
    const size = this.plan().size * 0.0075;
    return `M${-size} ${size}L0 ${-size}L${size} ${size}Z`;
  });
  /** What labels keep clear of: the names of corners, and the word at the way out. */
  private readonly taken = computed((): Box[] => {
    const { size, corners } = this.plan();
    const halfHeight = size * 0.02;
    const words = corners.map(({ name, x, y, anchor }): Box => {
      const halfWidth = size * 0.0085 * name.length;
      const shift = anchor === 'middle' ? 0 : anchor === 'start' ? halfWidth : -halfWidth;
      return { x: x + shift, y: y - halfHeight / 2, halfWidth, halfHeight };
    });
    const gates = this.gates().map(({ x, y }): Box => ({ x: x + size * 0.09, y, halfWidth: size * 0.065, halfHeight }));
    return [...words, ...gates];
  });
  protected readonly pickedAt = computed(() => this.plan().at(this.picked() ?? 0));
  /** A car, pointing to the right; about a fiftieth of the drawing long. */
  protected readonly wedge = computed(() => {
    const size = this.plan().size * 0.024;
    return `M${size} 0L${-size} ${size * 0.62}L${-size * 0.55} 0L${-size} ${-size * 0.62}Z`;
  });
  protected readonly placed = computed(() => {
    const [plan, shape, nowS] = [this.plan(), this.shape(), this.moment()];
    const cars = this.cars().map((car) => {
      const { runner, place } = car;
      const atS = runner && (this.live() ? Math.max(runner.fromS, nowS) : runner.fromS);
      const share = runner ? shape.placeAt(progressOfRunner(runner, atS!)) : (place ?? 0);
      const [at, ahead] = [plan.at(share), plan.at((share + LOOK_AHEAD) % 1)];
      return { ...car, at, heading: Math.atan2(ahead.y - at.y, ahead.x - at.x) };
    });
    const half = plan.size * 0.026;
    const taken = [...this.taken(), ...cars.map(({ at }): Box => ({ ...at, halfWidth: half, halfHeight: half }))];
    return cars.map(({ id, at, heading, text, word, kind, colour }) => {
      const tagHalf = plan.size * (0.014 + 0.0105 * text.length);
      const wordHalf = plan.size * 0.0078 * (word?.length ?? 0);
      const halfHeight = plan.size * (word ? 0.046 : 0.026);
      const size = { halfWidth: Math.max(tagHalf, wordHalf), halfHeight };
      // To the left of the way ahead, which is the outside of a circuit driven clockwise.
      const off = plan.size * 0.045 + halfHeight;
      const { box, place } = clearPlace(at, size, taken, {
        first: heading - Math.PI / 2,
        off,
        before: this.labelled.get(id),
      });
      this.labelled.set(id, place);
      taken.push(box);
      const tagY = box.y - at.y - (word ? plan.size * 0.02 : 0);
      return {
        ...{ id, text, word, kind, colour },
        headingDeg: ((heading * 180) / Math.PI).toFixed(1),
        transform: `translate(${at.x.toFixed(1)}px, ${at.y.toFixed(1)}px)`,
        tagAt: `translate(${(box.x - at.x).toFixed(1)} ${tagY.toFixed(1)})`,
        leader: `M0 0L${(box.x - at.x).toFixed(1)} ${tagY.toFixed(1)}`,
        tag: tagPath(tagHalf, plan.size * 0.024),
      };
    });
  });

  constructor() {
    interval(MOVE_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.moment.set(this.clock.preciseS()));
  }

  /** The keyboard's way of choosing a place: arrows move it along the line. */
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

/** The outline of a tag: that of a drive on the board, narrower at its top. */
function tagPath(half: number, height: number): string {
  const cut = height * 0.3;
  return `M${-half} ${-height}H${half}L${half + cut} ${height}H${-half - cut}Z`;
}
