import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input } from '@angular/core';
import { addressOf, contract } from '@core/api';
import { clockMinute } from '@core/values';
import { guestTimes } from '@core/day';
import { guestTimeWords, wordsFor } from '@words/guests';
import { DayService } from '../../../shared/data/day.service';
import { SeenTimes } from '../../../shared/data/seen-times';
import { When } from '../../../shared/data/when';
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
  private readonly when = inject(When);
  private readonly seen = inject(SeenTimes);
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
    const start = this.when.start();
    return guestTimes(context.schedule, this.id()).map((time, place) => {
      const { atS, acceptedS } = time.of ? start(time.of) : { atS: time.atS, acceptedS: time.atS };
      const [what, withWhom] = guestTimeWords(time, this.words());
      const [at, accepted] = [clockMinute(atS), clockMinute(acceptedS)];
      const key = time.of?.kind === 'drive' ? time.of.planned.drive : `${time.kind} ${place}`;
      return {
        key,
        atS,
        at,
        planned: at === accepted ? '' : this.words().times.plannedAt(accepted),
        what,
        withWhom,
        past: atS < (state?.timeS ?? 0),
      };
    });
  });
  protected readonly pdf = computed(() => {
    const date = this.data.date();
    return date && addressOf(contract.timesSheet, { date, id: this.id() }, { language: this.language() });
  });

  protected readonly changed = computed(() =>
    this.seen.show(`guest ${this.id()}`, Object.fromEntries(this.rows().map(({ key, atS }) => [key, atS]))),
  );

  constructor() {
    openDay(this.day);
    inject(DestroyRef).onDestroy(() => this.seen.close(`guest ${this.id()}`));
  }
}
