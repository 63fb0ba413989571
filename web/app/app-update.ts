import { inject, Injectable, signal } from '@angular/core';
import { SwUpdate } from '@angular/service-worker';

/** Tells when a newer version of the application lies ready on this device. */
@Injectable({ providedIn: 'root' })
export class AppUpdate {
  private readonly found = signal(false);
  readonly ready = this.found.asReadonly();

  constructor() {
    const updates = inject(SwUpdate, { optional: true });
    updates?.versionUpdates.subscribe(({ type }) => {
      if (type === 'VERSION_READY') this.found.set(true);
    });
  }

  reload(): void {
    location.reload();
  }
}
