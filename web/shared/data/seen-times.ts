import { inject, Injectable } from '@angular/core';
import { DayService } from './day.service';

/** A time that differs by less than this is the same to whoever reads it. */
const TOLD_FROM_S = 120;

/**
 * The times that this device has shown to somebody, so that one which has changed since is marked, once: it is known as
 * soon as it has been shown.
 */
@Injectable({ providedIn: 'root' })
export class SeenTimes {
  private readonly data = inject(DayService);
  /** As it was stored last, so that a time which stays is not stored every second. */
  private readonly kept = new Map<string, string>();
  private readonly opened = new Map<string, Readonly<Record<string, number>>>();

  /**
   * Takes times as shown, and gives those that are not what was shown when this was opened.
   *
   * @param whose whose times they are
   * @param times seconds since midnight, by what they are for
   */
  show(whose: string, times: Readonly<Record<string, number>>): ReadonlySet<string> {
    const key = `joylap.seen.${this.data.date()}.${whose}`;
    let before = this.opened.get(key);
    if (!before) {
      before = JSON.parse(localStorage.getItem(key) ?? '{}') as Readonly<Record<string, number>>;
      this.opened.set(key, before);
    }
    const text = JSON.stringify(times);
    if (this.kept.get(key) !== text) localStorage.setItem(key, text);
    this.kept.set(key, text);
    const changed = Object.entries(times).filter(([of, atS]) => Math.abs(atS - (before[of] ?? atS)) >= TOLD_FROM_S);
    return new Set(changed.map(([of]) => of));
  }

  /** Whoever comes next sees what has changed since then: what is on screen now is known. */
  close(whose: string): void {
    this.opened.delete(`joylap.seen.${this.data.date()}.${whose}`);
  }
}
