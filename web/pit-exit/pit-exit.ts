import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { DayService } from '../data/day.service';
import { Beads } from '../drawing/beads';
import { pitExitModel, type PitDrive } from './pit-exit-model';

/** The queue of seated cars and the cars on the circuit, for gloved hands in the sun. */
@Component({
  selector: 'jl-pit-exit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button],
  templateUrl: './pit-exit.html',
  styleUrl: './pit-exit.scss',
  host: { class: 'screen' },
})
export class PitExit {
  protected readonly data = inject(DayService);
  protected readonly model = computed(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    return context && state && view ? pitExitModel(context, state, view.carNumbers) : undefined;
  });

  protected toGo(drive: PitDrive): string {
    const left = drive.due - drive.done;
    if (left <= 0) return 'laps done';
    return left === 1 ? 'last lap' : `${left} to go`;
  }

  protected seat(drive: PitDrive): void {
    this.data.record({ kind: 'seated', drive: drive.id, car: drive.carId, instructor: drive.instructorId });
  }
  protected unseat(drive: PitDrive): void {
    this.data.record({ kind: 'unseated', drive: drive.id });
  }
  protected letOut(drive: PitDrive): void {
    this.data.record({ kind: 'released', drive: drive.id });
  }
  protected count(drive: PitDrive): void {
    this.data.record({ kind: 'lapCounted', drive: drive.id, source: 'hand' });
  }
  protected spoil(drive: PitDrive): void {
    this.data.record({ kind: 'lapSpoiled', drive: drive.id, lap: drive.done + 1, reason: 'traffic' });
  }
  protected extra(drive: PitDrive): void {
    this.data.record({ kind: 'extraLapGranted', drive: drive.id });
  }
  protected bringIn(drive: PitDrive): void {
    this.data.record({ kind: 'broughtIn', drive: drive.id });
  }
  protected park(drive: PitDrive): void {
    this.data.record({ kind: 'parked', drive: drive.id });
  }
}
