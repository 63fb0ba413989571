import { ChangeDetectionStrategy, Component, computed, input, type Signal } from '@angular/core';
import { clockMinute, type TimeWindow } from '@core/values';
import { axisTicks } from '../../../shared/drawing/axis-ticks';
import type { LinearScale } from '../../../shared/drawing/linear-scale';

/**
 * Behind the blocks of the board: hours, closures and now. A component of its own, since all of it is drawn anew in each
 * frame in which the day is zoomed or panned, and the blocks are not.
 */
@Component({
  selector: 'jl-board-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './board-grid.html',
  styleUrl: './board-grid.scss',
})
export class BoardGrid {
  /** The time axis, as a signal: who hands it on does not read it, and so is not drawn anew with it. */
  readonly axis = input.required<Signal<LinearScale>>();
  readonly axisPx = input.required<number>();
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  readonly nowS = input.required<number>();
  readonly closures = input.required<readonly (TimeWindow & { readonly reason?: string | undefined })[]>();

  private readonly x = computed(() => this.axis()());
  protected readonly ticks = computed(() => {
    const [from, to] = this.x().domain;
    return axisTicks(from, to, this.width(), 62).map((tick) => ({
      atS: tick,
      x: this.x()(tick),
      label: clockMinute(tick),
      hour: tick % 3600 === 0,
    }));
  });
  protected readonly bands = computed(() =>
    this.closures().map(({ from, to, reason }) => ({
      from,
      x: this.x()(from),
      width: this.x()(to) - this.x()(from),
      reason: reason ?? 'closed',
    })),
  );
  protected readonly nowX = computed(() => this.x()(this.nowS()));
}
