import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { analyseLaps, evidenceByCorner, GOOD_THINGS, phase, taughtPlaces, type Phase } from '@core/people/coaching';
import { progressOf, type Readiness } from '@core/journal';
import { contract } from '@core/api';
import { PHASE_WORDS } from '@words';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { NumberField } from '../../../shared/forms/number-field';
import { of } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';
import { CornerPicker } from './corner-picker';
import { EvidenceTable } from './evidence-table';
import { known } from '../../../shared/data/reading';

interface Mark {
  readonly fault: string;
  readonly corner: string | undefined;
  readonly lap: number | undefined;
}

const READY: readonly { readonly value: Readiness; readonly label: string }[] = [
  { value: 'paddles', label: 'Ready for paddles' },
  { value: 'nextLevel', label: 'Ready for the next level' },
  { value: 'notYet', label: 'Not yet' },
];

/** Marks of a drive on the walk back: corner, phase, fault; one good thing; ready for what. Six taps. */
@Component({
  selector: 'jl-marks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, CornerPicker, EvidenceTable, FormsModule, InputText, NumberField],
  templateUrl: './marks.html',
  styleUrl: './marks.scss',
})
export class Marks {
  protected readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  protected readonly tell = inject(DayWords).tell;
  private readonly router = inject(Router);
  private readonly api = inject(Api);
  private readonly circuit = inject(CircuitService);
  /** The drive, from the address. */
  readonly id = input.required<string>();
  protected readonly phases = phase.options.map((value) => ({ value, label: PHASE_WORDS[value] }));
  protected readonly good = GOOD_THINGS;
  protected readonly ready = READY;
  protected readonly corner = signal<string | undefined>(undefined);
  protected readonly phase = signal<Phase | undefined>(undefined);
  /** The lap that what is marked next was seen in; nothing for the drive as a whole. */
  protected readonly lap = signal<number | undefined>(undefined);
  protected readonly marks = signal<readonly Mark[]>([]);
  protected readonly praise = signal<string | undefined>(undefined);
  protected readonly readiness = signal<Readiness | undefined>(undefined);
  protected readonly account = signal('');
  protected readonly note = signal('');
  protected readonly favourite = signal('');
  protected readonly gearbox = signal<'' | 'auto' | 'paddle'>('');
  protected readonly fromLap = signal<number | null>(null);

  /** Where the car was, if it has a tracker. */
  private readonly track = rxResource({
    params: () => ({ date: this.data.date(), id: this.id(), parked: this.drive()?.parkedS }),
    stream: ({ params: { date, id } }) =>
      date ? this.api.call(contract.readTrack, { params: { date, id } }) : of({ points: [] }),
  });
  private readonly dropped = signal<ReadonlySet<string>>(new Set());
  /** What positions say of each corner. */
  protected readonly evidence = computed(() => {
    const [drive, study, context] = [this.drive(), this.circuit.study(), this.data.context()];
    const points = known(this.track)?.points ?? [];
    if (!drive || !study || !context || points.length === 0) return [];
    const taught = taughtPlaces(study, drive.car, drive.guest.pace);
    const spoiled = analyseLaps(context, drive).laps.filter((one) => one.spoiled || one.first || one.laps > 1);
    const starts = [drive.releasedS ?? 0, ...drive.crossings.map(({ atS }) => atS)];
    const isClean = (fromS: number) => !spoiled.some(({ number }) => Math.abs(starts[number - 1]! - fromS) < 10);
    return evidenceByCorner(points, study.centre.lengthM, taught, isClean);
  });
  /** Marks that positions suggest, until they are confirmed or dropped. */
  protected readonly proposed = computed(() =>
    this.evidence()
      .flatMap(({ corner, proposes }) => proposes.map((one) => ({ ...one, corner, key: `${one.fault} ${corner}` })))
      .filter(
        ({ fault, corner, key }) =>
          !this.dropped().has(key) && !this.marks().some((mark) => mark.fault === fault && mark.corner === corner),
      )
      .map((one) => ({ ...one, name: this.vocabulary.faults().get(one.fault)?.name ?? one.fault })),
  );

