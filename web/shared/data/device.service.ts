import { computed, inject, Injectable, signal } from '@angular/core';
import { contract, type Device } from '@core/api';
import { Api } from './api';
import { DayService } from './day.service';

/** Timing loops and trackers, and how they are. */
@Injectable({ providedIn: 'root' })
export class DeviceService {
  private readonly api = inject(Api);
  private readonly read = signal<readonly Device[] | undefined>(undefined);
  readonly isRead = computed(() => this.read() !== undefined);
  readonly devices = computed(() => this.read() ?? []);
  /** What has fallen silent, in words. */
  readonly silent = computed(() =>
    this.devices()
      .filter(({ state }) => state === 'silent')
      .map(({ name }) => `${name} is silent`),
  );

  constructor() {
    inject(DayService).devicesChanged.subscribe(() => this.refresh());
    this.refresh();
  }

  refresh(): void {
    this.api
      .call(contract.listDevices)
      .subscribe({ next: ({ devices }) => this.read.set(devices), error: () => undefined });
  }
}
