import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { addressOf, contract } from '@core/api';
import { highestLevels, type DayBefore } from '@core/people/coaching';
import { lapTimeText } from '@core/values';
import { lapsText } from '@words';
import { Button } from 'primeng/button';
import type { Observable } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { ManagerLock } from '../crew/manager-lock';
import { Manager } from '../../../shared/data/manager';
import { EraseGuest } from './erase-guest';
import { SameGuest } from './same-guest';
import { known } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

/** A guest's earlier days, who is the same person, and what is theirs: to take along, and to be erased. */
@Component({
  selector: 'jl-guest-before',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, EraseGuest, Unread, ManagerLock, SameGuest],
  templateUrl: './guest-before.html',
  styles: `
    .day {
      padding: 0.3rem 0;
      border-top: 1px solid var(--p-jl-line);
    }
    p {
      margin: 0.1rem 0;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem;
    }
  `,
})
export class GuestBefore {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly manager = inject(Manager);
  protected readonly finding = signal(false);
  /** Somebody wants to erase, and the manager's code is asked for. */
  protected readonly erasing = signal(false);
  readonly guest = input.required<string>();
  readonly name = input.required<string>();
  protected readonly lapText = lapTimeText;
  protected readonly laps = lapsText;
  private readonly params = computed(() => ({ date: this.data.date()!, id: this.guest() }));
  protected readonly read = rxResource({
    params: () => this.params(),
    stream: ({ params }) => this.api.call(contract.readBefore, { params }),
  });
  protected readonly days = linkedSignal<readonly DayBefore[]>(() => known(this.read)?.days ?? []);
  protected readonly levels = computed(() => highestLevels(this.days().flatMap(({ reached }) => reached)));
  protected readonly exportUrl = computed(() => addressOf(contract.exportGuest, this.params()));

  constructor() {
    if (!this.manager.access()) this.manager.refresh();
  }

  protected same(other: string): void {
    this.take(this.api.call(contract.linkGuests, { params: this.params(), body: { other } }));
  }

  protected apart(other: string): void {
    this.take(this.api.call(contract.unlinkGuests, { params: this.params(), body: { other } }));
  }

  private take(call: Observable<{ days: DayBefore[] }>): void {
    call.subscribe({
      next: ({ days }) => this.days.set(days),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
