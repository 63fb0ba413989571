import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { drivesThatDoNotFit } from '@core/rules';
import type { Car } from '@core/day';
import { guestWithFitting, type GuestState } from '@core/journal';
import { Button } from 'primeng/button';
import { BookedDrives } from '../../../shared/data/booked-drives';
import { DayService } from '../../../shared/data/day.service';
import { DayWords } from '../../../shared/data/day-words';
import { PlanService } from '../../../shared/data/plan.service';

/** Cars that do not fit a guest, each with what could be driven instead; one tap looks for its place. */
@Component({
  selector: 'jl-fit-swap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @for (it of misfits(); track it.drive) {
      <p>
        <b class="stop">{{ it.words }}.</b>
        @for (offer of it.offers; track offer.car.id) {
          <p-button
            [label]="offer.car.name + (offer.booked ? '' : ', not booked')"
            [ariaLabel]="offer.car.name + ' instead'"
            size="small"
            [outlined]="true"
            [disabled]="planning.running()"
            (onClick)="take(it.drive, offer.car)"
          />
        } @empty {
          <span>No car of the fleet fits.</span>
        }
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
      align-items: center;
      margin: 0.2rem 0 0;
      font-size: 13px;
    }
  `,
})
export class FitSwap {
  private readonly data = inject(DayService);
  private readonly booked = inject(BookedDrives);
  private readonly tell = inject(DayWords).tell;
  protected readonly planning = inject(PlanService);
  readonly guest = input.required<GuestState>();

  protected readonly misfits = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    const guest = guestWithFitting(this.guest().guest, this.guest().fitted);
    if (!context || !state) return [];
    const open = guest.drives.filter(({ id }) => state.drives.get(id)?.stage === 'planned');
    return drivesThatDoNotFit(context.day, { ...guest, drives: open }, ({ id }) => state.drives.get(id)?.car).map(
      (it) => ({ ...it, words: this.tell().misfit(it.misfit) }),
    );
  });

  /** What was not booked is added to the booking first; the plan then looks for the place that costs least. */
  protected take(drive: string, car: Car): void {
    const { id, name } = this.guest().guest;
    this.booked.change(
      id,
      (one) => (one.id === drive ? { ...one, cars: [car.id] } : one),
      () => this.planning.repairOnceSent(`${name} in ${car.name}`),
    );
  }
}
