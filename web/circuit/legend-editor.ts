import { ChangeDetectionStrategy, Component, input, model, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { LEGENDS, type ConeKind, type Legend, type Marker } from '@core/circuit';
import { CONE_WORDS } from '@core/words';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';

const KINDS = Object.keys(CONE_WORDS) as ConeKind[];
const BY = ['cone', 'board', 'landmark', 'none'] as const;

/** What colour and count mean at this venue: one of the presets, or the venue's own. */
@Component({
  selector: 'jl-legend-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, InputText],
  templateUrl: './legend-editor.html',
  styles: `
    .presets {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem;
      margin: 0 0 0.8rem;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.25rem 0.4rem;
      text-align: left;
      font-weight: 500;
      border-bottom: 1px solid var(--p-jl-line);
    }
    thead th {
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    select {
      min-height: 34px;
      padding: 0 0.4rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 5px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
    }
  `,
})
export class LegendEditor {
  readonly open = model(false);
  readonly legend = input.required<Legend>();
  readonly changed = output<Legend>();
  protected readonly presets = LEGENDS;
  protected readonly kinds = KINDS;
  protected readonly by = BY;
  protected readonly words = CONE_WORDS;

  protected set(kind: ConeKind, change: Partial<Marker>): void {
    const legend = this.legend();
    this.changed.emit({ ...legend, name: 'Our own', [kind]: { ...legend[kind], ...change } });
  }

  protected rename(kind: ConeKind, text: string): void {
    const colour = text.trim();
    if (colour !== '') this.set(kind, { colour });
  }
}
