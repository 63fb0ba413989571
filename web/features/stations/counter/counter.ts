import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { spokenDuration } from '@core/values';
import { countsDiffer, extraLapReason, progressOf, type DriveState, type ExtraLapReason } from '@core/journal';
import { delaysOf, progressOfRunner } from '@core/live/traffic';
import { EXTRA_LAP_WORDS, GUEST_STAGE_WORDS } from '@words';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { keepScreenOn } from '../../../shared/data/wake-lock';
import { GuestCalls } from '../../../shared/data/guest-calls';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { When } from '../../../shared/data/when';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { wayInWords } from '../pit-exit/pit-exit-model';
import { LastDeed } from '../../../shared/frame/last-deed';
import { Traffic } from '../pit-exit/traffic';
import { Parking } from './parking';

/** The instructor's phone in its holder: one thumb, one button that counts, and never more than that while the car moves. */
@Component({
  selector: 'jl-counter',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, LastDeed, Parking, RouterLink],
  templateUrl: './counter.html',
  styleUrl: './counter.scss',
})
export class Counter {
  private readonly data = inject(DayService);
  private readonly when = inject(When);
  private readonly tell = inject(DayWords).tell;
  private readonly choice = inject(InstructorChoice);
  private readonly traffic = inject(Traffic);
  private readonly guestCalls = inject(GuestCalls);
  private readonly circuit = inject(CircuitService);
  protected readonly reasons = extraLapReason.options.map((value) => ({ value, label: EXTRA_LAP_WORDS[value] }));
  protected readonly crew = this.choice.crew;
  protected readonly me = this.choice.me;
  /** The drive that the instructor sits in, or the one that comes next. */
  private readonly drive = computed<DriveState | undefined>(() => {
    const [me, state, context] = [this.me(), this.data.state(), this.data.context()];
    if (!me || !state || !context) return undefined;
    const own = [...state.drives.values()].filter(({ instructor }) => instructor === me.id);
    const running = own.find(({ stage }) => ['seated', 'onCircuit', 'standing', 'rollingIn'].includes(stage));
    if (running) return running;
    // Whoever has just parked has a few things to do at the car.
    const parked = own.find((drive) => drive.stage === 'parked' && !this.choice.left().includes(drive.drive.id));
    if (parked) return parked;
    const next = context.schedule.crewOccupancies
      .get(me.id)
      ?.find(
        (occupancy) => occupancy.kind === 'drive' && state.drives.get(occupancy.planned.drive)?.stage === 'planned',
      );
    return next?.kind === 'drive' ? state.drives.get(next.planned.drive) : undefined;
  });
  protected readonly shown = computed(() => {
    const [drive, state, context, view] = [this.drive(), this.data.state(), this.data.context(), this.data.view()];
    if (!drive || !state || !context || !view) return undefined;
    const { done, due } = progressOf(context, drive);
    const runner = this.traffic.runners().find(({ id }) => id === drive.drive.id);
    const occupancy = context.schedule.drives.find(({ planned }) => planned.drive === drive.drive.id);
    const differ = countsDiffer(drive.count, state.timeS);
    const { lock, parkedIn } = this.circuit.coaching();
    const startsInS = occupancy ? this.when.start()(occupancy).atS - state.timeS : 0;
    return {
      id: drive.drive.id,
      drive,
      crossings: drive.crossings.length,
      asked: drive.extraLapAsked && EXTRA_LAP_WORDS[drive.extraLapAsked.reason],
      parking: `Against the stops, wheels to the ${lock}, in ${parkedIn}`,
      next: this.nextWords(drive),
      stage: drive.stage,
      guest: drive.guest.name,
      where: GUEST_STAGE_WORDS[state.guests.get(drive.guest.id)?.stage ?? 'expected'],
      number: view.carNumbers[drive.car ?? ''],
      car: context.schedule.index.cars.get(drive.car ?? '')?.name ?? '',
      beads: beadsOf(drive, done),
      lap: Math.min(done + 1, due),
      left: due - done,
      spoiled: drive.spoiled.has(done + 1),
      differ: differ && `loop ${differ.loop}, you ${differ.hand}: the smaller holds`,
      wayIn: wayInWords({ ...view, stalls: this.data.stalls() }, drive.car),
      stall: this.data.stalls()[drive.car ?? ''],
      sooner:
        drive.stage === 'onCircuit'
          ? this.guestCalls.sooner(drive.guest.id).map((one) => this.guestCalls.soonerWords(one))
          : [],
      delays: runner ? delaysOf(context, state, runner).map(this.tell().delay) : [],
      when: occupancy
        ? `seat at ${this.when.words()(occupancy)}${startsInS > 0 ? `, in ${spokenDuration(startsInS)}` : ''}`
        : 'not in the plan',
      unchecked: view.pitExit.lastCheck.filter((item) => !drive.checked.has(item)),
    };
  });

