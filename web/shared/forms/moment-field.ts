import { ChangeDetectionStrategy, Component, computed, forwardRef, input, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { dateIn, timeIn, wallClock } from '@core/values';
import { format, parse } from 'date-fns';
import { DatePicker } from 'primeng/datepicker';
import { InputText } from 'primeng/inputtext';
import { Popover } from 'primeng/popover';

/**
 * A date or a time of day: typed in any usual way of writing, shown as the venue writes it, or picked from calendar and
 * clock. Its value is `YYYY-MM-DD` or `HH:MM`; what cannot be read stays as it was typed, for the schema to refuse.
 */
@Component({
  selector: 'jl-moment-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DatePicker, FormsModule, InputText, Popover],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => MomentField), multi: true }],
  template: `
    <input
      pInputText
      [id]="inputId()"
      [pSize]="$any(size())"
      [placeholder]="placeholder()"
      [attr.aria-label]="label()"
      [attr.aria-invalid]="invalid()"
      [attr.aria-describedby]="describedBy()"
      autocomplete="off"
      [value]="text()"
      (input)="type($any($event.target).value)"
      (blur)="settle()"
      (keydown.alt.arrowdown)="panel.show($event); $event.preventDefault()"
    />
    <button
      type="button"
      tabindex="-1"
      [attr.aria-label]="kind() === 'date' ? 'Calendar' : 'Clock'"
      (click)="panel.toggle($event)"
    >
      <i class="pi" [class.pi-calendar]="kind() === 'date'" [class.pi-clock]="kind() === 'time'" aria-hidden="true"></i>
    </button>
    <p-popover #panel>
      <p-datepicker
        [inline]="true"
        [timeOnly]="kind() === 'time'"
        [stepMinute]="5"
        [firstDayOfWeek]="firstDayOfWeek()"
        [ngModel]="moment()"
        (ngModelChange)="pick($event); kind() === 'date' && panel.hide()"
      />
    </p-popover>
  `,
  styles: `
    :host {
      display: flex;
      min-width: 0;
    }
    input {
      flex: 1;
      min-width: 0;
      border-top-right-radius: 0;
      border-bottom-right-radius: 0;
    }
    button {
      padding: 0 0.5rem;
      border: 1px solid var(--p-jl-faint);
      border-left: 0;
      border-radius: 0 5px 5px 0;
      background: var(--p-jl-panel);
      color: var(--p-jl-muted);
      cursor: pointer;
    }
  `,
})
export class MomentField implements ControlValueAccessor {
  readonly kind = input.required<'date' | 'time'>();
  readonly inputId = input<string>();
  readonly label = input<string>();
  readonly size = input<'small'>();
  readonly invalid = input(false);
  readonly describedBy = input<string>();
  /** Sunday is 0. */
  readonly firstDayOfWeek = input(1);
  protected readonly placeholder = computed(() => (this.kind() === 'date' ? 'such as 22 May 2027' : ''));
  /** As it is told to whoever asks. */
  private readonly value = signal('');
  /** As it stands in the field. */
  protected readonly text = signal('');
  protected readonly moment = computed(() => momentOf(this.kind(), this.value()));
  private changed: (value: string) => void = () => undefined;
  private touched: () => void = () => undefined;

  writeValue(value: string | null): void {
    // What was typed just now stays as it is while somebody is at it.
    if ((value ?? '') === this.value()) return;
    this.value.set(value ?? '');
    this.text.set(shown(this.kind(), value ?? ''));
  }
  registerOnChange(changed: (value: string) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }

  protected type(text: string): void {
    this.text.set(text);
    this.take(readAs(this.kind(), text) ?? text);
  }

  /** Once it is left, it is written as everything else. */
  protected settle(): void {
    this.text.set(shown(this.kind(), this.value()));
    this.touched();
  }

  protected pick(moment: Date | null): void {
    if (!moment) return;
    this.take(format(moment, this.kind() === 'date' ? 'yyyy-MM-dd' : 'HH:mm'));
    this.settle();
  }

  private take(value: string): void {
    this.value.set(value);
    this.changed(value);
  }
}

function readAs(kind: 'date' | 'time', text: string): string | undefined {
  if (kind === 'date') return dateIn(text);
  const timeS = timeIn(text);
  return timeS === undefined ? undefined : wallClock(timeS);
}

function momentOf(kind: 'date' | 'time', value: string): Date | null {
  const read = readAs(kind, value);
  return read === undefined
    ? null
    : parse(read.slice(0, 10), kind === 'date' ? 'yyyy-MM-dd' : 'HH:mm', new Date(2024, 0, 1));
}

function shown(kind: 'date' | 'time', value: string): string {
  const moment = momentOf(kind, value);
  return kind === 'date' && moment ? format(moment, 'd MMM yyyy') : value;
}
