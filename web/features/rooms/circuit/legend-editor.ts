import { ChangeDetectionStrategy, Component, computed, input, model, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { legendFaults, LEGENDS, legendWarnings, type ConeKind, type Legend, type Marker } from '@core/track/circuit';
import { CONE_WORDS } from '@words';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';

const KINDS = Object.keys(CONE_WORDS) as ConeKind[];
const BY = ['cone', 'board', 'landmark', 'paint', 'none'] as const;
const PATTERNS: readonly { readonly value: Marker['pattern']; readonly label: string }[] = [
  { value: 'plain', label: 'plain' },
  { value: 'banded', label: 'with a band' },
  { value: 'lying', label: 'lying' },
  { value: 'inRow', label: 'one behind the other' },
];

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
    p {
      margin: 0.5rem 0 0;
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
  protected readonly patterns = PATTERNS;
  protected readonly faults = computed(() => legendFaults(this.legend()).map(PLAIN_WORDS.legendFault));
  protected readonly warnings = computed(() => legendWarnings(this.legend()).map(PLAIN_WORDS.legendWarning));
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
