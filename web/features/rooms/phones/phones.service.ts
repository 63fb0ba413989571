import { computed, inject, Injectable, signal } from '@angular/core';
import { contract, type Phone } from '@core/api';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';

/** Phones and tablets that were added, as the server knows them. */
@Injectable({ providedIn: 'root' })
export class PhonesService {
  private readonly api = inject(Api);
  private readonly read = signal<readonly Phone[] | undefined>(undefined);
  readonly isRead = computed(() => this.read() !== undefined);
  readonly phones = computed(() => this.read() ?? []);
  readonly count = computed(() => this.phones().length);
  /** Of the application that the server gives out. */
  readonly version = signal('');

  constructor() {
    inject(DayService).phonesChanged.subscribe(() => this.refresh());
    this.refresh();
  }

  refresh(): void {
    this.api.call(contract.listPhones).subscribe({
      next: ({ phones, version }) => {
        this.read.set(phones);
        this.version.set(version);
      },
      error: () => undefined,
    });
  }
}
