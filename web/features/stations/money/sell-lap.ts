import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { money } from '@core/values';
import { driftOf, laterBy, type Drift } from '@core/live/drift';
import { lapsText, namesOf } from '@words';
import { Button } from 'primeng/button';
import { Popover } from 'primeng/popover';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';

/**
 * One lap more in a drive that is to come or runs: a tap says what it costs and who would wait for it, a second one sells
 * it.
 */
@Component({
  selector: 'jl-sell-lap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Popover],
  template: `
    @if (drives().length > 0) {
      <p-button
        label="Extra lap"
        size="small"
        [text]="true"
        [ariaLabel]="'Extra lap: ' + name()"
        (onClick)="open.set(true); panel.toggle($event)"
      />
    }
    <p-popover #panel (onHide)="open.set(false)">
      @for (offer of offers(); track offer.drive) {
        <p>
          <p-button
            [label]="offer.label"
            [ariaLabel]="offer.label + ': ' + offer.words"
            (onClick)="sell(offer); panel.hide()"
          />
          <span
            ><b>{{ offer.words }}</b
            ><br />{{ offer.later }}</span
          >
        </p>
      }
    </p-popover>
  `,
  styles: `
    p {
      display: flex;
      align-items: center;
      gap: 0.8rem;
      margin: 0.3rem 0;
    }
  `,
})
export class SellLap {
  private readonly data = inject(DayService);
  readonly guest = input.required<string>();
  /** The only drive that is meant; all of the guest where nothing is said. */
  readonly drive = input<string>();
  protected readonly name = computed(() => this.data.state()?.guests.get(this.guest())?.guest.name ?? '');

  /** Those that can still have a lap more. */
  protected readonly drives = computed(() => {
    const state = this.data.state();
    const own = state?.guests.get(this.guest())?.guest.drives ?? [];
    return own
      .flatMap(({ id }) => state?.drives.get(id) ?? [])
      .filter(
        ({ drive, stage, brokenOff }) =>
          (this.drive() ?? drive.id) === drive.id &&
          (stage === 'planned' || stage === 'seated' || stage === 'onCircuit') &&
          !drive.ride &&
          !brokenOff,
      );
  });
  /** What a panel holds is there before it is opened: what takes its time is worked out from then on. */
  protected readonly open = signal(false);
  protected readonly offers = computed(() => {
    const [view, context, state] = [this.data.view(), this.data.context(), this.data.state()];
    if (!this.open() || !view || !context || !state) return [];
    const asItIs = driftOf(context, state);
    return this.drives().map((drive) => {
      const id = drive.drive.id;
      const more = { ...drive, extraLaps: drive.extraLaps + 1 };
      const withOneMore = driftOf(context, { ...state, drives: new Map(state.drives).set(id, more) });
      const car = drive.car ?? (drive.drive.cars.length === 1 ? drive.drive.cars[0] : undefined);
      const price = car === undefined ? undefined : view.lapPrices[car];
      return {
        drive: id,
        price,
        label: price === undefined ? 'Give it: no price' : `Sell for ${money(price, view.currency)}`,
        words: `${car === undefined ? 'No place yet' : carLabel(view, car)}, ${lapsText(more.drive.laps + more.extraLaps)}`,
        later: this.laterWords(asItIs, withOneMore),
      };
    });
  });

  protected sell({ drive, price }: { readonly drive: string; readonly price: number | undefined }): void {
    this.data.record({ kind: 'extraLapGranted', drive, ...(price !== undefined && { price }) });
  }

  private laterWords(before: Drift, after: Drift): string {
    const { guests, byS } = laterBy(before, after);
    if (guests.length === 0) return 'Nobody waits for it.';
    const names = namesOf(this.data.day()!);
    const others =
      guests.length > 2 ? [`${names.guest(guests[0]!)} and ${guests.length - 1} others`] : guests.map(names.guest);
    return `${others.join(' and ')} up to ${Math.max(1, Math.round(byS / 60))} min later.`;
  }
}
