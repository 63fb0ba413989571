import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { contract } from '@core/api';
import { retry } from 'rxjs';
import { Api } from './api';

const RETRY_MS = 3000;

/** What rarely changes about the venue and many screens want. */
@Injectable({ providedIn: 'root' })
export class VenueService {
  private readonly stored = toSignal(
    inject(Api)
      .call(contract.readVenue)
      .pipe(retry({ delay: RETRY_MS })),
  );
  readonly currency = computed(() => this.stored()?.fields.currency ?? 'EUR');
}
