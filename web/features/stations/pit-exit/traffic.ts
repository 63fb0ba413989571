import { computed, inject, Injectable, untracked } from '@angular/core';
import { progressOf, standingOnCircuit } from '@core/journal';
import { lapShapeOf, passesOf, progressOfRunner, runnersOf, type Runner } from '@core/live/traffic';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import type { MapCar } from '../../../shared/drawing/circuit-view';

/** A pass is told so long before. */
const CAUGHT_WITHIN_S = 60;

/** Where everybody on the circuit is, for the screens that show it. */
@Injectable({ providedIn: 'root' })
export class Traffic {
  private readonly data = inject(DayService);
  private readonly words = inject(DayWords);
  readonly map = computed(() => this.data.view()?.map ?? undefined);
  readonly shape = computed(() => lapShapeOf(this.map()));
  /** In the order in which they come past the line. */
  readonly runners = computed<readonly Runner[]>(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    // Trackers speak five times a second; a new look each second, with the clock, keeps the advice calm.
    const positions = this.data.live() ? untracked(this.data.positions) : undefined;
    const tracked = positions?.cars.map(({ car, place }) => ({ car, place, atS: positions.atS })) ?? [];
    return runnersOf(context, state, this.shape(), tracked);
  });
  /** Every vehicle on the circuit as the map draws it, those that stand there with their place. */
  readonly cars = computed<readonly MapCar[]>(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    const numberOf = (car: string | undefined) => String(view.carNumbers[car ?? ''] ?? '?');
    const moving = this.runners().map((runner): MapCar => {
      const drive = state.drives.get(runner.id);
      const left = drive && progressOf(context, drive);
      const last = left !== undefined && left.due - left.done <= 1;
      const catches = this.caughtBy(runner);
      return {
        id: runner.id,
        label: this.words.tell().runner(runner),
        runner,
        text: drive || runner.kind === 'train' ? numberOf(runner.vehicle) : this.words.tell().runner(runner),
        word: catches ?? (last ? 'last lap' : undefined),
        kind: runner.kind === 'sighting' ? 'sighting' : catches ? 'warn' : last ? 'last' : 'plain',
        colour: view.carColours[runner.vehicle],
      };
    });
    const standing = standingOnCircuit(state).map(({ drive: { id }, car, standing: at }): MapCar => ({
      id,
      label: `car ${numberOf(car)}, which stands`,
      place: at?.place ?? 0,
      text: numberOf(car),
      word: at?.safe ? 'stands safely' : 'in the way',
      kind: at?.safe ? 'plain' : 'last',
    }));
    return [...moving, ...standing];
  });

  /** Who will pass a car within the next minute, and when. */
  private caughtBy(runner: Runner): string | undefined {
    const view = this.data.view();
    const [first] = this.runners()
      .filter(({ id }) => id !== runner.id)
      .flatMap((other) =>
        passesOf(runner, other)
          .filter(({ passed }) => passed === runner.id)
          .map((pass) => ({ ...pass, other })),
      )
      .filter(({ atS }) => atS - runner.fromS < CAUGHT_WITHIN_S)
      .sort((a, b) => a.atS - b.atS);
    if (!first) return undefined;
    const inS = Math.max(5, Math.round((first.atS - runner.fromS) / 5) * 5);
    const { kind, vehicle } = first.other;
    const who = kind !== 'sighting' ? String(view?.carNumbers[vehicle] ?? '?') : this.words.tell().runner(first.other);
    return `caught by ${who} in ${inS} s`;
  }

  /** Where on the lap the car of a drive is believed to be, as a share of it; nothing where it is not on its way. */
  placeOf(drive: string, nowS: number): number | undefined {
    const runner = this.runners().find(({ id }) => id === drive);
    return runner && this.shape().placeAt(progressOfRunner(runner, nowS));
  }
}
