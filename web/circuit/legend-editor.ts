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
  template: `
    <p-dialog
      header="Legend of the cones"
      closeAriaLabel="Close"
      [visible]="open()"
      (visibleChange)="open.set($event)"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '40rem', maxWidth: '96vw' }"
    >
      <p class="presets">
        Begin with
        @for (preset of presets; track preset.name) {
          <p-button [label]="preset.name" size="small" [outlined]="true" (onClick)="changed.emit(preset)" />
        }
      </p>
      <table>
        <thead>
          <tr>
            <th>Means</th>
            <th>Marked by</th>
            <th>How many</th>
            <th>Called</th>
            <th>Drawn</th>
          </tr>
        </thead>
        <tbody>
          @for (kind of kinds; track kind) {
            @let marker = legend()[kind];
            <tr>
              <th scope="row">{{ words[kind] }}</th>
              <td>
                <select
                  [attr.aria-label]="words[kind] + ' is marked by'"
                  [ngModel]="marker.by"
                  (ngModelChange)="set(kind, { by: $event })"
                >
                  @for (one of by; track one) {
                    <option [value]="one">{{ one === 'none' ? 'nothing' : one }}</option>
                  }
                </select>
              </td>
              <td>
                <select
                  [attr.aria-label]="words[kind] + ': how many'"
                  [ngModel]="marker.count"
                  (ngModelChange)="set(kind, { count: +$event })"
                >
                  @for (one of [1, 2, 3, 4]; track one) {
                    <option [value]="one">{{ one }}</option>
                  }
                </select>
              </td>
              <td>
                <input
                  pInputText
                  maxlength="30"
                  [attr.aria-label]="words[kind] + ' is called'"
                  [ngModel]="marker.colour"
                  (change)="rename(kind, $any($event.target).value)"
                />
              </td>
              <td>
                <input
                  type="color"
                  [attr.aria-label]="words[kind] + ' is drawn in'"
                  [ngModel]="marker.css"
                  (change)="set(kind, { css: $any($event.target).value })"
                />
              </td>
            </tr>
          }
        </tbody>
      </table>
    </p-dialog>
  `,
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
