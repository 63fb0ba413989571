import { Injectable, signal } from '@angular/core';

const KEY = 'joylap.who';

/** Of a device at which nobody has said who works there. */
const UNNAMED = 'Office';

/** Who works at this device; entries are signed with it. Kept on the device until sign-in comes. */
@Injectable({ providedIn: 'root' })
export class Who {
  private readonly stored = signal(localStorage.getItem(KEY) ?? UNNAMED);
  readonly name = this.stored.asReadonly();

  set(name: string): void {
    const trimmed = name.trim().slice(0, 100) || UNNAMED;
    localStorage.setItem(KEY, trimmed);
    this.stored.set(trimmed);
  }
}
