import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { CAR_KINDS, namedCars, venueOfCars, type CarKind } from '@core/venue/fleet';
import { contract, type ImportPreview, type ImportRow, type ListPreview, type ListWord } from '@core/api';
import { CAR_KIND_WORDS } from '@words/en/first-steps';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Select } from 'primeng/select';
import { concatMap, from, last, of, type Observable } from 'rxjs';
import type * as z from 'zod';
import { languageOptions } from '../crew/crew-fields';
import { Api, ApiError } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { readText } from '../../../shared/data/text-file';

const OUTCOME_WORDS: Record<ImportRow['outcome'], string> = {
  added: 'new',
  changed: 'changed',
  unchanged: 'as it is',
  faulty: 'faulty',
  otherDay: 'another day',
};

/** Of a car of a list where there is no fleet yet, so that it can be no other car's name. */
const DEFAULT_KIND: CarKind = 'grandTourer';

const isKind = (kind: string): kind is CarKind => (CAR_KINDS as readonly string[]).includes(kind);

type Taken = Pick<z.output<typeof contract.importBookings.reply>, 'added' | 'changed' | 'faulty'>;

/** A list that comes in: what it is called, and how it is looked at and taken in. */
interface List {
  readonly title: string;
  readonly what: string;
  readonly look: (api: Api, date: string, list: { csv: string; words: ListWord[] }) => Observable<Preview>;
  readonly take: (api: Api, date: string, list: { csv: string; words: ListWord[] }) => Observable<Taken>;
}

/** Only a list of bookings knows of words that have to be explained. */
type Preview = ListPreview & Partial<ImportPreview>;

const LISTS: Readonly<Record<'bookings' | 'cars' | 'crew', List>> = {
  bookings: {
    title: 'Import a booking list',
    what: 'bookings',
    look: (api, date, body) => api.call(contract.previewImport, { params: { date }, body }),
    take: (api, date, body) => api.call(contract.importBookings, { params: { date }, body }),
  },
  cars: {
    title: 'Import a list of cars',
    what: 'cars',
    look: (api, _, { csv }) => api.call(contract.previewCars, { body: { csv } }),
    take: (api, _, { csv }) => api.call(contract.importCars, { body: { csv } }),
  },
  crew: {
    title: 'Import a list of the crew',
    what: 'people',
    look: (api, _, { csv }) => api.call(contract.previewCrew, { body: { csv } }),
    take: (api, _, { csv }) => api.call(contract.importCrew, { body: { csv } }),
  },
};

/**
 * Import of a CSV list of bookings, cars or people: a file, what it would do row by row, then all good rows or none.
 */
