import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { centreLineOf, circuitFaults, circuitOfTrack, progressOfTrack } from '@core/track/circuit';
import { Button } from 'primeng/button';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';
import { switchMap } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { keepScreenOn } from '../../../shared/data/wake-lock';
import { Ask } from '../../../shared/frame/ask';
import { bendsWords } from './bends-words';
import { CircuitMapView } from './circuit-map';
import { Recording, type NoPositions } from './recording';

const WHY: Readonly<Record<NoPositions, string>> = {
  insecure:
    'This phone came without the venue’s certificate: a browser gives positions by HTTPS only. Under Devices it can be added again, with it.',
  none: 'This browser knows no positions.',
  refused: 'The phone was not allowed to say where it is: allow it in the browser’s settings, then start again.',
  away: 'No position yet: under the open sky it takes half a minute.',
};

/** Records the circuit by this phone's own positions, walked or driven, several laps averaged as the import does. */
@Component({
  selector: 'jl-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CircuitMapView, FormsModule, NumberField, InputText],
  templateUrl: './record.html',
  styles: `
    .page {
      display: grid;
      gap: 0.9rem;
      padding: 1rem;
      max-width: 34rem;
      margin: 0 auto;
      font-size: 16px;
    }
    .big {
      font-size: 34px;
      font-weight: 780;
      line-height: 1.1;
    }
    .act {
      min-height: 64px;
      border: 0;
      border-radius: 8px;
      background: var(--p-jl-lake);
      color: var(--p-jl-on-lake);
      font-size: 20px;
      font-weight: 700;
    }
    .act.stop {
      background: var(--p-jl-kerb);
      color: var(--p-jl-on-kerb);
    }
    jl-circuit-map {
      height: 19rem;
      border: 1px solid var(--p-jl-line);
    }
    p {
      margin: 0;
    }
    label {
      display: grid;
      gap: 0.2rem;
    }
  `,
})
export class RecordCircuit {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  protected readonly recording = inject(Recording);
  protected readonly name = signal('');
  protected readonly widthM = signal(10);
  protected readonly saving = signal(false);
  protected readonly why = computed(() => {
    const why = this.recording.why();
    return why && WHY[why];
  });
  protected readonly progress = computed(() => {
    const { lengthM, rounds } = progressOfTrack(this.recording.points());
    return { lengthM: Math.round(lengthM), rounds };
  });
  /** What comes of it, once nothing more is recorded. */
  protected readonly found = computed(() => {
    if (this.recording.running() || this.recording.points().length === 0) return undefined;
    const half = (this.widthM() || 10) / 2;
    const read = circuitOfTrack(this.recording.points(), {
      name: this.name().trim() || this.data.day()?.circuit.name || 'Circuit',
      widthM: [half, half],
    });
    if (!read.ok) return { fault: read.message };
    const centre = centreLineOf(read.circuit.line, 3);
    const laps = read.laps === 1 ? 'one lap' : `${read.laps} laps averaged`;
    return {
      circuit: read.circuit,
      fault: circuitFaults(read.circuit)[0]?.message,
      words: `${Math.round(centre.lengthM)} m, ${bendsWords(centre)}, ${laps}${read.hilly ? ', with heights' : ''}`,
    };
  });

  constructor() {
    keepScreenOn();
  }

  protected async save(): Promise<void> {
    const circuit = this.found()?.circuit;
    if (!circuit) return;
    const there = this.data.view()?.map;
    const words = 'Names of corners, cones and lore of the one that is there go with it.';
    if (there && !(await this.ask.whether('Replace the circuit that is there?', words, 'Replace it'))) return;
    this.saving.set(true);
    this.api
      .call(contract.readCircuit)
      .pipe(switchMap(({ version }) => this.api.call(contract.changeCircuit, { body: { version, circuit } })))
      .subscribe({
        next: () => {
          this.saving.set(false);
          this.recording.forget();
          this.data.reload();
          this.data.say('The circuit is saved; its corners and cones are on the map.');
        },
        error: (error: Error) => {
          this.saving.set(false);
          this.data.refuse(error.message);
        },
      });
  }

  protected async drop(): Promise<void> {
    const words = `${this.recording.points().length} positions are on this phone alone.`;
    if (await this.ask.whether('Throw this recording away?', words, 'Throw it away')) this.recording.forget();
  }
}
