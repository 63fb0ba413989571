import { inject, Injectable } from '@angular/core';
import { clockMinute, numberIn, spokenDuration } from '@core/values';
import { tankOf } from '@core/venue/garage';
import { Ask } from '../frame/ask';
import { DayService } from './day.service';
import { carLabel } from './names';

/** Refuelling a car, wherever that is entered: what it changes is said, and what went in is asked. */
@Injectable({ providedIn: 'root' })
export class Refuelling {
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);

  begin(car: string): void {
    if (!this.data.record({ kind: 'refuelBegan', car })) return;
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return;
    const backS = state.timeS + (context.schedule.index.cars.get(car)?.fuel.refuelS ?? 0);
    const next = context.schedule.drives
      .filter(({ planned }) => planned.car === car && state.drives.get(planned.drive)?.stage === 'planned')
      .sort((a, b) => a.startS - b.startS)[0];
    const name = next && context.schedule.index.drives.get(next.planned.drive)?.guest.name;
    const lateS = next ? backS - next.startS : 0;
    const after = next
      ? lateS > 0
        ? ` ${name} at ${clockMinute(next.startS)} waits ${spokenDuration(Math.ceil(lateS / 60) * 60)}; what follows is on the board, To solve.`
        : ` In time for ${name} at ${clockMinute(next.startS)}.`
      : ' Nobody is planned in it any more.';
    this.data.say(`${carLabel(this.data.view(), car)} is refuelled until ${clockMinute(backS)}.${after}`);
  }

  async end(car: string): Promise<void> {
    const name = carLabel(this.data.view(), car);
    const typed = await this.ask.for(`${name} is refuelled`, 'Litres that went in, or full', 'full');
    if (typed === undefined) return;
    const read = numberIn(typed, { decimals: 1, units: ['l', 'litres', 'liter'] });
    const filled = read.kind === 'number' ? read.value : undefined;
    if (filled === undefined && typed.toLowerCase() !== 'full') {
      return this.data.refuse(`“${typed}” is no number of litres: nothing is entered.`);
    }
    const state = this.data.state()?.cars.get(car);
    const before = state && tankOf(this.data.state()!, state);
    if (!this.data.record({ kind: 'refuelEnded', car }) || filled === undefined || !state || !before) return;
    const litres = Math.min(state.car.fuel.capacityL, Math.round((before.litres + filled) * 10) / 10);
    this.data.record({ kind: 'fuelRead', car, litres, withinL: Math.min(100, before.withinL) });
    this.data.say(`${name} has ${litres.toFixed(0)} l now, give or take ${before.withinL.toFixed(0)}.`);
  }
}
