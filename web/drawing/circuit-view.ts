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

/** A car on the drawing. */
export interface Disc {
  readonly runner: Runner;
  readonly text: string;
  /** Said beside the disc. */
  readonly word: string | undefined;
  readonly kind: 'plain' | 'last' | 'sighting';
}

const MOVE_MS = 200;
/** Share of the lap by which a key moves a place. */
const STEP = 0.01;

/** The circuit, or a ring where its shape is not known, with the cars on it as numbered discs that move. */
@Component({
  selector: 'jl-circuit-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      #svg
      role="img"
      [attr.aria-label]="words()"
      [attr.viewBox]="plan().viewBox"
      [class.picking]="picks()"
      [attr.tabindex]="picks() ? 0 : null"
      (click)="pick($event)"
      (keydown)="step($event)"
    >
      <path class="edge" [attr.d]="plan().path" [attr.stroke-width]="plan().size * 0.05" />
      <path class="road" [attr.d]="plan().path" [attr.stroke-width]="plan().size * 0.042" />
      <path
        class="middle"
        [attr.d]="plan().path"
        [attr.stroke-width]="plan().size * 0.003"
        [attr.stroke-dasharray]="dash()"
      />
      @for (corner of plan().corners; track corner.name) {
        <text
          class="corner"
          [attr.x]="corner.x"
          [attr.y]="corner.y"
          [attr.text-anchor]="corner.anchor"
          [attr.font-size]="plan().size * (picks() ? 0.05 : 0.03)"
        >
          {{ corner.name }}
        </text>
      }
      @for (gate of gates(); track gate.word) {
        <circle class="gate" [attr.cx]="gate.x" [attr.cy]="gate.y" [attr.r]="plan().size * 0.012" />
        <text
          class="gate-word"
          [attr.x]="gate.x + plan().size * 0.035"
          [attr.y]="gate.y"
          [attr.font-size]="plan().size * 0.028"
        >
          {{ gate.word }}
        </text>
      }
      @if (picked() !== undefined) {
        <circle class="picked" [attr.cx]="pickedAt().x" [attr.cy]="pickedAt().y" [attr.r]="plan().size * 0.03" />
      }
      @for (disc of placed(); track disc.id) {
        <g [class]="'disc ' + disc.kind" [style.transform]="disc.transform">
          <circle [attr.r]="plan().size * 0.037" [attr.stroke-width]="plan().size * 0.007" />
          <text
            class="number"
            dy="0.36em"
            text-anchor="middle"
            [attr.font-size]="plan().size * (disc.text.length > 2 ? 0.026 : 0.04)"
          >
            {{ disc.text }}
          </text>
          @if (disc.word) {
            <text
              class="word"
              [attr.y]="-plan().size * 0.05"
              text-anchor="middle"
              [attr.font-size]="plan().size * 0.032"
            >
              {{ disc.word }}
            </text>
          }
        </g>
      }
    </svg>
  `,
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
    .disc {
      transition: transform 0.2s linear;
    }
    .disc circle {
      fill: var(--p-jl-lake);
      stroke: var(--p-jl-panel);
    }
    .disc .number {
      fill: var(--p-jl-on-lake);
      font-weight: 780;
    }
    .disc.last circle {
      fill: var(--p-jl-kerb);
    }
    .disc.last .number {
      fill: var(--p-jl-on-kerb);
    }
    .disc.sighting circle {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
    }
    .disc.sighting .number {
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
  readonly discs = input<readonly Disc[]>([]);
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
    const names = this.discs().map(({ runner }) => runner.label);
    return names.length === 0 ? 'The circuit is empty' : `On the circuit: ${names.join(', ')}`;
  });
  protected readonly gates = computed(() => {
    const { at, pitExit } = this.plan();
    return this.map() ? [{ ...at(pitExit), word: 'pit exit' }] : [];
  });
  protected readonly pickedAt = computed(() => this.plan().at(this.picked() ?? 0));
  protected readonly placed = computed(() => {
    const [plan, shape, nowS] = [this.plan(), this.shape(), this.moment()];
    return this.discs().map(({ runner, text, word, kind }) => {
      const atS = this.live() ? Math.max(runner.fromS, nowS) : runner.fromS;
      const { x, y } = plan.at(shape.placeAt(progressOfRunner(runner, atS)));
      return { id: runner.id, text, word, kind, transform: `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)` };
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
