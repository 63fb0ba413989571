import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { guestResult, partyResult, type PartyContest, type PartyMember } from '@core/people/coaching';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';

const CONTESTS: readonly { readonly key: PartyContest; readonly label: string; readonly hint: string }[] = [
  { key: 'pace', label: 'Pace', hint: 'for the car that was driven; small differences are a draw' },
  { key: 'gain', label: 'Gain', hint: 'most gained within one drive' },
  { key: 'consistency', label: 'Steadiness', hint: 'smallest spread of clean laps' },
  { key: 'fewest faults', label: 'Fewest faults', hint: 'marks in each lap' },
];

/** Friends side by side: each is shown first where they did best. */
@Component({
  selector: 'jl-party',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <header>
      <h1>{{ id() }}</h1>
      <span class="muted">Friends compared for the car each drove, and each first where they did best</span>
    </header>
    <div class="body">
      @if (members().length < 2) {
        <p class="empty">There is something to compare once two of the party have driven.</p>
      } @else {
        <div class="contests">
          @for (contest of contests(); track contest.key) {
            <section [attr.aria-label]="contest.label">
              <h2>{{ contest.label }}</h2>
              <p class="muted">{{ contest.hint }}</p>
              <ol>
                @for (row of contest.rows; track row.id) {
                  <li [class.first]="row.first">
                    <a [routerLink]="['/results', row.id]">{{ row.name }}</a>
                    <span>{{ row.value }}</span>
                    @if (row.first) {
                      <span class="chip good">{{ contest.draw ? 'a draw' : 'first' }}</span>
                    }
                  </li>
                }
              </ol>
            </section>
          }
        </div>
      }
    </div>
  `,
  styles: `
    .contests {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
      gap: 1rem;
    }
    section {
      padding: 0.8rem 1rem;
      border: 1px solid var(--p-jl-line);
      border-radius: 8px;
      background: var(--p-jl-panel);
    }
    p {
      margin: 0 0 0.5rem;
      font-size: 12.5px;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto 4.2rem;
      gap: 0.6rem;
      align-items: center;
      min-height: 40px;
      border-top: 1px solid var(--p-jl-line);
    }
    .first a {
      font-weight: 760;
    }
  `,
  host: { class: 'screen' },
})
export class Party {
  private readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  /** Name of the party, from the address. */
  readonly id = input.required<string>();
  protected readonly members = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const results = context.day.guests
      .filter(({ party }) => party === this.id())
      .flatMap(({ id }) => guestResult(context, state, id, this.vocabulary.faults()) ?? []);
    return partyResult(results);
  });
  protected readonly contests = computed(() =>
    CONTESTS.map((contest) => {
      const rows = this.members()
        .map((member) => ({
          id: member.result.guest.id,
          name: member.result.guest.name,
          first: member.firstIn.includes(contest.key),
          value: valueOf(contest.key, member),
        }))
        .sort((a, b) => Number(b.first) - Number(a.first));
      return { ...contest, rows, draw: rows.filter(({ first }) => first).length > 1 };
    }),
  );
}

function valueOf(contest: PartyContest, { index, gainS, spread, faultsPerLap }: PartyMember): string {
  switch (contest) {
    case 'pace':
      return index ? `${index.index.toFixed(3)} ± ${index.within.toFixed(3)}` : 'no clean lap';
    case 'gain':
      return gainS === undefined ? 'none yet' : `${gainS.toFixed(1)} s`;
    case 'consistency':
      return spread === undefined ? 'too few laps' : `${(spread * 100).toFixed(1)} %`;
    case 'fewest faults':
      return faultsPerLap === undefined ? 'not marked' : faultsPerLap.toFixed(2);
  }
}
