import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { analyseLaps, drivenBy, marksByPlace, oneThing, seenFaults } from '@core/coaching';
import { lapTexts } from '@core/words/guests';
import { clockMinute } from '@core/day';
import { nextOccupancy, progressOf, type DriveState } from '@core/journal';
import { Button } from 'primeng/button';
import { DayService } from '../data/day.service';
import { occupancyWords } from '../data/next-words';
import { beadsOf } from '../drawing/bead-list';
import { Beads } from '../drawing/beads';
import { MarkMap } from '../progress/mark-map';

const SHOWN_AFTER_S = 30 * 60;

/** Who has just parked, with the laps as driven, and where each goes next. */
@Component({
  selector: 'jl-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, MarkMap, RouterLink],
  template: `
    <header>
      <h1>Debrief</h1>
      <span class="muted">The guest’s own account first; then what was good, and one thing to work on.</span>
    </header>
    <div class="body">
      @for (row of now(); track row.id) {
        <article>
          <span class="car-number">{{ row.number }}</span>
          <div>
            <h2>
              <a [routerLink]="['/guests', row.guestId]">{{ row.guest }}</a>
            </h2>
            <p class="muted">{{ row.car }}, with {{ row.instructor }}, parked {{ row.parked }}</p>
            <jl-beads [beads]="row.beads" [size]="14" />
          </div>
          <div class="laps">
            <p>{{ row.laps }}</p>
            @if (row.gain; as gain) {
              <p class="good">{{ gain }} s quicker from the first clean lap to the last</p>
            }
          </div>
          <div>
            @if (row.thing; as thing) {
              <p>
                <b>{{ thing.fault.name }}</b>: {{ thing.fault.cure }}
              </p>
            }
            <p class="muted">Then</p>
            <p>{{ row.next }}</p>
          </div>
          <div class="acts">
            <a [routerLink]="['/marks', row.id]">{{ row.marked ? 'More marks' : 'Mark' }}</a>
            <p-button label="Debriefed" [ariaLabel]="'Debriefed: ' + row.guest" (onClick)="done(row.id)" />
          </div>
        </article>
      } @empty {
        <p class="empty">Nobody is in the debrief. Guests come here when their car is parked.</p>
      }
      @if (lately().length > 0) {
        <h3>Debriefed in the last half hour</h3>
        @for (row of lately(); track row.id) {
          <article class="past">
            <span class="car-number">{{ row.number }}</span>
            <div>
              <a [routerLink]="['/guests', row.guestId]">{{ row.guest }}</a>
              <p class="muted">{{ row.car }}, with {{ row.instructor }}</p>
            </div>
            <div class="laps">{{ row.laps }}</div>
            <div>
              @if (row.thing; as thing) {
                <b>{{ thing.fault.name }}</b>
              }
              <p class="muted">{{ row.next }}</p>
            </div>
            <jl-beads [beads]="row.beads" [size]="11" />
          </article>
        }
      }
      @if (map(); as circuit) {
        @if (marks().length > 0) {
          <h3>What was marked today, by corner and phase</h3>
          <jl-mark-map class="heat" [map]="circuit" [marks]="marks()" />
        }
      }
    </div>
  `,
  styles: `
    .heat {
      display: block;
      max-width: 52rem;
    }
    article {
      display: grid;
      grid-template-columns: auto minmax(10rem, 1.1fr) minmax(12rem, 1.4fr) minmax(10rem, 1fr) 10.5rem;
      gap: 1rem;
      align-items: center;
      padding: 0.7rem 0.3rem;
      border-bottom: 1px solid var(--p-jl-line);
    }
    p {
      margin: 0;
    }
    h2 {
      font-size: 16px;
    }
    a {
      color: inherit;
      font-weight: 640;
      text-decoration: none;
    }
    h3 {
      margin: 1.4rem 0 0.2rem;
      font-size: 13px;
      color: var(--p-jl-muted);
    }
    .laps {
      font-stretch: 88%;
    }
    .acts {
      display: grid;
      gap: 0.4rem;
      justify-items: end;
    }
    .past {
      padding: 0.4rem 0.3rem;
    }
    @media (max-width: 800px) {
      article {
        grid-template-columns: auto 1fr;
      }
      article > :nth-child(n + 3) {
        grid-column: 2;
      }
    }
  `,
  host: { class: 'screen' },
})
export class Debrief {
  private readonly data = inject(DayService);
  protected readonly now = computed(() => this.rows(({ stage }) => stage === 'parked'));
  protected readonly lately = computed(() => {
    const since = this.data.shownS() - SHOWN_AFTER_S;
    return this.rows(({ stage, debriefedS }) => stage === 'done' && (debriefedS ?? 0) > since);
  });

  protected readonly map = computed(() => this.data.view()?.map ?? undefined);
  /** All of today's marks on the circuit. */
  protected readonly marks = computed(() =>
    marksByPlace([...(this.data.state()?.drives.values() ?? [])], this.data.vocabulary()),
  );

  protected done(drive: string): void {
    this.data.record({ kind: 'debriefed', drive });
  }

  private rows(test: (drive: DriveState) => boolean) {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    return [...state.drives.values()]
      .filter(test)
      .sort((a, b) => (b.parkedS ?? 0) - (a.parkedS ?? 0))
      .map((drive) => {
        const analysis = analyseLaps(context, drive);
        const gain = analysis.gainS;
        return {
          id: drive.drive.id,
          guest: drive.guest.name,
          guestId: drive.guest.id,
          number: view.carNumbers[drive.car ?? ''],
          car: context.schedule.index.cars.get(drive.car ?? '')?.name ?? '',
          instructor: context.schedule.index.instructors.get(drive.instructor ?? '')?.name ?? '',
          parked: clockMinute(drive.parkedS ?? 0),
          beads: beadsOf(drive, progressOf(context, drive).done),
          laps: lapTexts(analysis).join(' · '),
          gain: gain !== undefined && gain > 0 ? gain.toFixed(1) : undefined,
          marked: drive.marked.length > 0,
          thing: oneThing(drivenBy(state, drive.guest.id).map((one) => seenFaults(one, this.data.vocabulary()))),
          next: occupancyWords(nextOccupancy(context, state, drive.guest.id), this.data.view(), this.data.stalls()),
        };
      });
  }
}
