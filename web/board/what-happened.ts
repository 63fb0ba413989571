import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { clockMinute, DAY_S, timeOfDay } from '@core/day';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { DayService, type NewEntry } from '../data/day.service';
import { PlanService } from '../data/plan.service';

type Event = 'car' | 'instructor' | 'late' | 'gone' | 'closed' | 'condition' | 'behind';

const EVENTS: readonly { readonly event: Event; readonly label: string; readonly icon: string }[] = [
  { event: 'car', label: 'Car withdrawn', icon: 'pi pi-car' },
  { event: 'instructor', label: 'Instructor away', icon: 'pi pi-user-minus' },
  { event: 'late', label: 'Guest late', icon: 'pi pi-clock' },
  { event: 'gone', label: 'Guest gone', icon: 'pi pi-sign-out' },
  { event: 'closed', label: 'Circuit closed', icon: 'pi pi-ban' },
  { event: 'condition', label: 'Condition changed', icon: 'pi pi-cloud' },
  { event: 'behind', label: 'Running late', icon: 'pi pi-hourglass' },
];

const CONDITIONS = [
  { name: 'dry', paceFactor: 1 },
  { name: 'damp', paceFactor: 1.08 },
  { name: 'wet', paceFactor: 1.15 },
];

/** Minutes that are offered with one click. */
const MINUTES: Record<'late' | 'closed' | 'behind', readonly number[]> = {
  late: [15, 30, 60],
  closed: [15, 30, 60],
  behind: [5, 10, 15, 20],
};

/** "What happened?": what, who, how long; it is entered in the journal, and a repair of the plan is looked for. */
@Component({
  selector: 'jl-what-happened',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, InputText, Select],
  templateUrl: './what-happened.html',
  styles: `
    .events,
    .choices {
      display: flex;
      flex-wrap: wrap;
      gap: 0.45rem;
    }
    .step {
      display: grid;
      gap: 0.45rem;
      margin-top: 1rem;
    }
    .muted {
      font-size: 13px;
    }
  `,
})
export class WhatHappened {
  private readonly data = inject(DayService);
  private readonly planning = inject(PlanService);
  readonly open = model(false);
  protected readonly events = EVENTS;
  protected readonly conditions = CONDITIONS;
  protected readonly event = signal<Event | undefined>(undefined);
  protected readonly subject = signal<string | undefined>(undefined);
  protected readonly back = signal('');

  /** Who or what it may have happened to. */
  protected readonly subjects = computed(() => {
    const [state, numbers] = [this.data.state(), this.data.view()?.carNumbers ?? {}];
    if (!state) return [];
    switch (this.event()) {
      case 'car':
        return [...state.cars.values()]
          .filter(({ heldFor }) => heldFor === undefined)
          .map(({ car }) => ({ value: car.id, label: `${numbers[car.id] ?? ''} ${car.name}`.trim() }));
      case 'instructor':
        return [...state.crew.values()]
          .filter(({ pause }) => pause !== 'off')
          .map(({ instructor }) => ({ value: instructor.id, label: instructor.name }));
      case 'late':
        return [...state.guests.values()]
          .filter(({ arrivedS, gone }) => arrivedS === undefined && gone === undefined)
          .map(({ guest }) => ({ value: guest.id, label: `${guest.name}, ${clockMinute(guest.arrives)}` }));
      case 'gone':
        return [...state.guests.values()]
          .filter(({ gone, stage }) => gone === undefined && stage !== 'finished')
          .map(({ guest }) => ({ value: guest.id, label: guest.name }));
      default:
        return [];
    }
  });
  protected readonly minutes = computed(() => {
    const event = this.event();
    return event === 'late' || event === 'closed' || event === 'behind' ? MINUTES[event] : [];
  });

  protected choose(event: Event): void {
    this.event.set(event);
    this.subject.set(undefined);
    this.back.set('');
  }

  protected close(): void {
    this.open.set(false);
    this.event.set(undefined);
  }

  /** Enters it for whom it happened to; `minutes` how late or how long, `condition` the place in the list. */
  protected enter(more: { minutes?: number; condition?: number } = {}): void {
    const found = this.entryOf(more);
    if (!found || !this.data.record(found.entry)) return;
    this.close();
    this.planning.repairOnceSent(found.words);
  }

  private entryOf({ minutes = 0, condition = 0 }: { minutes?: number; condition?: number }) {
    const nowS = this.data.nowS();
    const subject = this.subject();
    const name = this.subjects().find(({ value }) => value === subject)?.label ?? '';
    const entry = (fields: NewEntry, words: string) => ({ entry: fields, words });
    switch (this.event()) {
      case 'car': {
        if (!subject) return undefined;
        const back = timeOfDay.optional().safeParse(this.back().trim() || undefined);
        if (!back.success) {
          this.data.refuse(`"${this.back()}" is no time of day; write 12:15, say, or leave it empty.`);
          return undefined;
        }
        return entry({ kind: 'carHeld', car: subject, reason: 'withdrawn', backAt: back.data }, `${name} withdrawn`);
      }
      case 'instructor':
        return subject && entry({ kind: 'breakBegan', instructor: subject, what: 'off' }, `${name} away`);
      case 'late': {
        const guest = subject && this.data.state()?.guests.get(subject)?.guest;
        if (!guest) return undefined;
        const expected = Math.min(DAY_S, Math.max(guest.arrives, nowS) + minutes * 60);
        return entry(
          { kind: 'guestLate', guest: guest.id, expected },
          `${guest.name} comes at ${clockMinute(expected)}`,
        );
      }
      case 'gone': {
        const guest = subject && this.data.state()?.guests.get(subject);
        if (!guest) return undefined;
        const kind = guest.arrivedS === undefined ? 'guestNoShow' : 'guestLeft';
        return entry({ kind, guest: guest.guest.id }, `${guest.guest.name} gone`);
      }
      case 'closed': {
        const from = Math.max(nowS, this.data.day()?.opens ?? 0);
        const to = Math.min(DAY_S, from + minutes * 60);
        const reason = 'closed by the marshal';
        return entry({ kind: 'circuitClosed', from, to, reason }, `Circuit closed until ${clockMinute(to)}`);
      }
      case 'condition': {
        const chosen = CONDITIONS[condition]!;
        return entry({ kind: 'conditionChanged', from: nowS, ...chosen }, `The circuit is ${chosen.name}`);
      }
      case 'behind':
        return entry({ kind: 'runningLate', minutes }, `Running ${minutes} min late`);
      default:
        return undefined;
    }
  }
}
