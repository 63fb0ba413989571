import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { contract, type PracticeStatus } from '@core/api';
import type { CrewStation, Post } from '@core/live/practice';
import type { Observable } from 'rxjs';
import { Api } from './api';
import { DayService } from './day.service';
import { Outbox } from './outbox';

/** A post that somebody has taken over from the simulated crew. */
export interface TakenPost {
  readonly post: Post;
  readonly by: string;
  /** At this device. */
  readonly here: boolean;
}

/** The simulated crew of the demo and of practice days: what it plays, and what people have taken over. */
@Injectable({ providedIn: 'root' })
export class PracticeService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly read = signal<PracticeStatus | undefined>(undefined);
  /** Entries that were made at this device. */
  private readonly own = signal<ReadonlySet<string>>(new Set());

  /** Nothing where no crew plays today. */
  readonly status = computed(() => (this.read()?.there ? this.read() : undefined));
  readonly taken = computed<readonly TakenPost[]>(() =>
    (this.status()?.taken ?? []).map(({ post, by, entry }) => ({ post, by, here: this.own().has(entry) })),
  );

  constructor() {
    this.data.practiceChanged.pipe(takeUntilDestroyed()).subscribe(() => this.refresh());
    inject(Outbox)
      .outcomes.pipe(takeUntilDestroyed())
      .subscribe(({ recorded }) => {
        if (recorded) this.own.update((own) => new Set(own).add(recorded.entry.id));
      });
    this.refresh();
  }

  giveBack(post: Post): void {
    this.take(this.api.call(contract.giveBack, { body: post }));
  }

  switchStation(station: CrewStation, on: boolean): void {
    this.take(this.api.call(contract.switchStation, { params: { station }, body: { on } }));
  }

  seedWith(seed: number): void {
    this.take(this.api.call(contract.seedCrew, { body: { seed } }));
  }

  private refresh(): void {
    this.api.call(contract.readPractice).subscribe({ next: (status) => this.read.set(status), error: () => undefined });
  }

  private take(changed: Observable<PracticeStatus>): void {
    changed.subscribe({
      next: (status) => this.read.set(status),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
