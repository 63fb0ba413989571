import { DOCUMENT, effect, inject, Injectable, signal } from '@angular/core';

const KEY = 'joylap.theme';

/** Light by day, dusk for evenings and the classroom; remembered on the device. */
@Injectable({ providedIn: 'root' })
export class ThemeChoice {
  private readonly document = inject(DOCUMENT);
  readonly dusk = signal(localStorage.getItem(KEY) === 'dusk');

  constructor() {
    effect(() => {
      this.document.documentElement.classList.toggle('dusk', this.dusk());
      localStorage.setItem(KEY, this.dusk() ? 'dusk' : 'light');
    });
  }

  toggle(): void {
    this.dusk.update((dusk) => !dusk);
  }
}