@Component({
  selector: 'jl-import-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, Select],
  templateUrl: './import-dialog.html',
  styles: `
    .drop {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.8rem;
      padding: 1rem;
      border: 2px dashed var(--p-jl-faint);
      border-radius: 8px;
    }
    .rows {
      max-height: 46vh;
      overflow: auto;
      border: 1px solid var(--p-jl-line);
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      position: sticky;
      top: 0;
      background: var(--p-jl-sunk);
      text-align: left;
    }
    th,
    td {
      padding: 0.3rem 0.6rem;
      border-bottom: 1px solid var(--p-jl-line);
      vertical-align: top;
    }
    .unchanged td {
      color: var(--p-jl-muted);
    }
    .fault {
      display: block;
    }
    .unknown {
      padding: 0.6rem 0.9rem;
      margin-bottom: 0.7rem;
      border: 1px solid var(--p-jl-amber-mark);
      border-radius: 8px;
      background: var(--p-jl-amber-soft);

      p {
        margin: 0 0 0.4rem;
      }

      div {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem 1.2rem;
        margin-bottom: 0.6rem;
      }

      label {
        display: flex;
        gap: 0.5rem;
        align-items: center;
      }
    }
    .first {
      margin-bottom: 0.7rem;
      overflow-x: auto;
    }
    .first .bad {
      background: var(--p-jl-kerb);
      color: var(--p-jl-paper);
      font-weight: 700;
    }
    footer {
      display: flex;
      justify-content: flex-end;
      gap: 0.6rem;
      margin-top: 0.9rem;
    }
  `,
})
export class ImportDialog {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly of = input<keyof typeof LISTS>('bookings');
  readonly open = model(false);
  readonly taken = output<void>();
  protected readonly it = computed(() => LISTS[this.of()]);
  protected readonly words = OUTCOME_WORDS;
  protected readonly preview = signal<Preview | undefined>(undefined);
  protected readonly shown = computed(() => {
    const preview = this.preview();
    return preview && { unknownCars: [], unknownLanguages: [], prices: [], ...preview };
  });
  protected readonly failure = signal<{ message: string; faults: { path: string; message: string }[] } | undefined>(
    undefined,
  );
  protected readonly busy = signal(false);
  /** The day that the list is read for: that on screen, or another that the list has rows of. */
  protected readonly date = linkedSignal(() => this.data.date()!);
  private readonly chosenCars = signal<ReadonlyMap<string, string>>(new Map());
  private readonly fleet = computed(() => this.data.day()?.cars ?? []);
  /** What a car of the list may be: one that is there, or one to be created, of a kind. */
  protected readonly kinds = computed(() => [
    ...this.fleet().map(({ id, name }) => ({ value: id, label: `it is ${name}` })),
    ...CAR_KINDS.map((value) => ({ value: value, label: `new: ${CAR_KIND_WORDS[value].name}` })),
  ]);
  /** What each car of the list is that the fleet has not: as chosen, or the nearest there is; never a new one unasked. */
  protected readonly carsAre = computed(() => {
    const unasked = this.fleet().length === 0 ? DEFAULT_KIND : undefined;
    return new Map(
      (this.preview()?.unknownCars ?? []).map(({ name, nearest }) => [
        name,
        this.chosenCars().get(name) ?? nearest ?? unasked,
      ]),
    );
  });
  protected readonly cannotTake = computed(() => [...this.carsAre().values()].every((is) => is === undefined));
  protected readonly takeCarsLabel = computed(() => {
    const fresh = [...this.carsAre().values()].filter((is) => is !== undefined && isKind(is)).length;
    if (fresh === 0) return this.carsAre().size === 1 ? 'This is the car' : 'These are the cars';
    return fresh === 1 ? 'Create this car' : `Create these ${fresh} cars`;
  });
  protected readonly day = computed(() => PLAIN_WORDS.dateWithYear(this.date()));
  /** Days of which the list has rows besides, and whether they are event days. */
  protected readonly otherDays = computed(() => {
    const counts = new Map<string, number>();
    for (const { date } of this.preview()?.rows ?? []) if (date) counts.set(date, (counts.get(date) ?? 0) + 1);
    const there = new Set(this.data.days().map(({ date }) => date));
    return [...counts]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([date, rows]) => {
        const words = `${rows === 1 ? 'One row' : `${rows} rows`} of ${PLAIN_WORDS.dateWithYear(date)}`;
        return { date, words, isThere: there.has(date) };
      });
  });
  protected readonly languages = languageOptions();
  protected readonly creating = signal(false);
  /** What words of this list mean, as it was said here. */
  protected readonly said = signal<readonly ListWord[]>([]);
  private csv = '';
  private fileName = '';

  constructor() {
    // What was left standing is read again: the day may have changed meanwhile.
    effect(() => {
      if (this.open() && untracked(() => this.preview())) untracked(() => this.look());
    });
  }

  /** Faulty rows first: they are what a person has to look at. */
  protected readonly sorted = computed(() => {
    const rank = { faulty: 0, changed: 1, added: 2, unchanged: 3, otherDay: 4 };
    return [...(this.preview()?.rows ?? [])].sort((a, b) => rank[a.outcome] - rank[b.outcome] || a.line - b.line);
  });
  protected readonly good = computed(() => this.count('added') + this.count('changed'));

  protected count(outcome: ImportRow['outcome']): number {
    return this.preview()?.rows.filter((row) => row.outcome === outcome).length ?? 0;
  }

  protected chosen(event: Event): void {
    const input = event.target as HTMLInputElement;
    const [file] = input.files ?? [];
    // The same file can be chosen again at once, as after it was put right.
    input.value = '';
    void this.read(file);
  }

  protected dropped(event: DragEvent): void {
    event.preventDefault();
    void this.read(event.dataTransfer?.files[0]);
  }

  protected importGood(): void {
    this.busy.set(true);
    this.it()
      .take(this.api, this.date(), this.list())
      .subscribe({
        next: ({ added, changed, faulty }) => {
          this.data.reload();
          this.taken.emit();
          this.data.say(
            `${added} ${this.it().what} added, ${changed} changed${faulty > 0 ? `, ${faulty} faulty rows left out` : ''}.`,
          );
          this.busy.set(false);
          if (this.otherDays().length === 0) this.close();
          else this.look();
        },
        error: (error: unknown) => this.fail(error),
      });
  }

  /** Reads the list for another day of which it has rows; one that is no event day yet becomes one. */
  protected readFor(date: string, isThere: boolean): void {
    const there: Observable<unknown> = isThere
      ? of(null)
      : this.api.call(contract.addDay, { body: { date, practice: false } });
    there.subscribe({
      next: () => {
        if (!isThere) this.data.reload();
        this.date.set(date);
        this.look();
      },
      error: (error: unknown) => this.fail(error),
    });
  }

  protected setCar(car: string, is: string): void {
    this.chosenCars.update((known) => new Map(known).set(car, is));
  }

  /** A word of the list means something that is known; the list is read again with it. */
  protected say(kind: ListWord['kind'], word: string, means: string): void {
    const plain =
      kind === 'column'
        ? word
            .trim()
            .toLowerCase()
            .replace(/[\s_-]+/g, ' ')
        : word.toLowerCase();
    this.note([{ kind, word: plain, means }]);
    this.look();
  }

  private note(words: readonly ListWord[]): void {
    const isSaid = (one: ListWord) => words.some(({ kind, word }) => kind === one.kind && word === one.word);
    this.said.update((said) => [...words, ...said.filter((one) => !isSaid(one))]);
  }

  /** The cars that have no price get that of the list. */
  protected takePrices(): void {
    const prices = new Map(this.preview()?.prices?.map(({ car, lapPrice }) => [car, lapPrice]));
    this.creating.set(true);
    this.api
      .call(contract.listCars)
      .pipe(
        concatMap(({ cars }) => from(cars.filter(({ fields }) => prices.has(fields.id)))),
        concatMap(({ version, fields }) =>
          this.api.call(contract.changeCar, {
            params: { id: fields.id },
            body: { version, fields: { ...fields, lapPrice: prices.get(fields.id) } },
          }),
        ),
        last(),
      )
      .subscribe({
        next: () => this.createdSome(),
        error: (error: unknown) => {
          this.creating.set(false);
          this.fail(error);
        },
      });
  }

  private createdSome(): void {
    this.creating.set(false);
    this.data.reload();
    this.look();
  }

  /** Cars that are there are known by what the list calls them, others are created; then the list is read again. */
  protected takeCars(): void {
    const [preview, day, carsAre] = [this.preview(), this.data.day(), this.carsAre()];
    if (!preview || !day) return;
    const wanted = (preview.unknownCars ?? []).flatMap(({ name, lapPrice }) => {
      const kind = carsAre.get(name);
      return kind !== undefined && isKind(kind) ? [{ name, kind, lapPrice }] : [];
    });
    this.note(
      [...carsAre].flatMap(([name, is]) =>
        is === undefined || isKind(is) ? [] : [{ kind: 'car' as const, word: name.toLowerCase(), means: is }],
      ),
    );
    if (wanted.length === 0) return this.look();
    this.creating.set(true);
    const at = venueOfCars(day, this.data.currency());
    this.api
      .call(contract.listCars)
      .pipe(
        concatMap(({ cars }) => {
          const fleet = cars.map(({ fields }) => fields);
          return from(namedCars(wanted, fleet, at));
        }),
        concatMap((car) => this.api.call(contract.addCar, { body: car })),
        last(),
      )
      .subscribe({
        next: () => this.createdSome(),
        error: (error: unknown) => {
          this.creating.set(false);
          this.fail(error);
        },
      });
  }

  /** The faulty rows as a list of their own, with the same header, to be put right and brought in again. */
  protected saveFaulty(): void {
    const lines = this.csv.split(/\r\n|\n|\r/);
    const rows = [...(this.preview()?.rows ?? [])].sort((a, b) => a.line - b.line);
    const faulty = rows.flatMap(({ line, outcome }, place) =>
      outcome === 'faulty' ? lines.slice(line - 1, (rows[place + 1]?.line ?? lines.length + 1) - 1) : [],
    );
    const text = `\uFEFF${[lines[0], ...faulty].join('\r\n')}\r\n`;
    const address = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
    const link = Object.assign(document.createElement('a'), { href: address, download: `faulty-${this.fileName}` });
    link.click();
    URL.revokeObjectURL(address);
  }

  protected close(): void {
    this.busy.set(false);
    this.said.set([]);
    this.chosenCars.set(new Map());
    this.date.set(this.data.date()!);
    this.preview.set(undefined);
    this.failure.set(undefined);
    this.open.set(false);
  }

  private async read(file: File | undefined): Promise<void> {
    if (!file) return;
    this.preview.set(undefined);
    this.failure.set(undefined);
    try {
      this.csv = await readText(file);
      this.fileName = file.name;
    } catch (error) {
      return this.fail(error);
    }
    this.look();
  }

  private look(): void {
    this.it()
      .look(this.api, this.date(), this.list())
      .subscribe({
        next: (preview) => this.preview.set(preview),
        error: (error: unknown) => this.fail(error),
      });
  }

  private list() {
    return { csv: this.csv, words: [...this.said()] };
  }

  private fail(error: unknown): void {
    this.busy.set(false);
    const faults = error instanceof ApiError ? (error.problem?.faults ?? []) : [];
    this.failure.set({ message: (error as Error).message, faults });
  }
}
