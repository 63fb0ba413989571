import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { instructorFields } from '@core/people/crew/at-start';
import { instructorId, NEW_INSTRUCTOR } from '@core/people/crew';
import { clockMinute, faultLine, faultsOf, windowsOf, windowsText, type Fault } from '@core/values';
import { languageName } from '@words/languages';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';

/** How the hours are to be written. */
const HOURS_FAULT = 'Write the hours as 9:00–15:00, 9-15 or 9 to 3 pm; several with a comma between them.';

/** Instructors in one line each: name and hours are enough. */
@Component({
  selector: 'jl-quick-crew',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText],
  template: `
    @if (crew().length > 0) {
      <ul>
        @for (one of crew(); track one.id) {
          <li>
            <b>{{ one.name }}</b>&ngsp;<span class="muted">{{ one.words }}</span>
          </li>
        }
      </ul>
    }
    <form (submit)="add($event)">
      <label>Name <input pInputText name="name" [(ngModel)]="name" autocomplete="off" /></label>
      <label>There <input pInputText name="hours" size="14" [(ngModel)]="hours" [placeholder]="usual()" /></label>
      <label class="check"><input type="checkbox" name="brief" [(ngModel)]="brief" /> gives the class</label>
      <label class="check"><input type="checkbox" name="sighting" [(ngModel)]="sighting" /> drives sighting runs</label>
      <p-button type="submit" label="Add" size="small" [outlined]="true" ariaLabel="Add this person" />
    </form>
    @for (fault of faults(); track fault) {
      <p class="stop" role="alert">{{ fault }}</p>
    }
    <p class="muted">Everybody teaches in all cars and speaks English, until it is said otherwise.</p>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: end;
    }
    label {
      display: grid;
      gap: 0.15rem;
      font-size: 13px;
    }
    .check {
      display: flex;
      gap: 0.4rem;
      align-items: center;
      min-height: 38px;
    }
    ul {
      margin: 0 0 0.6rem;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 0.2rem 0;
      border-bottom: 1px solid var(--p-jl-line);
    }
    p {
      margin: 0.4rem 0 0;
      font-size: 13px;
    }
  `,
})
export class QuickCrew {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly name = signal('');
  protected readonly hours = signal('');
  protected readonly brief = signal(true);
  protected readonly sighting = signal(true);
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly usual = computed(() => {
    const day = this.data.day();
    return day ? windowsText([{ from: clockMinute(day.opens), to: clockMinute(day.closes) }]) : '';
  });
  protected readonly crew = computed(() =>
    (this.data.day()?.instructors ?? []).map(({ id, name, brief, sighting, languages }) => ({
      id,
      name,
      words: [brief && 'class', sighting && 'sighting runs', languages.map(languageName).join(', ')]
        .filter(Boolean)
        .join(' · '),
    })),
  );

  protected add(event: Event): void {
    event.preventDefault();
    const taken = new Set((this.data.day()?.instructors ?? []).map(({ id }) => id));
    const read = instructorFields.safeParse({
      ...NEW_INSTRUCTOR,
      id: instructorId(taken),
      name: this.name().trim(),
      brief: this.brief(),
      sighting: this.sighting(),
      available: windowsOf(this.hours().trim() || this.usual()),
    });
    const told = (fault: Fault) => (fault.path.startsWith('available') ? HOURS_FAULT : faultLine(fault));
    this.faults.set(read.success ? [] : [...new Set(faultsOf(read.error).map(told))]);
    if (!read.success) return;
    this.api.call(contract.addInstructor, { body: read.data }).subscribe({
      next: () => {
        // Whoever types fast is at the next one already.
        this.name.update((typed) => (typed.trim() === read.data.name ? '' : typed));
        // The first one gives the class; of the others it is asked each time.
        this.brief.set(false);
        this.hours.set('');
        this.data.reload();
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
