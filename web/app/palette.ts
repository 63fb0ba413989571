import { ActiveDescendantKeyManager, type Highlightable } from '@angular/cdk/a11y';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  Directive,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  model,
  output,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { Router } from '@angular/router';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { clockMinute } from '@core/values';
import { effectiveEntries, type JournalEntry } from '@core/journal';
import { PLAIN_WORDS } from '../shared/data/screen-words';
import { DayService } from '../shared/data/day.service';
import { Who } from '../shared/data/who';
import { focusOnceThere } from '../shared/forms/focus';
import { askFor } from '../shared/frame/requests';
import { PLACES } from './screens';
import { ThemeChoice } from '../shared/frame/theme-choice';
import { HAPPENINGS } from '../shared/data/happenings';

/** Something that the palette can find or do. */
export interface Command {
  readonly label: string;
  /** Of what kind it is, or the key that does the same; it is shown, and not searched. */
  readonly hint: string;
  /** Further words by which it is found. */
  readonly words?: string;
  readonly run: () => void;
}

const MOST_SHOWN = 12;

@Directive({
  selector: '[jlPaletteOption]',
  host: { role: 'option', '[id]': 'id()', '[class.active]': 'active()', '[attr.aria-selected]': 'active()' },
})
export class PaletteOption implements Highlightable {
  readonly id = input.required<string>();
  readonly command = input.required<Command>({ alias: 'jlPaletteOption' });
  protected readonly active = signal(false);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  setActiveStyles(): void {
    this.active.set(true);
    this.element.nativeElement.scrollIntoView({ block: 'nearest' });
  }
  setInactiveStyles(): void {
    this.active.set(false);
  }
}

/** Find or do anything: places, guests, cars and actions by a few letters. */
@Component({
  selector: 'jl-palette',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, InputText, PaletteOption],
  templateUrl: './palette.html',
  styles: `
    .query {
      margin-top: 4px;
      width: 100%;
      font-size: 16px;
    }
    [role='listbox'] {
      margin-top: 0.6rem;
      max-height: 24rem;
      overflow: auto;
    }
    .option {
      display: flex;
      justify-content: space-between;
      gap: 1rem;
      padding: 0.45rem 0.6rem;
      border-radius: 5px;
      cursor: pointer;
    }
    .option.active,
    .option:hover {
      background: var(--p-jl-lake-soft);
    }
  `,
})
export class Palette {
  private readonly router = inject(Router);
  private readonly data = inject(DayService);
  private readonly theme = inject(ThemeChoice);
  private readonly who = inject(Who);
  readonly open = model(false);
  readonly chooseDay = output<void>();
  protected readonly query = signal('');
  /** Place of the option that Enter runs; typing goes back to the first at once, before anything is drawn. */
  private readonly place = signal(0);
  protected readonly activeId = computed(() => (this.found().length > 0 ? `palette-${this.place()}` : null));
  private readonly options = viewChildren(PaletteOption);
  private readonly keys = new ActiveDescendantKeyManager(this.options, inject(Injector)).withWrap();

  private readonly commands = computed<readonly Command[]>(() => {
    const day = this.data.day();
    const numbers = this.data.view()?.carNumbers ?? {};
    return [
      ...PLACES.map(({ label, path, fragment, key }) => ({
        label,
        hint: `screen, ${key.toUpperCase()}`,
        run: () => void this.router.navigate([path], fragment ? { fragment } : {}),
      })),
      ...(day?.guests ?? []).map((guest) => ({
        label: guest.name,
        hint: 'guest card',
        run: () => void this.router.navigate(['/guests', guest.id]),
      })),
      ...(day?.cars ?? []).map((car) => ({
        label: `${numbers[car.id] ?? ''} ${car.name}`,
        hint: 'car',
        run: () => void this.router.navigate(['/cars']),
      })),
      ...this.actions(),
    ];
  });
  protected readonly found = computed(() => {
    const words = this.query().toLowerCase().split(/\s+/).filter(Boolean);
    return this.commands()
      .filter(({ label, words: more }) => words.every((word) => `${label} ${more ?? ''}`.toLowerCase().includes(word)))
      .slice(0, MOST_SHOWN);
  });

  /** What the buttons of the screens do. */
  private actions(): Command[] {
    const asking = (screen: string, request: string) => () => askFor(this.router, screen, request);
    const last = this.lastOwn();
    return [
      { label: 'Plan the day again', hint: 'board, P', words: 'replan', run: asking('/board', 'plan') },
      ...HAPPENINGS.map(({ label, words, event }) => ({
        label,
        words,
        hint: 'what happened?',
        run: asking('/board', `happened=${event}`),
      })),
      { label: 'Walk-in', hint: 'bookings', words: 'new guest', run: asking('/bookings', 'walk-in') },
      { label: 'Add a booking', hint: 'bookings', words: 'new guest', run: asking('/bookings', 'add') },
      { label: 'Import a booking list', hint: 'bookings', words: 'csv', run: asking('/bookings', 'import') },
      ...(last
        ? [
            {
              label: `Undo: ${PLAIN_WORDS.entry(last)}`,
              hint: clockMinute(last.at),
              words: 'take back',
              run: () => void this.data.undo(last.id),
            },
          ]
        : []),
      { label: 'Close the day', hint: 'close, Z', words: 'end', run: () => void this.router.navigate(['/close']) },
      { label: 'Back to now', hint: 'N', run: () => this.data.showTime(undefined) },
      { label: 'Light or dusk', hint: 'D', words: 'dark theme', run: () => this.theme.toggle() },
      { label: 'Choose or add a day', hint: 'event days', run: () => this.chooseDay.emit() },
      {
        label: 'Print the sheets',
        hint: 'day and instructors',
        words: 'pdf paper',
        run: () => void this.router.navigate(['/crew'], { fragment: 'print' }),
      },
    ];
  }

  /** The last entry that this device's person has made and that can be taken back. */
  private lastOwn(): JournalEntry | undefined {
    const me = this.who.name();
    return effectiveEntries(this.data.entries()).findLast(({ by, kind }) => by === me && kind !== 'planAccepted');
  }

  constructor() {
    effect(() => {
      if (this.open()) focusOnceThere('palette-query');
    });
    afterRenderEffect(() => {
      this.found();
      if (this.options().length > 0) untracked(() => this.keys.setFirstItemActive());
    });
    this.keys.change.subscribe((place) => this.place.set(Math.max(0, place)));
  }

  protected search(event: Event): void {
    this.query.set((event.target as HTMLInputElement).value);
    this.place.set(0);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Enter') {
      const command = this.found()[this.place()];
      if (command) this.run(command);
    } else this.keys.onKeydown(event);
  }

  protected run(command: Command): void {
    this.open.set(false);
    command.run();
  }
}
