import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { clockMinute, DAY_S, timeOfDay } from '@core/values';
import { isThrough } from '@core/journal';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { DayService } from '../../../shared/data/day.service';
import type { NewEntry } from '../../../shared/data/open-day';
import { PlanService } from '../../../shared/data/plan.service';
import { HAPPENINGS, type Happening } from '../../../shared/data/happenings';

const CONDITIONS = [
  { name: 'dry', paceFactor: 1 },
  { name: 'damp', paceFactor: 1.08 },
  { name: 'wet', paceFactor: 1.15 },
];

/** "What happened?": what, who, from when, how long; it is entered in the journal, and a repair of the plan is looked for. */
@Component({
  selector: 'jl-what-happened',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, NumberField, InputText, Select],
  templateUrl: './what-happened.html',
  styles: `
    .events,
    .choices {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.45rem;
    }
    .step {
      display: grid;
      gap: 0.45rem;
      margin-top: 1rem;
    }
    .time {
      width: 7rem;
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
  /** What it opens with, where somebody has chosen that elsewhere. */
  readonly event = model<Happening | undefined>();
  protected readonly events = HAPPENINGS;
  protected readonly conditions = CONDITIONS;
  protected readonly subject = signal<string | undefined>(undefined);
  protected readonly from = signal('');
  protected readonly until = signal('');
  protected readonly ownMinutes = signal<number | null>(null);
  protected readonly ownName = signal('');
  protected readonly ownFactor = signal<number | null>(null);
  protected readonly asks = computed(() => HAPPENINGS.find(({ event }) => event === this.event()));

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
          .filter((guest) => !isThrough(guest))
          .map(({ guest }) => ({ value: guest.id, label: guest.name }));
      default:
        return [];
    }
  });

  protected choose(event: Happening): void {
    this.event.set(event);
    this.subject.set(undefined);
    for (const text of [this.from, this.until, this.ownName]) text.set('');
    this.ownMinutes.set(null);
    this.ownFactor.set(null);
  }

  protected close(): void {
    this.open.set(false);
    this.event.set(undefined);
  }

  /** Enters it for whom it happened to; `minutes` how late or how long, `condition` another than the one typed. */
  protected enter(more: { minutes?: number; condition?: { name: string; paceFactor: number } } = {}): void {
    const found = this.entryOf(more);
    if (typeof found === 'string') return this.data.refuse(found);
    if (!this.data.record(found.entry)) return;
    this.close();
    this.planning.repairOnceSent(found.words);
  }

  /** The entry and what to call its repair, or what is missing. */
  private entryOf({
    minutes = this.ownMinutes() ?? undefined,
    condition = this.ownCondition(),
  }: {
    minutes?: number | undefined;
    condition?: { name: string; paceFactor: number } | undefined;
  }): { entry: NewEntry; words: string } | string {
    const nowS = this.data.nowS();
    const [from, until] = [timeOf(this.from()), timeOf(this.until())];
    for (const time of [from, until]) if (typeof time === 'string') return time;
    const fromS = Math.min(DAY_S - 60, (from as number | undefined) ?? Math.max(nowS, this.data.day()?.opens ?? 0));
    const untilS = until as number | undefined;
    const subject = this.subject();
    const name = this.subjects().find(({ value }) => value === subject)?.label ?? '';
    const whole = (entry: NewEntry, words: string) => ({ entry, words });
    switch (this.event()) {
      case 'car':
        if (!subject) return 'Choose the car first.';
        return whole({ kind: 'carHeld', car: subject, reason: 'withdrawn', backAt: untilS }, `${name} withdrawn`);
      case 'instructor': {
        if (!subject) return 'Choose the instructor first.';
        if (from === undefined && untilS === undefined) {
          return whole({ kind: 'breakBegan', instructor: subject, what: 'off' }, `${name} away`);
        }
        const to = untilS ?? DAY_S;
        if (to <= fromS) return `${clockMinute(to)} is not after ${clockMinute(fromS)}.`;
        return whole({ kind: 'crewAway', instructor: subject, from: fromS, to }, `${name} away`);
      }
      case 'late': {
        const guest = subject && this.data.state()?.guests.get(subject)?.guest;
        if (!guest) return 'Choose the guest first.';
        if (untilS === undefined && minutes === undefined) return 'Say by how many minutes, or when the guest comes.';
        const expected = untilS ?? Math.min(DAY_S, Math.max(guest.arrives, nowS) + minutes! * 60);
        return whole(
          { kind: 'guestLate', guest: guest.id, expected },
          `${guest.name} comes at ${clockMinute(expected)}`,
        );
      }
      case 'gone': {
        const guest = subject && this.data.state()?.guests.get(subject);
        if (!guest) return 'Choose the guest first.';
        const kind = guest.arrivedS === undefined ? 'guestNoShow' : 'guestLeft';
        return whole({ kind, guest: guest.guest.id }, `${guest.guest.name} gone`);
      }
      case 'closed': {
        if (minutes === undefined) return 'Say for how many minutes.';
        const to = Math.min(DAY_S, fromS + minutes * 60);
        const reason = 'closed by the marshal';
        return whole({ kind: 'circuitClosed', from: fromS, to, reason }, `Circuit closed until ${clockMinute(to)}`);
      }
      case 'condition': {
        if (!condition) return 'Give the condition a name, and say how much longer a lap takes (1 is dry).';
        const since = (from as number | undefined) ?? Math.min(nowS, DAY_S);
        const words = `The circuit is ${condition.name}${from === undefined ? '' : ` from ${clockMinute(since)}`}`;
        return whole({ kind: 'conditionChanged', from: since, ...condition }, words);
      }
      case 'behind':
        if (minutes === undefined) return 'Say by how many minutes.';
        return whole({ kind: 'runningLate', minutes }, `Running ${minutes} min late`);
      default:
        return 'Choose what happened first.';
    }
  }

  private ownCondition(): { name: string; paceFactor: number } | undefined {
    const [name, paceFactor] = [this.ownName().trim(), this.ownFactor()];
    return name === '' || paceFactor === null ? undefined : { name, paceFactor };
  }
}

/** A time as it was typed; nothing where nothing was, and a sentence where it is no time. */
function timeOf(text: string): number | string | undefined {
  const padded = /^\d:\d\d$/.test(text.trim()) ? `0${text.trim()}` : text.trim();
  if (padded === '') return undefined;
  const read = timeOfDay.safeParse(padded);
  return read.success ? read.data : `"${text}" is no time of day; write 12:15, say, or leave it empty.`;
}
