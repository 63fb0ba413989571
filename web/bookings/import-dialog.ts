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
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="Import a booking list"
      [visible]="open()"
      (visibleChange)="$event || close()"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '60rem', maxWidth: '96vw' }"
    >
      <div
        class="drop"
        role="group"
        aria-label="Booking list"
        (dragover)="$event.preventDefault()"
        (drop)="dropped($event)"
      >
        <label for="booking-file">CSV file</label>
        <input id="booking-file" type="file" accept=".csv,text/csv,text/plain" (change)="chosen($event)" />
        <span class="muted">Choose it or drop it here. Delimiter and decimal comma are recognised.</span>
      </div>
      @if (failure(); as f) {
        <div class="stop" role="alert">
          <p>
            <b>{{ f.message }}</b>
          </p>
          <ul>
            @for (fault of f.faults; track $index) {
              <li>{{ fault.path }}: {{ fault.message }}</li>
            }
          </ul>
        </div>
      }
      @if (preview(); as p) {
        <p class="counts" role="status">
          <b>{{ count('added') }}</b> new, <b>{{ count('changed') }}</b> changed, <b>{{ count('unchanged') }}</b> as
          they are, <b [class.stop]="count('faulty') > 0">{{ count('faulty') }}</b> faulty.
          <span class="muted">
            Delimiter “{{ p.delimiter === '	' ? 'tab' : p.delimiter }}”, decimal
            {{ p.decimalComma ? 'comma' : 'point' }}.
            @if (p.unknownColumns.length > 0) {
              Not known, left out: {{ p.unknownColumns.join(', ') }}.
            }
          </span>
        </p>
        <div class="rows">
          <table>
            <thead>
              <tr>
                <th>Line</th>
                <th>Reference</th>
                <th>Guest</th>
                <th>What happens</th>
              </tr>
            </thead>
            <tbody>
              @for (row of sorted(); track row.line) {
                <tr [class]="row.outcome">
                  <td>{{ row.line }}</td>
                  <td>{{ row.reference }}</td>
                  <td>{{ row.name }}</td>
                  <td>
                    <span
                      class="chip"
                      [class.stop]="row.outcome === 'faulty'"
                      [class.good]="row.outcome === 'added'"
                      [class.warn]="row.outcome === 'changed'"
                      >{{ words[row.outcome] }}</span
                    >
                    @if (row.changes.length > 0) {
                      {{ row.changes.join(', ') }}
                    }
                    @for (fault of row.faults; track $index) {
                      <span class="stop fault">{{ fault.column ? fault.column + ': ' : '' }}{{ fault.reason }}</span>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <footer>
          <p-button label="Import none" [outlined]="true" (onClick)="close()" />
          <p-button
            [label]="'Import ' + good() + ' good rows'"
            [disabled]="good() === 0"
            [loading]="busy()"
            (onClick)="importGood()"
          />
        </footer>
      }
    </p-dialog>
  `,
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
