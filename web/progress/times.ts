import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addressOf, contract } from '@core/api';
import { clockMinute, guestTimes } from '@core/day';
import { guestTimeWords, wordsFor } from '@core/words/guests';
import { DayService } from '../data/day.service';
import { openDay } from './open-day';

/** A guest's own day on a phone, in their language: when to be where. */
@Component({
  selector: 'jl-times',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './times.html',
  styleUrl: './times.scss',
})
export class Times {
  private readonly data = inject(DayService);
  /** The guest, from the address. */
  readonly id = input.required<string>();
  /** The day, from the address; the one that is open where not given. */
  readonly day = input<string>();
  /** From the address; the guest's own where not given. */
  readonly language = input<string>();

  protected readonly guest = computed(() => this.data.context()?.schedule.index.guests.get(this.id()));
  protected readonly words = computed(() => wordsFor(this.guest()?.languages ?? [], this.language()));
  protected readonly head = computed(() => {
    const day = this.data.day();
    return day ? `${day.venue} · ${this.words().numbers.date(day.date)}` : '';
  });
  protected readonly rows = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context) return [];
    return guestTimes(context.schedule, this.id()).map((time) => {
      const [what, withWhom] = guestTimeWords(time, this.words());
      return { at: clockMinute(time.atS), what, withWhom, past: time.atS < (state?.timeS ?? 0) };
    });
  });
  protected readonly pdf = computed(() => {
    const date = this.data.date();
    return date && addressOf(contract.timesSheet, { date, id: this.id() }, { language: this.language() });
  });

  constructor() {
    openDay(this.day);
  }
}
