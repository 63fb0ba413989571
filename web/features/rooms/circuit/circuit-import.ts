import { ChangeDetectionStrategy, Component, computed, inject, model, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { centreLineOf, type Circuit, type KnownPlace } from '@core/track/circuit';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';
import { Api, ApiError } from '../../../shared/data/api';
import { readText } from '../../../shared/data/text-file';
import { bendsWords } from './bends-words';
import { CircuitMapView } from './circuit-map';
import { twoNumbers } from './two-numbers';

/** Reads a circuit from a file: shows what it holds and what had to be assumed, before anything is taken over. */
@Component({
  selector: 'jl-circuit-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CircuitMapView, Dialog, FormsModule, NumberField, InputText],
  templateUrl: './circuit-import.html',
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1.2rem;
      align-items: end;
    }
    label span {
      display: block;
      font-size: 12.5px;
      color: var(--p-jl-muted);
      margin-bottom: 0.15rem;
    }
    .file {
      flex: 1;
      min-width: 16rem;
    }
    .found {
      display: grid;
      grid-template-columns: 1.2fr 1fr;
      gap: 1rem;
      margin-top: 1rem;
    }
    .found jl-circuit-map {
      height: 19rem;
      border: 1px solid var(--p-jl-line);
    }
    .faults {
      margin-top: 0.8rem;
      padding: 0.6rem 0.9rem;
      border-left: 4px solid var(--p-jl-kerb);
      background: var(--p-jl-kerb-soft);
    }
    ul {
      margin: 0.3rem 0 0.8rem;
      padding-left: 1.1rem;
    }
    p {
      margin: 0.2rem 0;
    }
    @media (max-width: 640px) {
      .found {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class CircuitImport {
  private readonly api = inject(Api);
  readonly open = model(false);
  readonly read = output<Circuit>();
  protected left = 5;
  protected right = 5;
  /** Two places that are known twice, as typed: `x, y` in the file and `latitude, longitude`. */
  protected readonly known = signal<readonly { readonly at: string; readonly on: string }[]>([
    { at: '', on: '' },
    { at: '', on: '' },
  ]);
  protected readonly isCsv = signal(false);
  private chosen: { fileName: string; text: string } | undefined;
  protected readonly found = signal<{ circuit: Circuit; assumed: string[] } | undefined>(undefined);
  protected readonly refusal = signal<string | undefined>(undefined);
  protected readonly faults = signal<readonly { path: string; message: string }[]>([]);
  protected readonly facts = computed(() => {
    const it = this.found();
    if (!it) return '';
    const centre = centreLineOf(it.circuit.line, 3);
    return `${Math.round(centre.lengthM)} m, ${it.circuit.line.length} points, ${bendsWords(centre)}`;
  });

  protected async choose(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    try {
      this.chosen = { fileName: file.name, text: await readText(file) };
      this.isCsv.set(/\.csv$/i.test(file.name));
      this.readAgain();
    } catch (error) {
      this.chosen = undefined;
      this.fail(error);
    }
  }

  protected readAgain(): void {
    if (!this.chosen) return;
    const placed = this.isCsv() ? knownPlaces(this.known()) : undefined;
    const widthM = { left: this.left || 5, right: this.right || 5 };
    const body = { ...this.chosen, widthM, ...(placed && { placed }) };
    this.api.call(contract.previewCircuit, { body }).subscribe({
      next: (found) => {
        this.found.set(found);
        this.refusal.set(undefined);
        this.faults.set([]);
      },
      error: (error: unknown) => this.fail(error),
    });
  }

  protected place(place: number, part: Partial<{ at: string; on: string }>): void {
    this.known.update((known) => known.map((one, i) => (i === place ? { ...one, ...part } : one)));
    if (knownPlaces(this.known())) this.readAgain();
  }

  private fail(error: unknown): void {
    this.found.set(undefined);
    this.refusal.set((error as Error).message);
    this.faults.set(error instanceof ApiError ? (error.problem?.faults ?? []) : []);
  }
}

/** Both places, once all four pairs of numbers can be read. */
function knownPlaces(
  typed: readonly { readonly at: string; readonly on: string }[],
): [KnownPlace, KnownPlace] | undefined {
  const read = typed.map(({ at, on }) => {
    const [plane, globe] = [twoNumbers(at), twoNumbers(on)];
    return plane && globe && { xM: plane[0], yM: plane[1], latDeg: globe[0], lonDeg: globe[1] };
  });
  return read[0] && read[1] && [read[0], read[1]];
}
