import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { contract, type RosterPreview } from '@core/api';
import { clockMinute } from '@core/values';
import type { RosterEntry } from '@core/people/crew';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { readUtf8 } from '../../../shared/data/text-file';

/** Takes in a calendar file: what it would do first, event by event, then all that is good or nothing. */
@Component({
  selector: 'jl-roster-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog],
  templateUrl: './roster-import.html',
  styles: `
    label {
      margin-right: 0.8rem;
    }
    ul {
      max-height: 18rem;
      margin: 0.5rem 0;
      padding-left: 1.1rem;
      overflow: auto;
    }
    footer {
      display: flex;
      justify-content: flex-end;
      gap: 0.5rem;
    }
  `,
})
export class RosterImport {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly closed = output<void>();
  protected readonly failure = signal('');
  protected readonly preview = signal<RosterPreview | undefined>(undefined);
  protected readonly busy = signal(false);
  private text = '';
  protected readonly good = computed(() => {
    const found = this.preview();
    return found ? found.added.length + found.changed.length + found.cancelled.length : 0;
  });
  protected readonly lines = computed(() => {
    const names = new Map((this.data.day()?.instructors ?? []).map(({ id, name }) => [id, name]));
    const words = ({ instructor, kind, from, to, hours }: RosterEntry) =>
      [
        names.get(instructor) ?? instructor,
        kind === 'absence' ? 'away' : 'there',
        from === to ? from : `${from} to ${to}`,
        ...(hours ? [`${clockMinute(hours.from)}–${clockMinute(hours.to)}`] : []),
      ].join(' ');
    const found = this.preview();
    return [...(found?.added ?? []), ...(found?.changed ?? [])].map(words);
  });

  protected async chosen(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    this.preview.set(undefined);
    this.failure.set('');
    try {
      this.text = await readUtf8(file);
    } catch (error) {
      return this.failure.set((error as Error).message);
    }
    this.api.call(contract.previewRoster, { body: { ical: this.text } }).subscribe({
      next: (found) => this.preview.set(found),
      error: (error: Error) => this.failure.set(error.message),
    });
  }

  protected take(): void {
    this.busy.set(true);
    this.api.call(contract.importRoster, { body: { ical: this.text } }).subscribe({
      next: () => {
        this.data.say(`${this.good()} entries of the calendar are in the roster.`);
        this.closed.emit();
      },
      error: (error: Error) => {
        this.busy.set(false);
        this.failure.set(error.message);
      },
    });
  }
}