  constructor() {
    keepScreenOn();
    this.circuit.readCustoms();
  }

  protected choose(id: string): void {
    this.choice.choose(id);
  }

  protected leave(): void {
    this.choice.leave();
  }

  /** Puts the laps right as they were driven. */
  protected settle(crossings: number, why: string): void {
    const drive = this.drive();
    if (drive) this.enter({ kind: 'lapsSettled', drive: drive.drive.id, crossings, why });
  }

  /** Asks the marshal for one more lap. */
  protected ask(reason: ExtraLapReason): void {
    const drive = this.drive();
    if (drive) this.enter({ kind: 'extraLapAsked', drive: drive.drive.id, reason });
  }

  protected count(): void {
    const drive = this.drive();
    if (drive) this.enter({ kind: 'lapCounted', drive: drive.drive.id, source: 'hand' });
  }

  protected spoiled(lap: number): void {
    const drive = this.drive();
    if (drive) this.enter({ kind: 'lapSpoiled', drive: drive.drive.id, lap, reason: 'traffic' });
  }

  /** Kept with the lap, and with the corner where the car's place is known. */
  protected intervened(lap: number): void {
    const drive = this.drive();
    if (!drive) return;
    const runner = this.traffic.runners().find(({ id }) => id === drive.drive.id);
    const shape = this.traffic.shape();
    const place = runner && shape.placeAt(progressOfRunner(runner, this.data.nowS()));
    const corner = place === undefined ? undefined : shape.cornerAt(place);
    this.enter({ kind: 'intervened', drive: drive.drive.id, lap, ...(corner !== undefined && { corner }) });
  }

  /** Whom this instructor gets next, and where. */
  private nextWords(now: DriveState): string {
    const view = this.data.view();
    const next = this.choice.drives().find(({ stage, drive }) => stage === 'planned' && drive.id !== now.drive.id);
    if (!next || !view) return 'No further drive today.';
    const stall = this.data.stalls()[next.car ?? ''];
    const car = `car ${view.carNumbers[next.car ?? ''] ?? '?'}${stall ? `, stall ${stall}` : ''}`;
    return `Next: ${next.guest.name}, ${car}`;
  }

  protected leaveCar(): void {
    const drive = this.drive();
    if (drive) this.choice.leaveCar(drive.drive.id);
  }

  /** A drive of mine whose car I have left, and nobody has debriefed yet: the guest of it cannot be seated again before. */
  protected readonly toDebrief = computed(() => {
    const me = this.me();
    return [...(this.data.state()?.drives.values() ?? [])].find(
      ({ instructor, stage }) => instructor === me?.id && stage === 'parked',
    );
  });

  protected debriefed(drive: string): void {
    this.enter({ kind: 'debriefed', drive });
  }

  protected seated(): void {
    const drive = this.drive();
    if (drive && this.choice.seat(drive)) navigator.vibrate?.(40);
  }

  protected parked(): void {
    const drive = this.drive();
    if (drive) this.enter({ kind: 'parked', drive: drive.drive.id });
  }

  private enter(entry: Parameters<DayService['record']>[0]): void {
    if (this.data.record(entry, this.me()?.name)) navigator.vibrate?.(40);
  }
}
