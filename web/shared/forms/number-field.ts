import {
  ChangeDetectionStrategy,
  Component,
  computed,
  forwardRef,
  input,
  numberAttribute,
  signal,
} from '@angular/core';
import { NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { numberIn } from '@core/values';
import { InputText } from 'primeng/inputtext';

/**
 * A number as people write it, with point or comma, blanks between thousands and its unit; where seconds are asked for,
 * minutes too. What was understood stands beside it at once where it is written otherwise; of two readings that are as
 * good one is asked for. Emits nothing where the field is empty, and where it cannot be read: then it says so.
 */
@Component({
  selector: 'jl-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <input
      #field
      pInputText
      inputmode="decimal"
      autocomplete="off"
      [pSize]="small() ? 'small' : undefined!"
      [attr.id]="inputId()"
      class="short"
      [style.width]="width()"
      [placeholder]="placeholder()"
      [disabled]="disabled()"
      [value]="text()"
      [attr.aria-label]="ariaLabel()"
      [attr.aria-invalid]="!!fault() || invalid() || null"
      [attr.aria-describedby]="describedBy()"
      (input)="type(field.value)"
      (blur)="leave()"
    />
    @if (unit()) {
      <span class="muted">{{ unit() }}</span>
    }
    @if (either(); as two) {
      <span class="ask" role="group" [attr.aria-label]="'Which number is ' + text() + '?'">
        @for (value of two; track value) {
          <button type="button" (click)="choose(value)">{{ value }}</button>
        }
      </span>
    } @else if (fault(); as words) {
      <span class="stop" role="status">{{ words }}</span>
    } @else if (understood(); as words) {
      <span class="muted" role="status">{{ words }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.35rem;
      align-items: center;
    }
    .short {
      width: 6.5rem;
    }
    .ask {
      display: inline-flex;
      gap: 0.3rem;
    }
    button {
      min-height: 34px;
      padding: 0 0.7rem;
      border: 1.5px solid var(--p-jl-ink);
      border-radius: 6px;
      background: var(--p-jl-amber-soft);
      color: var(--p-jl-ink);
      font: inherit;
      cursor: pointer;
    }
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => NumberField), multi: true }],
})
export class NumberField implements ControlValueAccessor {
  readonly inputId = input<string>();
  readonly ariaLabel = input<string>();
  readonly describedBy = input<string>();
  readonly invalid = input(false);
  readonly placeholder = input('');
  readonly unit = input('');
  /** Most digits behind the point. */
  readonly decimals = input(0, { transform: numberAttribute });
  readonly min = input(-Infinity, { transform: numberAttribute });
  readonly max = input(Infinity, { transform: numberAttribute });
  readonly width = input<string>();
  readonly small = input(false);
  /** The text goes on where it cannot be read, for a form whose schema says so. */
  readonly passesText = input(false);

  protected readonly text = signal('');
  protected readonly disabled = signal(false);
  private readonly left = signal(true);
  private readonly read = computed(() => numberIn(this.text(), this.asked()));
  private readonly asked = computed(() => ({
    decimals: this.decimals(),
    units: [this.unit()],
    seconds: this.unit() === 's',
  }));
  private readonly fitting = computed(() => {
    const read = this.read();
    if (read.kind === 'number') return this.fits(read.value) ? [read.value] : [];
    return read.kind === 'either' ? read.values.filter((value) => this.fits(value)) : [];
  });
  protected readonly either = computed(() => (this.fitting().length > 1 ? this.fitting() : undefined));
  protected readonly fault = computed(() => {
    if (this.read().kind === 'empty' || this.fitting().length > 0) return '';
    if (this.read().kind === 'unread') return this.left() ? this.howWritten() : '';
    const [min, max] = [this.min(), this.max()];
    if (max === Infinity) return `at least ${min}`;
    return min === -Infinity ? `at most ${max}` : `${min} to ${max}`;
  });
  protected readonly understood = computed(() => {
    const [value] = this.fitting();
    if (value === undefined || String(value) === this.text().trim()) return '';
    return `= ${value}${this.unit() ? ` ${this.unit()}` : ''}`;
  });

  private changed: (value: number | string | null) => void = () => undefined;
  private touched: () => void = () => undefined;

  writeValue(value: unknown): void {
    // What somebody is typing stays as it is.
    if (!this.left()) return;
    this.text.set(typeof value === 'number' || typeof value === 'string' ? String(value) : '');
  }
  registerOnChange(changed: (value: number | string | null) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(disabled: boolean): void {
    this.disabled.set(disabled);
  }

  protected type(text: string): void {
    this.left.set(false);
    this.text.set(text);
    const fitting = this.fitting();
    const isUnread = this.read().kind !== 'empty' && fitting.length !== 1;
    this.changed(fitting.length === 1 ? fitting[0]! : isUnread && this.passesText() ? text : null);
  }

  protected choose(value: number): void {
    this.text.set(String(value));
    this.changed(value);
  }

  protected leave(): void {
    this.left.set(true);
    const [value] = this.fitting();
    if (value !== undefined && !this.either()) this.text.set(String(value));
    this.touched();
  }

  private fits(value: number): boolean {
    return value >= this.min() && value <= this.max();
  }

  private howWritten(): string {
    if (this.unit() === 's') return 'write it as 62, 62.5 or 1:02';
    return this.decimals() > 0
      ? `write a number, with at most ${this.decimals()} digits behind the point`
      : 'write a whole number';
  }
}
