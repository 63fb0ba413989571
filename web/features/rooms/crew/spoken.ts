import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { InstructorFields } from '@core/people/crew';
import { languageName } from '@words/languages';
import { Select } from 'primeng/select';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { changeCrew } from './change-crew';
import { languageOptions } from './crew-fields';

/** Who of the crew speaks what, for everybody at once; what guests of the open day need stands first. */
@Component({
  selector: 'jl-spoken',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Select],
  template: `
    <header>
      <h2>Who speaks what</h2>
      <p-select
        [options]="others()"
        optionLabel="label"
        optionValue="value"
        placeholder="One more language"
        size="small"
        [filter]="true"
        ariaLabel="One more language"
        [ngModel]="null"
        (onChange)="more($event.value)"
      />
    </header>
    <p class="muted">The head of a column gives a language to everybody; a second time takes it.</p>
    <div class="wide" tabindex="0" role="region" aria-label="Languages of the crew">
      <table class="skills">
        <thead>
          <tr>
            <th><span class="visually-hidden">Instructor</span></th>
            @for (language of languages(); track language.code) {
              <th>
                <button
                  type="button"
                  [attr.aria-label]="'Everybody speaks ' + language.name"
                  [class.warn]="language.nobody"
                  (click)="fill(language.code)"
                >
                  {{ language.name }}
                </button>
              </th>
            }
          </tr>
        </thead>
        <tbody>
          @for (one of crew(); track one.id) {
            <tr>
              <th scope="row">{{ one.name }}</th>
              @for (language of languages(); track language.code) {
                <td [class.no]="!one.languages.includes(language.code)">
                  <button
                    type="button"
                    [attr.aria-pressed]="one.languages.includes(language.code)"
                    [attr.aria-label]="one.name + ' speaks ' + language.name"
                    (click)="fill(language.code, one.id)"
                  >
                    {{ one.languages.includes(language.code) ? '●' : '' }}
                  </button>
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styleUrl: './skills.scss',
  styles: `
    header {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 0.4rem 1rem;
    }
    .wide {
      overflow-x: auto;
    }
  `,
})
export class Spoken {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly crew = input.required<readonly InstructorFields[]>();
  readonly changed = output();
  private readonly added = signal<readonly string[]>([]);
  protected readonly languages = computed(() => {
    const spoken = new Set(this.crew().flatMap(({ languages }) => languages));
    const needed = (this.data.day()?.guests ?? []).flatMap(({ languages }) => languages.slice(0, 1));
    return [...new Set([...needed, ...spoken, ...this.added()])].map((code) => ({
      code,
      name: languageName(code),
      nobody: !spoken.has(code),
    }));
  });
  protected readonly others = computed(() => {
    const shown = new Set(this.languages().map(({ code }) => code));
    return languageOptions().filter(({ value }) => !shown.has(String(value)));
  });

  protected more(code: string): void {
    this.added.update((added) => [...added, code]);
  }

  /** Everybody, or one, speaks it; where all do already, nobody does any more. */
  protected fill(code: string, who?: string): void {
    const crew = this.crew().filter(({ id }) => who === undefined || id === who);
    const speaks = !crew.every(({ languages }) => languages.includes(code));
    const only = speaks ? [] : crew.filter(({ languages }) => languages.length === 1);
    if (only.length > 0) {
      const names = only.map(({ name }) => name).join(', ');
      this.data.refuse(`${names}: everybody speaks one language at least; give another one first.`);
    }
    const others = crew.filter((one) => !only.includes(one));
    changeCrew(this.api, others, ({ languages, ...fields }) => ({
      ...fields,
      languages: [...languages.filter((one) => one !== code), ...(speaks ? [code] : [])],
    })).subscribe({
      next: () => {
        this.changed.emit();
        this.data.reload();
      },
      error: (error: Error) => {
        this.changed.emit();
        this.data.refuse(error.message);
      },
    });
  }
}
