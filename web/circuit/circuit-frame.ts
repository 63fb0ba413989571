import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SelectButton } from 'primeng/selectbutton';
import { FormsModule } from '@angular/forms';
import { partsHere } from '../shell/parts-here';
import { CircuitService, GRIPS } from '../data/circuit.service';

/** The room of the circuit: its map, its book, its cones, and what the fleet does on it. */
@Component({
  selector: 'jl-circuit-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, RouterLink, RouterLinkActive, RouterOutlet, SelectButton],
  template: `
    <header>
      <h1>{{ circuit.draft()?.name ?? 'Circuit' }}</h1>
      <nav class="tabs" aria-label="Parts of the circuit">
        @for (tab of tabs; track tab.path) {
          <a [routerLink]="tab.path" routerLinkActive="here" ariaCurrentWhenActive="page">{{ tab.label }}</a>
        }
      </nav>
      <span class="push"></span>
      @if (circuit.busy()) {
        <span class="muted" role="status">Computing…</span>
      } @else if (circuit.fault(); as fault) {
        <span class="stop" role="alert">{{ fault }}</span>
      }
      <p-selectbutton
        [options]="grips"
        optionLabel="label"
        optionValue="value"
        [allowEmpty]="false"
        [ngModel]="circuit.grip()"
        (ngModelChange)="circuit.lookAtGrip($event === circuit.gripNow() ? undefined : $event)"
        ariaLabelledBy="grip-label"
        size="small"
      />
      <span id="grip-label" class="visually-hidden">Condition</span>
    </header>
    @if (circuit.failure(); as failure) {
      <p class="empty" role="alert">{{ failure }}</p>
    } @else if (circuit.stored() === undefined) {
      <p class="empty" role="status">Reading the circuit…</p>
    } @else {
      <router-outlet />
    }
  `,
  styles: `
    .took {
      font-size: 12px;
    }
    @media print {
      header {
        display: none;
      }
    }
  `,
  host: { class: 'screen' },
})
export class CircuitFrame {
  protected readonly circuit = inject(CircuitService);
  protected readonly tabs = partsHere();
  protected readonly grips = [...GRIPS];

  constructor() {
    this.circuit.refresh();
  }
}
