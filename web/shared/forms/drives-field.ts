import { ChangeDetectionStrategy, Component, forwardRef, input, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import type { BookedDrive } from '@core/venue/booking';
import { Button } from 'primeng/button';
import { NumberField } from './number-field';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { newId } from '../data/new-id';
import type { Option } from './fields';

/** The drives of a booking: cars of which any will do, laps, gearbox, or that it is a ride. */
@Component({
  selector: 'jl-drives-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, NumberField, MultiSelect, Select],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DrivesField), multi: true }],
  templateUrl: './drives-field.html',
  styles: `
    .drive {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 6.5rem 10rem auto;
      gap: 0.5rem;
      margin-bottom: 0.4rem;
    }
  `,
})
export class DrivesField implements ControlValueAccessor {
  readonly cars = input.required<readonly Option[]>();
  protected readonly drives = signal<readonly BookedDrive[]>([]);
  protected readonly gearboxes = [
    { label: 'as wanted', value: '' },
    { label: 'automatic', value: 'auto' },
    { label: 'paddles', value: 'paddle' },
    { label: 'as a passenger', value: 'ride' },
  ];
  private changed: (drives: readonly BookedDrive[]) => void = () => undefined;

  writeValue(drives: readonly BookedDrive[] | null): void {
    this.drives.set(drives ?? []);
  }
  registerOnChange(changed: (drives: readonly BookedDrive[]) => void): void {
    this.changed = changed;
  }
  registerOnTouched(): void {
    // Nothing depends on whether the field was visited.
  }

  protected add(): void {
    this.set([...this.drives(), { id: newId(), cars: [], laps: 5 }]);
  }

  protected change(place: number, part: Partial<BookedDrive>): void {
    this.set(this.drives().map((drive, at) => (at === place ? { ...drive, ...part } : drive)));
  }

  /** The gearbox of a drive, or that it is a ride beside the instructor. */
  protected choose(place: number, how: string): void {
    const { gearbox: _, ride: __, ...drive } = this.drives()[place]!;
    const chosen = how === 'ride' ? { ride: { seats: 1 } } : how === '' ? {} : { gearbox: how as 'auto' | 'paddle' };
    this.set(this.drives().map((other, at) => (at === place ? { ...drive, ...chosen } : other)));
  }

  protected remove(place: number): void {
    this.set(this.drives().filter((_, at) => at !== place));
  }

  private set(drives: readonly BookedDrive[]): void {
    this.drives.set(drives);
    this.changed(drives);
  }
}
