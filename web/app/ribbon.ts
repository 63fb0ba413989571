import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { clockMinute } from '@core/values';
import { vehiclesOnCircuit } from '@core/journal';
import { DayService } from '../shared/data/day.service';
import { axisTicks } from '../shared/drawing/axis-ticks';
import { circuitLoad } from '../shared/drawing/circuit-load';
import { elementSize } from '../shared/drawing/element-size';
import { linearScale } from '../shared/drawing/linear-scale';

const HEIGHT = 66;
const BASE = 50;
const TOP = 14;
const STEP_S = 300;

/**
 * The whole day across the top of every screen: vehicles on the circuit against the limit, closures, and now. A click or
 * a drag shows the day at another time; arrow keys do the same, Escape and N come back to now.
 */
@Component({
  selector: 'jl-ribbon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ribbon.html',
  styles: `
    :host {
      display: block;
      background: var(--p-jl-panel);
      border-bottom: 1px solid var(--p-jl-line);
      padding: 0 12px;
    }
    svg {
      display: block;
      width: 100%;
      cursor: ew-resize;
      touch-action: none;
      user-select: none;
    }
    .driven {
      fill: var(--p-jl-ink);
    }
    .planned {
      fill: none;
      stroke: var(--p-jl-muted);
    }
    .limit {
      stroke: var(--p-jl-kerb);
      stroke-dasharray: 2 3;
    }
    .axis {
      stroke: var(--p-jl-muted);
    }
    .hatch-ground {
      fill: var(--p-jl-sunk);
    }
    .hatch {
      fill: var(--p-jl-faint);
      opacity: 0.55;
    }
    text {
      font-size: 11.5px;
      font-stretch: 84%;
      fill: var(--p-jl-muted);
      text-anchor: middle;
    }
    .closure {
      font-weight: 600;
      fill: var(--p-jl-ink);
      paint-order: stroke;
      stroke: var(--p-jl-panel);
      stroke-width: 4px;
    }
    .limit-label {
      text-anchor: end;
      fill: var(--p-jl-kerb);
      font-size: 10.5px;
    }
    .now {
      stroke: var(--p-jl-kerb);
      stroke-width: 2;
    }
    .now-flag {
      fill: var(--p-jl-kerb);
    }
    .now-label {
      fill: var(--p-jl-on-kerb);
      font-weight: 700;
      font-size: 10.5px;
    }
    .shown {
      stroke: var(--p-jl-lilac);
      stroke-width: 2;
    }
    .shown-flag {
      fill: var(--p-jl-lilac);
    }
    .shown-label {
      fill: var(--p-jl-panel);
    }
  `,
})
export class Ribbon {
  protected readonly data = inject(DayService);
  protected readonly height = HEIGHT;
  protected readonly base = BASE;
  protected readonly top = TOP;
  private readonly strip = viewChild.required<ElementRef<SVGSVGElement>>('strip');
  private readonly size = elementSize(inject<ElementRef<HTMLElement>>(ElementRef));
  protected readonly width = computed(() => Math.max(1, this.size().width - 24));
  protected readonly dragging = signal(false);

  protected readonly day = this.data.day;
  protected readonly limit = computed(() => this.day()?.rules.maxCarsOnTrack ?? 0);
  private readonly x = computed(() => {
    const day = this.day();
    return linearScale([day?.opens ?? 0, day?.closes ?? 1], [18, Math.max(18, this.width() - 18)]);
  });
  /** The load changes when entries come or a minute has passed, not with every second. */
  private readonly minute = computed(() => Math.floor(this.data.shownS() / 60));
  protected readonly bars = computed(() => {
    this.minute();
    this.data.entries();
    const [context, state, x] = [this.data.context(), untracked(this.data.state), this.x()];
    if (!context || !state) return [];
    const nowS = untracked(this.data.nowS);
    const unit = (BASE - TOP) / Math.max(1, this.limit());
    return circuitLoad(context, state, STEP_S).map(({ fromS, most, driven }) => ({
      x: x(fromS),
      y: BASE - most * unit,
      width: Math.max(1, x(fromS + STEP_S) - x(fromS) - 2),
      // What is still to come is planned, also while the screens look ahead.
      driven: driven && fromS < nowS,
    }));
  });
  protected readonly closures = computed(() =>
    (this.day()?.circuit.closures ?? []).map(({ from, to, reason }) => ({
      x: this.x()(from),
      width: this.x()(to) - this.x()(from),
      reason: reason ?? 'closed',
    })),
  );
  protected readonly ticks = computed(() => {
    const day = this.day();
    if (!day) return [];
    return axisTicks(day.opens, day.closes, this.width(), 60).map((tick) => ({
      x: this.x()(tick),
      label: clockMinute(tick),
    }));
  });
  protected readonly nowX = computed(() => this.inside(this.data.nowS()));
  protected readonly shownX = computed(() => (this.data.live() ? undefined : this.inside(this.data.shownS())));
  protected readonly shownText = computed(() => clockMinute(this.data.shownS()));
  protected readonly valueText = computed(() => {
    const state = this.data.state();
    const cars = state ? vehiclesOnCircuit(state) : 0;
    return `${this.shownText()}, ${this.data.live() ? 'now' : 'not now'}, ${cars} on the circuit`;
  });

  protected begin(event: PointerEvent): void {
    this.strip().nativeElement.setPointerCapture(event.pointerId);
    this.dragging.set(true);
    this.show(event);
  }

  protected drag(event: PointerEvent): void {
    if (this.dragging()) this.show(event);
  }

  protected key(event: KeyboardEvent): void {
    const step = { ArrowLeft: -STEP_S, ArrowRight: STEP_S, PageDown: -3600, PageUp: 3600 }[event.key];
    if (step !== undefined) this.showAt(this.data.shownS() + step);
    else if (event.key === 'Escape' || event.key === 'End') this.data.showTime(undefined);
    else return;
    event.preventDefault();
  }

  private show(event: PointerEvent): void {
    const left = this.strip().nativeElement.getBoundingClientRect().left;
    const atS = this.x().invert(event.clientX - left);
    // Near the line of now, now is meant.
    if (Math.abs(atS - this.data.nowS()) < 120) this.data.showTime(undefined);
    else this.showAt(atS);
  }

  private showAt(atS: number): void {
    const day = this.day();
    if (day) this.data.showTime(Math.round(Math.min(day.closes, Math.max(day.opens, atS)) / 60) * 60);
  }

  private inside(atS: number): number | undefined {
    const day = this.day();
    return day && atS >= day.opens && atS <= day.closes ? this.x()(atS) : undefined;
  }
}
