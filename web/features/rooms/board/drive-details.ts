import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  type WritableSignal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { clockMinute, lapTimeText, wallClock } from '@core/values';
import type { PlannedDrive } from '@core/day';
import { progressOf, planningSnapshotOf, type PlanningSnapshot } from '@core/journal';
import type { Assignment, CarChoice, Place } from '@core/planner';
import { GEARBOX_WORDS } from '@words';
import { Button } from 'primeng/button';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { friendLines } from '../../../shared/data/friends';
import { historyOf } from '../../../shared/data/history';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { carLabel } from '../../../shared/data/names';
import { BoardEdits } from './board-edits';
import { Pins } from './pins';
import { TriedChoice } from './tried-choice';

/** What was found for one drive; another may be shown by then. */
interface Answer<T> {
  readonly drive: string;
  readonly found: T;
}

/** One drive beside the board: who, what, when, how far, and what has been entered about it. */
@Component({
  selector: 'jl-drive-details',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, RouterLink, TriedChoice],
  templateUrl: './drive-details.html',
  styleUrl: './side-panel.scss',
  styles: `
    dl {
      display: grid;
      grid-template-columns: 6.5rem 1fr;
      gap: 0.25rem 0.5rem;
      margin: 0;
    }
    dt {
      color: var(--p-jl-muted);
    }
    dd {
      margin: 0;
      font-weight: 560;
    }
    ol {
      list-style: none;
      padding: 0;
      margin: 0;
      font-size: 13px;
    }
    .why {
      display: grid;
      margin: 0;
      padding: 0.3rem 0;
      border-top: 1px solid var(--p-jl-line);
      font-size: 13px;
    }
    .why.now {
      font-weight: 600;
    }
    li {
      padding: 0.15rem 0;
    }
    time {
      font-weight: 640;
    }
    .taken-back {
      color: var(--p-jl-muted);
      text-decoration: line-through;
    }
  `,
})
export class DriveDetails {
  private readonly data = inject(DayService);
  private readonly pins = inject(Pins);
  protected readonly edits = inject(BoardEdits);
  readonly driveId = input.required<string>();
  readonly closed = output<void>();

  private readonly verdicts = inject(Verdicts);
  private readonly tell = inject(DayWords).tell;
  private readonly assignments = signal<Answer<readonly Assignment[]> | undefined>(undefined);
  private readonly carChoices = signal<Answer<readonly CarChoice[]> | undefined>(undefined);
  protected readonly cars = computed(() =>
    this.answered(this.carChoices())?.map((one) => ({ ...one, label: carLabel(this.data.view(), one.car) })),
  );
  protected readonly why = computed(() => this.answered(this.assignments()) ?? []);

  protected readonly shown = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    const drive = state?.drives.get(this.driveId());
    if (!context || !drive) return undefined;
    const occupancy = context.schedule.drives.find(({ planned }) => planned.drive === this.driveId());
    const { done, due } = progressOf(context, drive);
    const gearbox = drive.drive.gearbox;
    const { index } = context.schedule;
    return {
      guest: drive.guest,
      occupancy,
      movable: drive.stage === 'planned' && occupancy !== undefined,
      pinned: drive.drive.pin?.release !== undefined,
      keptWith: drive.drive.pin?.release === undefined && drive.drive.pin?.instructor !== undefined,
      selected: this.edits.selection().has(this.driveId()),
      friends: friendLines(context.schedule, drive.guest.id, this.driveId()),
      booking: this.data.bookings().get(drive.guest.id)?.fields,
      number: this.data.view()?.carNumbers[drive.car ?? ''],
      car: index.cars.get(drive.car ?? '')?.name ?? '',
      instructor: index.instructors.get(drive.instructor ?? '')?.name ?? '',
      beads: beadsOf(drive, done),
      done,
      due,
      gearbox: gearbox ? `, ${GEARBOX_WORDS[gearbox]}` : '',
      planned: occupancy
        ? `seat ${clockMinute(occupancy.startS)}, out ${wallClock(occupancy.releaseS)}, back ${clockMinute(occupancy.endS)}`
        : 'not planned',
      lap: occupancy ? lapTimeText((occupancy.trackEndS - occupancy.releaseS) / Math.max(1, occupancy.lapsDriven)) : '',
      entries: historyOf(
        this.data.entries(),
        state!.timeS,
        (entry) => 'drive' in entry && entry.drive === this.driveId(),
      ),
    };
  });

  protected askWhy(): Promise<void> {
    return this.ask((from, drive) => this.verdicts.assignments(from, drive), this.assignments);
  }

  protected askCars(): Promise<void> {
    return this.ask((from, drive) => this.verdicts.cars(from, drive), this.carChoices);
  }

  /** Asked once for the drive that is shown; the plan may have changed since another one was. */
  private async ask<T>(
    question: (from: PlanningSnapshot, drive: string) => Promise<T>,
    into: WritableSignal<Answer<T> | undefined>,
  ): Promise<void> {
    const [day, plan, state, drive] = [this.data.day(), this.data.plan(), this.data.state(), this.driveId()];
    if (!day || !plan || !state) return;
    const found = await question(planningSnapshotOf(day, plan, state), drive);
    if (drive === this.driveId()) into.set({ drive, found });
  }

  private answered<T>(answer: Answer<T> | undefined): T | undefined {
    return answer?.drive === this.driveId() ? answer.found : undefined;
  }

  /** Another car or instructor at the same time, as if the block had been carried there. */
  protected give(to: Pick<Place, 'car' | 'instructor'>): void {
    if (!this.edits.begin(this.driveId())) return;
    this.edits.shift(0, to);
    void this.edits.drop(false).then((changed) => {
      if (!changed) return;
      this.assignments.set(undefined);
      this.carChoices.set(undefined);
    });
  }

  protected reasonsOf({ reasons }: Assignment): string {
    return reasons.map(this.tell().assignment).join('; ');
  }

  protected pin(planned: PlannedDrive | undefined): void {
    const guest = this.shown()?.guest.id;
    if (guest) this.pins.pinDrive(guest, this.driveId(), planned);
  }

  protected keepWith(instructor: string | undefined): void {
    const guest = this.shown()?.guest.id;
    if (guest) this.pins.pinInstructor(guest, instructor);
  }
}
