import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { clockMinute } from '@core/values';
import { KeptAside, type Lacking } from '../shared/data/kept-aside';
import { PLAIN_WORDS, screenWords } from '../shared/data/screen-words';
import { Ask } from '../shared/frame/ask';

/** Says that the server knows less of a day than this device, shows what, and lets it be dropped. */
@Component({
  selector: 'jl-kept-aside-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (it of notes(); track it.of) {
      <section role="alert">
        <p>
          <b>The server knows less than this device:</b> it was started with an older copy of its data.
          {{ it.words }} Go on as the server shows it; nothing of this is lost as long as it is kept here.
        </p>
        <button type="button" [attr.aria-expanded]="open() === it.of" (click)="look(it.of)">Look</button>
        <button type="button" (click)="drop(it.of)">Drop…</button>
        @if (open() === it.of) {
          <ul>
            @for (line of it.lines; track $index) {
              <li>{{ line }}</li>
            }
          </ul>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 0.8rem;
      align-items: center;
      padding: 0.4rem 1.1rem;
      background: var(--p-jl-amber-soft);
      border-bottom: 1px solid var(--p-jl-line);
    }
    p {
      flex: 1 1 24rem;
      margin: 0;
    }
    ul {
      flex-basis: 100%;
      max-height: 30vh;
      margin: 0;
      overflow: auto;
    }
    button {
      min-height: 44px;
      padding: 0 0.9rem;
      border: 1.5px solid var(--p-jl-muted);
      border-radius: 7px;
      background: var(--p-jl-panel);
      color: inherit;
      font: inherit;
      cursor: pointer;
    }
  `,
})
export class KeptAsideNote {
  private readonly aside = inject(KeptAside);
  private readonly ask = inject(Ask);
  protected readonly open = signal<Lacking | undefined>(undefined);
  protected readonly notes = computed(() =>
    this.aside.all().map((of) => {
      const { date, bookings, day } = of.stored;
      const count = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);
      const what = [
        ...(of.entries.length > 0 ? [count(of.entries.length, 'entry', 'entries')] : []),
        ...(bookings.length > 0 ? [count(bookings.length, 'booking', 'bookings')] : []),
      ].join(' and ');
      const words = day
        ? `All of ${PLAIN_WORDS.dateWithYear(date)}${what && `, with ${what},`} is kept here.`
        : `${what} of ${PLAIN_WORDS.dateWithYear(date)} ${what.startsWith('1 ') && !what.includes(' and ') ? 'is' : 'are'} kept here.`;
      const tell = screenWords(of.view);
      const guests = new Map(of.view.bookings.map(({ id, fields }) => [id, fields.name]));
      const whose = (entry: object) => ('guest' in entry ? guests.get(String(entry.guest)) : undefined);
      const lines = [
        ...bookings.map((name) => `Booking of ${name}`),
        ...of.entries.map(({ entry }) => {
          const words = [tell.entry(entry), whose(entry)].filter(Boolean).join(', ');
          return `${clockMinute(entry.at)} ${entry.by}: ${words}`;
        }),
      ];
      return { of, words, lines };
    }),
  );

  protected look(of: Lacking): void {
    this.open.update((open) => (open === of ? undefined : of));
  }

  protected async drop(of: Lacking): Promise<void> {
    const words = 'What the server lacks is then nowhere any more.';
    if (await this.ask.whether('Drop what this device has kept?', words, 'Drop it')) this.aside.drop(of);
  }
}
