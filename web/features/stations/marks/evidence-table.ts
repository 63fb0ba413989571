import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CornerEvidence, Measured } from '@core/people/coaching';

/** What a tracker's positions say of each corner beside what is taught there, with how far each may be off. */
@Component({
  selector: 'jl-evidence-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <thead>
        <tr>
          <th><span class="visually-hidden">Corner</span></th>
          <th>brakes <small>m early</small></th>
          <th>entry <small>km/h</small></th>
          <th>slowest <small>km/h</small></th>
          <th>exit <small>km/h</small></th>
          <th>throttle <small>m early</small></th>
          <th>apex <small>m wide</small></th>
          <th>exit <small>m unused</small></th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.corner) {
          <tr>
            <th scope="row">{{ row.corner }}</th>
            @for (cell of row.cells; track $index) {
              <td>{{ cell }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
    <p class="muted">Mean of {{ evidence()[0]?.laps }} clean laps. Positions are good to a metre or two.</p>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      font-size: 12.5px;
      font-stretch: 84%;
    }
    th,
    td {
      padding: 0.2rem 0.35rem;
      border-bottom: 1px solid var(--p-jl-line);
      text-align: right;
      white-space: nowrap;
      font-weight: 500;
    }
    th[scope='row'] {
      text-align: left;
    }
    small {
      display: block;
      color: var(--p-jl-muted);
    }
  `,
})
export class EvidenceTable {
  readonly evidence = input.required<readonly CornerEvidence[]>();
  protected readonly rows = computed(() =>
    this.evidence().map((one) => ({
      corner: one.corner,
      cells: [
        figure(one.brakesBeforeM),
        figure(one.entryKmh),
        figure(one.slowestKmh),
        figure(one.exitKmh),
        figure(one.throttleBeforeApexM),
        figure(one.wideOfApexM, 1),
        figure(one.unusedAtExitM, 1),
      ],
    })),
  );
}

function figure(measured: Measured | undefined, digits = 0): string {
  return measured ? `${measured.value.toFixed(digits)} ± ${measured.within.toFixed(digits)}` : '–';
}
