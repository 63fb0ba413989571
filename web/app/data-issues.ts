import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DataIssue } from '@core/api';
import { DayService } from '../shared/data/day.service';
import { PLAIN_WORDS } from '../shared/data/screen-words';

/** The screen on which a thing is put right, and what it is called. */
const SCREENS: Record<DataIssue['place'], { readonly path: string; readonly label: string } | undefined> = {
  rules: { path: '/rules', label: 'Rules' },
  cars: { path: '/cars', label: 'Cars' },
  crew: { path: '/crew', label: 'Crew' },
  bookings: { path: '/bookings', label: 'Bookings' },
  groups: { path: '/groups', label: 'Groups' },
  circuit: { path: '/circuit', label: 'Circuit' },
  roster: { path: '/crew/roster', label: 'Roster' },
  board: { path: '/board', label: 'Board' },
  journal: undefined,
  devices: { path: '/devices', label: 'Devices' },
};

/** What is at fault in what the day is made from: shown on every screen until it is put right, each with the way there. */
@Component({
  selector: 'jl-data-issues',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (dataIssues().length > 0) {
      <details role="alert">
        <summary>{{ heading() }} {{ words.dataIssue(dataIssues()[0]!.fact) }}</summary>
        <ul>
          @for (it of dataIssues(); track $index) {
            <li>
              <span
                ><b>{{ words.dataIssue(it.fact) }}.</b> {{ it.path && it.path + ': ' + it.message + '.' }}
                {{ words.dataIssueRemedy(it.place, it.fact) }}</span
              >
              @if (it.screen; as screen) {
                <a [routerLink]="screen.path">{{ screen.label }}</a>
              }
              @if (it.entry; as entry) {
                <button type="button" (click)="data.undo(entry)">Take back</button>
              }
            </li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    details {
      padding: 0.4rem 1.1rem;
      background: var(--p-jl-amber-soft);
      border-bottom: 1px solid var(--p-jl-line);
      max-height: 40vh;
      overflow: auto;
    }
    summary {
      cursor: pointer;
      font-weight: 600;
      min-height: 24px;
    }
    ul {
      list-style: none;
      margin: 0.4rem 0;
      padding: 0;
    }
    li {
      display: flex;
      gap: 0.8rem;
      align-items: center;
      justify-content: space-between;
      padding: 0.25rem 0;
    }
    a,
    button {
      flex: none;
      min-height: 32px;
      align-content: center;
      padding: 0 0.7rem;
    }
  `,
})
export class DataIssues {
  protected readonly data = inject(DayService);
  protected readonly words = PLAIN_WORDS;
  protected readonly heading = computed(() => {
    const dataIssues = this.dataIssues();
    if (dataIssues.length > 1) return `${dataIssues.length} things in this day are at fault.`;
    return dataIssues[0]?.place === 'devices' ? '' : 'Something in this day is at fault.';
  });
  protected readonly dataIssues = computed(() =>
    (this.data.view()?.dataIssues ?? []).map((issue) => ({ ...issue, screen: SCREENS[issue.place] })),
  );
}
