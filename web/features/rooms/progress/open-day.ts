import { effect, inject, type Signal } from '@angular/core';
import { DayService } from '../../../shared/data/day.service';

/** Opens the day that an address names. To be called where a component is constructed. */
export function openDay(named: Signal<string | undefined>): void {
  const data = inject(DayService);
  effect(() => {
    const [day, shown] = [named(), data.date()];
    if (day !== undefined && shown !== undefined && day !== shown) data.open(day);
  });
}
