import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { analyseLaps, drivenBy, marksByPlace, oneThing, seenFaults } from '@core/people/coaching';
import { lapTexts } from '@words/guests';
import { clockMinute } from '@core/values';
import { nextOccupancy, progressOf, type DriveState } from '@core/journal';
import { Button } from 'primeng/button';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';
import { occupancyWords } from '../../../shared/data/next-words';
import { When } from '../../../shared/data/when';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { MarkMap } from '../../rooms/progress/mark-map';

const SHOWN_AFTER_S = 30 * 60;

/** Who has just parked, with the laps as driven, and where each goes next. */
@Component({
  selector: 'jl-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, MarkMap, RouterLink],
  templateUrl: './debrief.html',
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
    @media (max-width: 900px) {
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
  private readonly vocabulary = inject(VocabularyService);
  private readonly when = inject(When);
  protected readonly now = computed(() => this.rows(({ stage }) => stage === 'parked'));
  protected readonly lately = computed(() => {
    const since = this.data.shownS() - SHOWN_AFTER_S;
    return this.rows(({ stage, debriefedS }) => stage === 'done' && (debriefedS ?? 0) > since);
  });

  protected readonly map = computed(() => this.data.view()?.map ?? undefined);
  /** All of today's marks on the circuit. */
  protected readonly marks = computed(() =>
    marksByPlace([...(this.data.state()?.drives.values() ?? [])], this.vocabulary.faults()),
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
        const gain = analysis.gainedS;
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
          ride: drive.drive.ride !== undefined,
          thing: oneThing(drivenBy(state, drive.guest.id).map((one) => seenFaults(one, this.vocabulary.faults()))),
          next: occupancyWords(
            nextOccupancy(context, state, drive.guest.id),
            this.data.view(),
            this.data.stalls(),
            this.when.words(),
          ),
        };
      });
  }
}
