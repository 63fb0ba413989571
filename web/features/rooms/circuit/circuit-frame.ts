import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SelectButton } from 'primeng/selectbutton';
import { FormsModule } from '@angular/forms';
import { partsHere } from '../../../shared/frame/parts-here';
import { CircuitService, GRIPS } from '../../../shared/data/circuit.service';

/** The room of the circuit: its map, its book, its cones, and what the fleet does on it. */
@Component({
  selector: 'jl-circuit-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, RouterLink, RouterLinkActive, RouterOutlet, SelectButton],
  templateUrl: './circuit-frame.html',
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
