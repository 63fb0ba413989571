import { computed, inject, Injectable, untracked } from '@angular/core';
import { lapShapeOf, runnersOf, type Runner } from '@core/traffic';
import { DayService } from '../data/day.service';

/** Where everybody on the circuit is, for the screens that show it. */
@Injectable({ providedIn: 'root' })
export class Traffic {
  private readonly data = inject(DayService);
  readonly map = computed(() => this.data.view()?.map ?? undefined);
  readonly shape = computed(() => lapShapeOf(this.map()));
  /** In the order in which they come past the line. */
  readonly runners = computed<readonly Runner[]>(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    // Trackers speak five times a second; a new look each second, with the clock, keeps the advice calm.
    const positions = this.data.live() ? untracked(this.data.positions) : undefined;
    const tracked = positions?.cars.map(({ car, place }) => ({ car, place, atS: positions.atS })) ?? [];
    return runnersOf(context, state, this.shape(), view.carNumbers, tracked);
  });
}
