import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { VenueFields } from '@core/venue/settings';
import { callCustoms } from '@core/track/car/at-start';
import { CALL_KINDS, CALL_ORDER, plainCall, type CallCustoms, type CallKind } from '@core/track/car';
import { CALL_HOLDS, CALL_MEANINGS } from '@words';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { NumberField } from '../../../shared/forms/number-field';
import { Api } from '../../../shared/data/api';
import { changeVenue } from '../../../shared/data/change-venue';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';

/** How each kind of call is said at this venue: its words, how long they take, and how far ahead they must come. */
@Component({
  selector: 'jl-call-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, InputText, NumberField],
  template: `
    <p-dialog
      header="Call words of this venue"
      closeAriaLabel="Close"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '52rem', maxWidth: '96vw' }"
      (onShow)="begin()"
    >
      <p class="muted">
        {{ '{gear}' }}, {{ '{where}' }} and {{ '{side}' }} stand for what is called. Empty fields are as elsewhere.
      </p>
      <table>
        <thead>
          <tr>
            <th>Asks for</th>
            <th>Said</th>
            <th>Takes, s</th>
            <th>Ahead, s</th>
            <th>Holds</th>
            <th>Called</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.kind) {
            <tr>
              <th scope="row">{{ row.means }}</th>
              <td>
                <input
                  pInputText
                  pSize="small"
                  maxlength="60"
                  [placeholder]="row.usual"
                  [attr.aria-label]="row.means + ': said'"
                  [ngModel]="row.custom.say ?? ''"
                  (change)="set(row.kind, { say: textOf($event) || undefined })"
                />
              </td>
              <td>
                <jl-number
                  [small]="true"
                  width="4.5rem"
                  unit="s"
                  [decimals]="1"
                  [placeholder]="row.usualS"
                  [ariaLabel]="row.means + ': takes'"
                  [ngModel]="row.custom.takesS ?? null"
                  (ngModelChange)="set(row.kind, { takesS: $event ?? undefined })"
                />
              </td>
              <td>
                <jl-number
                  [small]="true"
                  width="4.5rem"
                  unit="s"
                  [decimals]="1"
                  [placeholder]="row.usualAheadS"
                  [ariaLabel]="row.means + ': ahead'"
                  [ngModel]="row.custom.aheadS ?? null"
                  (ngModelChange)="set(row.kind, { aheadS: $event ?? undefined })"
                />
              </td>
              <td class="muted">{{ row.holds }}</td>
              <td>
                <input
                  type="checkbox"
                  [attr.aria-label]="row.means + ': called'"
                  [ngModel]="!row.custom.off"
                  (ngModelChange)="set(row.kind, { off: $event ? undefined : true })"
                />
              </td>
            </tr>
          }
        </tbody>
      </table>
      @if (fault(); as words) {
        <p class="stop" role="alert">{{ words }}</p>
      }
      <ng-template #footer>
        <p-button label="Cancel" [text]="true" (onClick)="open.set(false)" />
        <p-button label="Save" [loading]="saving()" (onClick)="save()" />
      </ng-template>
    </p-dialog>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.2rem 0.4rem;
      text-align: left;
      font-weight: 500;
      border-bottom: 1px solid var(--p-jl-line);
    }
    thead th {
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    input[type='text'],
    input:not([type]) {
      width: 100%;
    }
    .n {
      width: 4.6rem;
    }
  `,
})
export class CallWords {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly circuit = inject(CircuitService);
  readonly open = model(false);
  private readonly edited = signal<CallCustoms>({});
  protected readonly saving = signal(false);
  protected readonly fault = signal<string | undefined>(undefined);
  protected readonly rows = computed(() => {
    const { speechS, reactionS } = this.circuit.coaching();
    return CALL_ORDER.map((kind) => ({
      kind,
      custom: this.edited()[kind] ?? {},
      means: CALL_MEANINGS[kind],
      holds: CALL_HOLDS[CALL_KINDS[kind].holds],
      usual: PLAIN_WORDS.call(plainCall(kind)),
      usualS: (speechS * CALL_KINDS[kind].length).toFixed(1),
      usualAheadS: reactionS.toFixed(1),
    }));
  });

  protected begin(): void {
    this.fault.set(undefined);
    this.edited.set(this.circuit.coaching().calls);
  }

  protected set(kind: CallKind, change: CallCustoms[CallKind]): void {
    this.edited.update((known) => {
      const merged = Object.entries({ ...known[kind], ...change }).filter(([, value]) => value !== undefined);
      const { [kind]: _, ...others } = known;
      return merged.length > 0 ? { ...others, [kind]: Object.fromEntries(merged) } : others;
    });
  }

  protected textOf(event: Event): string {
    return (event.target as HTMLInputElement).value.trim();
  }

  protected save(): void {
    const checked = callCustoms.safeParse(this.edited());
    if (!checked.success) {
      this.fault.set('A call takes 0.1 to 4 s to say, and comes at most 6 s ahead.');
      return;
    }
    this.saving.set(true);
    const withCalls = (fields: VenueFields) => ({ ...fields, coaching: { ...fields.coaching, calls: checked.data } });
    changeVenue(this.api, withCalls).subscribe({
      next: () => {
        this.saving.set(false);
        this.open.set(false);
        this.circuit.refresh();
      },
      error: (error: Error) => {
        this.saving.set(false);
        this.data.refuse(error.message);
      },
    });
  }
}