  constructor() {
    this.circuit.refresh();
  }

  protected confirm(fault: string, corner: string): void {
    this.marks.update((marks) => [...marks, { fault, corner, lap: undefined }]);
  }

  protected dropProposal(key: string): void {
    this.dropped.update((known) => new Set([...known, key]));
  }

  protected readonly drive = computed(() => this.data.state()?.drives.get(this.id()));
  protected readonly shown = computed(() => {
    const [drive, context, view] = [this.drive(), this.data.context(), this.data.view()];
    if (!drive || !context || !view) return undefined;
    return {
      guest: drive.guest.name,
      number: view.carNumbers[drive.car ?? ''],
      car: context.schedule.index.cars.get(drive.car ?? '')?.name ?? '',
      beads: beadsOf(drive, progressOf(context, drive).done),
      laps: drive.crossings.map((_, place) => place + 1),
      parked: drive.stage === 'parked',
      notYet: drive.stage === 'planned' || drive.stage === 'seated',
      interventions: drive.interventions.map(({ lap, corner }) => `lap ${lap}${corner ? `, ${corner}` : ''}`),
      before: drive.marked.map(({ by, marks }) => `${by}: ${marks.length} fault${marks.length === 1 ? '' : 's'}`),
    };
  });
  protected readonly map = computed(() => this.data.view()?.map ?? undefined);
  protected readonly cars = computed(() => {
    const own = new Set(
      [...(this.data.state()?.drives.values() ?? [])]
        .filter(({ guest }) => guest.id === this.drive()?.guest.id)
        .map(({ car }) => car),
    );
    return (this.data.day()?.cars ?? []).filter(({ id }) => own.has(id));
  });
  protected readonly faults = computed(() => {
    const chosen = this.phase();
    return chosen
      ? [...this.vocabulary.faults().values()].filter(({ phase: of, retired }) => of === chosen && !retired)
      : [];
  });
  protected readonly listed = computed(() =>
    this.marks().map(({ fault, corner, lap }, place) => ({
      place,
      words: [
        this.vocabulary.faults().get(fault)?.name ?? fault,
        corner ?? 'everywhere',
        ...(lap === undefined ? [] : [`lap ${lap}`]),
      ].join(', '),
    })),
  );

  protected mark(fault: string): void {
    const corner = this.corner() || undefined;
    const lap = this.lap();
    const known = this.marks().some((mark) => mark.fault === fault && mark.corner === corner && mark.lap === lap);
    if (!known) this.marks.update((marks) => [...marks, { fault, corner, lap }]);
    this.phase.set(undefined);
  }

  protected drop(place: number): void {
    this.marks.update((marks) => marks.filter((_, at) => at !== place));
  }

  /** Enters what was marked, and ends the debrief where the car is parked. */
  protected save(): void {
    const drive = this.drive();
    if (!drive) return;
    const text = (value: string) => value.trim() || undefined;
    const entered = this.data.record({
      kind: 'driveMarked',
      drive: this.id(),
      marks: this.marks().map(({ fault, corner, lap }) => ({
        fault,
        ...(corner !== undefined && { corner }),
        ...(lap !== undefined && { lap }),
      })),
      good: this.praise(),
      ready: this.readiness(),
      account: text(this.account()),
      favourite: text(this.favourite()),
      ...(this.gearbox() !== '' && {
        gearbox: { driven: this.gearbox() as 'auto' | 'paddle', ...(this.fromLap() && { fromLap: this.fromLap()! }) },
      }),
      note: text(this.note()),
    });
    if (!entered) return;
    if (drive.stage === 'parked') this.data.record({ kind: 'debriefed', drive: this.id() });
    this.data.say(`Marked: ${drive.guest.name}.`);
    void this.router.navigate(['/handover']);
  }
}
