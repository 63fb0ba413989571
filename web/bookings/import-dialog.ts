import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { contract, type ImportPreview, type ImportRow } from '@core/api';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Api, ApiError } from '../data/api';
import { DayService } from '../data/day.service';
import { readText } from '../data/text-file';

const OUTCOME_WORDS: Record<ImportRow['outcome'], string> = {
  added: 'new',
  changed: 'changed',
  unchanged: 'as it is',
  faulty: 'faulty',
};

/** Import of a CSV booking list: a file or pasted text, what it would do row by row, then all good rows or none. */
@Component({
  selector: 'jl-import-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog],
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
  readonly open = model(false);
  protected readonly words = OUTCOME_WORDS;
  protected readonly preview = signal<ImportPreview | undefined>(undefined);
  protected readonly failure = signal<{ message: string; faults: { path: string; message: string }[] } | undefined>(
    undefined,
  );
  protected readonly busy = signal(false);
  private csv = '';

  /** Faulty rows first: they are what a person has to look at. */
  protected readonly sorted = computed(() => {
    const rank = { faulty: 0, changed: 1, added: 2, unchanged: 3 };
    return [...(this.preview()?.rows ?? [])].sort((a, b) => rank[a.outcome] - rank[b.outcome] || a.line - b.line);
  });
  protected readonly good = computed(() => this.count('added') + this.count('changed'));

  protected count(outcome: ImportRow['outcome']): number {
    return this.preview()?.rows.filter((row) => row.outcome === outcome).length ?? 0;
  }

  protected chosen(event: Event): void {
    void this.read((event.target as HTMLInputElement).files?.[0]);
  }

  protected dropped(event: DragEvent): void {
    event.preventDefault();
    void this.read(event.dataTransfer?.files[0]);
  }

  protected importGood(): void {
    const date = this.data.date()!;
    this.busy.set(true);
    this.api.call(contract.importBookings, { params: { date }, body: { csv: this.csv } }).subscribe({
      next: ({ added, changed, faulty }) => {
        this.data.reload();
        this.data.say(
          `${added} bookings added, ${changed} changed${faulty > 0 ? `, ${faulty} faulty rows left out` : ''}.`,
        );
        this.close();
      },
      error: (error: unknown) => this.fail(error),
    });
  }

  protected close(): void {
    this.busy.set(false);
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
    } catch (error) {
      return this.fail(error);
    }
    this.api.call(contract.previewImport, { params: { date: this.data.date()! }, body: { csv: this.csv } }).subscribe({
      next: (preview) => this.preview.set(preview),
      error: (error: unknown) => this.fail(error),
    });
  }

  private fail(error: unknown): void {
    this.busy.set(false);
    const faults = error instanceof ApiError ? (error.problem?.faults ?? []) : [];
    this.failure.set({ message: (error as Error).message, faults });
  }
}
