import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import type { BoardMode } from './blocks';

/** Stretch of the day that the board shows. */
export type Zoom = 'day' | '3h' | '1h';

/** Whose rows the board has, and how much of the day. */
@Component({
  selector: 'jl-board-choices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, SelectButton],
  template: `
    <p-selectbutton
      [options]="modes"
      optionLabel="label"
      optionValue="value"
      [allowEmpty]="false"
      size="small"
      ariaLabel="Rows"
      aria-label="Rows"
      [(ngModel)]="mode"
    />
    <p-selectbutton
      [options]="zooms"
      optionLabel="label"
      optionValue="value"
      [allowEmpty]="false"
      size="small"
      aria-label="Stretch of the day"
      [(ngModel)]="zoom"
    />
  `,
  styles: `
    :host {
      display: contents;
    }
    p-selectbutton {
      flex: none;
    }
  `,
})
export class BoardChoices {
  readonly mode = model.required<BoardMode>();
  readonly zoom = model.required<Zoom>();
  protected readonly modes = [
    { label: 'Cars', value: 'cars' },
    { label: 'Crew', value: 'crew' },
    { label: 'Guests', value: 'guests' },
  ];
  protected readonly zooms = [
    { label: 'Day', value: 'day' },
    { label: '3 h', value: '3h' },
    { label: '1 h', value: '1h' },
  ];
}
