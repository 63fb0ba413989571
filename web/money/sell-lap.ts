import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { money } from '@core/day';
import { laterBy } from '@core/drift';
import type { DriveState } from '@core/journal';
import { lapsText, namesOf } from '@core/words';
import { Button } from 'primeng/button';
import { Popover } from 'primeng/popover';
import { DayService } from '../data/day.service';
import { carLabel } from '../data/names';

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
        (onClick)="panel.toggle($event)"
      />
    }
    <p-popover #panel>
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
  protected readonly drives = computed(() =>
    [...(this.data.state()?.drives.values() ?? [])].filter(
      ({ guest, drive, stage, brokenOff }) =>
        guest.id === this.guest() &&
        (this.drive() ?? drive.id) === drive.id &&
        (stage === 'planned' || stage === 'seated' || stage === 'onCircuit') &&
        !drive.ride &&
        !brokenOff,
    ),
  );
  /** Worked out once the panel is open. */
  protected readonly offers = computed(() => {
    const [view, context] = [this.data.view(), this.data.context()];
    if (!view || !context) return [];
    return this.drives().map((drive) => {
      const id = drive.drive.id;
      const planned = context.schedule.drives.find((one) => one.planned.drive === id)?.planned;
      const car = drive.car ?? planned?.car ?? (drive.drive.cars.length === 1 ? drive.drive.cars[0] : undefined);
      const price = car === undefined ? undefined : view.lapPrices[car];
      return {
        drive: id,
        price,
        label: price === undefined ? 'Give it: no price' : `Sell for ${money(price, view.currency)}`,
        words: `${car === undefined ? 'No place yet' : carLabel(view, car)}, ${lapsText(drive.drive.laps + drive.extraLaps + 1)}`,
        later: this.laterWords(drive),
      };
    });
  });

  protected sell({ drive, price }: { readonly drive: string; readonly price: number | undefined }): void {
    this.data.record({ kind: 'extraLapGranted', drive, ...(price !== undefined && { price }) });
  }

  private laterWords(drive: DriveState): string {
    const [context, state] = [this.data.context()!, this.data.state()!];
    const more = { ...drive, extraLaps: drive.extraLaps + 1 };
    const after = { ...state, drives: new Map(state.drives).set(drive.drive.id, more) };
    const { guests, byS } = laterBy(context, state, after);
    if (guests.length === 0) return 'Nobody waits for it.';
    const names = namesOf(context.day);
    const others =
      guests.length > 2 ? [`${names.guest(guests[0]!)} and ${guests.length - 1} others`] : guests.map(names.guest);
    return `${others.join(' and ')} up to ${Math.max(1, Math.round(byS / 60))} min later.`;
  }
}
