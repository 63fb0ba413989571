import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { SelectButton } from 'primeng/selectbutton';
import { DayService } from '../data/day.service';
import { CAR_STATUS_WORDS, CREW_STATUS_WORDS, GUEST_STAGE_WORDS } from '../data/names';
import { PlanService } from '../data/plan.service';
import { BoardChart, type RowLabel } from './board-chart';
import { boardRows, type BoardMode } from './board-model';
import { DriveDetails } from './drive-details';

type Zoom = 'day' | '3h' | '1h';
const SPANS: Record<Zoom, number | undefined> = { day: undefined, '3h': 3 * 3600, '1h': 3600 };

/** The planned day on a time axis, by cars, by instructors or by guests. */
@Component({
  selector: 'jl-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BoardChart, Button, Dialog, DriveDetails, FormsModule, RouterLink, SelectButton],
  templateUrl: './board.html',
  styleUrl: './board.scss',
  host: { class: 'screen', '(document:keydown)': 'key($event)' },
})
export class Board {
  protected readonly data = inject(DayService);
  protected readonly planning = inject(PlanService);
  private readonly chart = viewChild(BoardChart);
  protected readonly mode = signal<BoardMode>('cars');
  protected readonly zoom = signal<Zoom>('day');
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly leftOutOpen = signal(false);
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

  protected readonly rows = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    return context && state ? boardRows(context, state, this.mode()) : [];
  });
  protected readonly labels = computed<ReadonlyMap<string, RowLabel>>(() => {
    const state = this.data.state();
    const numbers = this.data.view()?.carNumbers ?? {};
    const labels = new Map<string, RowLabel>();
    if (!state) return labels;
    const plain = { number: undefined, level: undefined, fuel: undefined, low: false };
    for (const [id, { car, laps, fuelL, status }] of state.cars) {
      const fuel = Math.min(1, Math.max(0, fuelL / car.fuel.capacityL));
      const note = status === 'ready' ? `${laps} laps` : CAR_STATUS_WORDS[status];
      labels.set(id, {
        number: numbers[id],
        name: car.name,
        note,
        level: car.level,
        fuel,
        low: fuelL < car.fuel.reserveL + 8 * car.fuel.perLapL,
      });
    }
    for (const [id, { instructor, status, laps }] of state.crew) {
      labels.set(id, { ...plain, name: instructor.name, note: `${CREW_STATUS_WORDS[status]}, ${laps} laps` });
    }
    for (const [id, { guest, stage }] of state.guests) {
      labels.set(id, { ...plain, name: guest.name, note: GUEST_STAGE_WORDS[stage] });
    }
    return labels;
  });
  protected readonly revision = computed(() => {
    const revision = this.data.view()?.revision;
    return revision ? `Plan ${revision.revision} by ${revision.author}: ${revision.reason}` : undefined;
  });
  /** Drives without a place, each with its guest and the reason. */
  protected readonly leftOut = computed(() => {
    const context = this.data.context();
    if (!context) return [];
    return context.schedule.plan.unplanned.flatMap(({ drive, reason }) => {
      const booked = context.schedule.index.drives.get(drive);
      if (!booked) return [];
      const cars = booked.drive.cars.map((id) => context.schedule.index.cars.get(id)?.name ?? id).join(' or ');
      return [{ id: drive, guest: booked.guest, what: `${cars}, ${booked.drive.laps} laps`, reason }];
    });
  });
  /** Drives that came, or went, with bookings that were changed after the plan was made. */
  protected readonly changedSince = computed(() => {
    const context = this.data.context();
    if (!context || !this.data.plan()) return 0;
    const { plan, index } = context.schedule;
    const known = new Set([...plan.drives, ...plan.unplanned].map(({ drive }) => drive));
    const came = [...index.drives.keys()].filter((id) => !known.has(id)).length;
    const went = [...known].filter((id) => !index.drives.has(id)).length;
    return came + went;
  });

  protected setZoom(zoom: Zoom): void {
    this.zoom.set(zoom);
    this.chart()?.show(SPANS[zoom], this.data.shownS());
  }

  protected planAgain(): void {
    this.planning.plan(this.data.plan() ? 'Planned again' : 'First plan of the day');
  }

  protected key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.altKey || event.metaKey || ['INPUT', 'TEXTAREA'].includes(target.tagName)) return;
    if (event.key === 'Escape') this.chosen.set(undefined);
    else if (event.key === 'p') this.planAgain();
    else if (event.key === '+') this.setZoom(this.zoom() === 'day' ? '3h' : '1h');
    else if (event.key === '-') this.setZoom(this.zoom() === '1h' ? '3h' : 'day');
    else if (event.key === ',') this.chart()?.pan(-0.25);
    else if (event.key === '.') this.chart()?.pan(0.25);
  }
}
