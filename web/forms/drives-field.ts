import { ChangeDetectionStrategy, Component, forwardRef, input, signal } from '@angular/core';
import { FormsModule, NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import type { BookedDrive } from '@core/api';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { newId } from '../data/new-id';
import type { Option } from './fields';

/** The drives of a booking: cars of which any will do, laps, gearbox. */
@Component({
  selector: 'jl-drives-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputNumber, MultiSelect, Select],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DrivesField), multi: true }],
  template: `
    @for (drive of drives(); track drive.id; let place = $index) {
      <div class="drive" role="group" [attr.aria-label]="'Drive ' + (place + 1)">
        <p-multiselect
          [options]="$any(cars())"
          optionLabel="label"
          optionValue="value"
          placeholder="Any of these cars"
          [ariaLabel]="'Cars of drive ' + (place + 1)"
          [showHeader]="false"
          appendTo="body"
          display="comma"
          [ngModel]="drive.cars"
          (ngModelChange)="change(place, { cars: $event })"
        />
        <p-inputnumber
          [ngModel]="drive.laps"
          (ngModelChange)="change(place, { laps: $event ?? 0 })"
          [min]="1"
          [max]="50"
          suffix=" laps"
          [ariaLabel]="'Laps of drive ' + (place + 1)"
          inputStyleClass="laps"
        />
        <p-select
          [options]="gearboxes"
          optionLabel="label"
          optionValue="value"
          appendTo="body"
          [ariaLabel]="'Gearbox of drive ' + (place + 1)"
          [ngModel]="drive.gearbox ?? ''"
          (ngModelChange)="change(place, { gearbox: $event === '' ? undefined : $event })"
        />
        <p-button
          icon="pi pi-trash"
          [text]="true"
          [ariaLabel]="'Remove drive ' + (place + 1)"
          (onClick)="remove(place)"
        />
      </div>
    }
    <p-button label="Add a drive" size="small" [outlined]="true" (onClick)="add()" />
  `,
  styles: `
    .drive {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 6.5rem 10rem auto;
      gap: 0.5rem;
      margin-bottom: 0.4rem;
    }
    :host ::ng-deep .laps {
      width: 100%;
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
    this.set(this.drives().map((drive, at) => (at === place ? withoutEmpty({ ...drive, ...part }) : drive)));
  }

  protected remove(place: number): void {
    this.set(this.drives().filter((_, at) => at !== place));
  }

  private set(drives: readonly BookedDrive[]): void {
    this.drives.set(drives);
    this.changed(drives);
  }
}

function withoutEmpty(drive: BookedDrive): BookedDrive {
  const { gearbox, ...rest } = drive;
  return gearbox ? { ...rest, gearbox } : rest;
}
