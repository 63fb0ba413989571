import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { DayService } from '../shared/data/day.service';
import { MomentField } from '../shared/forms/moment-field';
import { PLAIN_WORDS } from '../shared/data/screen-words';
import { VenueClock } from '../shared/data/venue-clock';

/** Days without bookings are listed so far before and after the one that is open. */
const BEFORE = 3;
const AFTER = 6;

/** The event days: choose one, or add another. */
@Component({
  selector: 'jl-day-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, Button, FormsModule, MomentField, RouterLink],
  templateUrl: './day-picker.html',
  styles: `
    ul {
      list-style: none;
      margin: 0 0 1rem;
      padding: 0;
    }
    li button {
      display: flex;
      flex-wrap: wrap;
      gap: 0.7rem;
      width: 100%;
      padding: 0.6rem;
      border: 0;
      border-bottom: 1px solid var(--p-jl-line);
      background: none;
      color: inherit;
      cursor: pointer;
      text-align: left;
    }
    li button:hover,
    li button[aria-current] {
      background: var(--p-jl-lake-soft);
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
    }
    jl-moment-field {
      width: 11rem;
    }
    .demo {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
    }
  `,
})
export class DayPicker {
  protected readonly data = inject(DayService);
  protected readonly clock = inject(VenueClock);
  readonly open = model(false);
  protected readonly date = signal('');
  protected readonly practice = signal(false);

  /** The days around the one that is open, and all on which something is booked. */
  protected readonly near = computed(() => {
    const days = this.data.days();
    const here = this.data.date() ?? this.clock.date() ?? '';
    const next = days.findIndex(({ date }) => date >= here);
    const at = next < 0 ? days.length : next;
    return days.filter(({ bookings }, place) => bookings > 0 || (place >= at - BEFORE && place < at + AFTER));
  });
  protected readonly isThere = computed(() => this.data.days().some(({ date }) => date === this.date()));

  protected text(date: string): string {
    return date && PLAIN_WORDS.dateWithYear(date);
  }

  protected choose(date: string): void {
    this.data.open(date);
    this.open.set(false);
  }

  protected add(event: Event): void {
    event.preventDefault();
    const date = this.date();
    if (this.isThere()) return this.choose(date);
    this.data.addDay(date, this.practice()).subscribe({
      next: () => {
        this.data.reload();
        this.choose(date);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected moveClock(): void {
    const [day, date] = [this.data.day(), this.data.date()];
    if (day && date) this.clock.adjust({ date, secondsOfDay: day.opens });
    this.open.set(false);
  }
}
