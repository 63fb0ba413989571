import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { contract, type StoredCar, type StoredCircuit } from '@core/api';
import { modelledCars } from '@core/venue/fleet';
import { ORDINARY_COACHING, teachingCustom } from '@core/venue/settings';
import type { CallSettings, CardSubject, CircuitStudy, FleetCar } from '@core/track/car';
import type { Circuit } from '@core/track/circuit';
import { conditionAt, type ConditionInForce } from '@core/day';
import type { Remote } from 'comlink';
import { forkJoin, type Observable, tap } from 'rxjs';
import type { CircuitThread, LapCalls } from './circuit.worker';
import { Api } from './api';
import { DayService } from './day.service';
import { Thread, ThreadFault } from './thread';

/** The grip of a condition. */
export const GRIPS = [
  { label: 'Dry', value: 1 },
  { label: 'Damp', value: 0.8 },
  { label: 'Wet', value: 0.65 },
] as const;

/** The grip that goes with a condition: by its name, or else by how much slower it makes a lap. */
export function gripOf({ name, paceFactor }: Pick<ConditionInForce, 'name' | 'paceFactor'>): number {
  const named = GRIPS.find(({ label }) => label.toLowerCase() === name.trim().toLowerCase());
  if (named) return named.value;
  return paceFactor < 1.04 ? GRIPS[0].value : paceFactor < 1.12 ? GRIPS[1].value : GRIPS[2].value;
}

/** What is read again as it was is no change: nothing has to be computed anew. */
const READ_ANEW = { equal: (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other) };
/** Changes in quick succession are computed once. */
const REST_MS = 180;

/**
 * The circuit as it is stored and as it is being edited, and what follows from it: lines, corners, cones and laps,
 * computed in a thread of their own.
 */
@Injectable({ providedIn: 'root' })
export class CircuitService implements OnDestroy {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly thread = new Thread<CircuitThread>(
    () => new Worker(new URL('./circuit.worker', import.meta.url), { type: 'module' }),
  );
  private resting: ReturnType<typeof setTimeout> | undefined;
  private asked = 0;

  readonly stored = signal<StoredCircuit | undefined>(undefined);
  /** What is shown and edited; nothing where there is no circuit yet. */
  readonly draft = signal<Circuit | undefined>(undefined);
  readonly cars = signal<readonly StoredCar[]>([], READ_ANEW);
  readonly coaching = signal(ORDINARY_COACHING, READ_ANEW);
  readonly paces = signal<readonly number[]>([1], READ_ANEW);
  private readonly chosenGrip = signal<number | undefined>(undefined);
  /** The grip that laps are worked out with: that of the condition in force, until somebody looks at another. */
  readonly grip = computed(() => this.chosenGrip() ?? this.gripNow());
  /** The grip of the condition in force at the time that is shown. */
  readonly gripNow = computed(() => {
    const day = this.data.day();
    return day ? gripOf(conditionAt(day, this.data.shownS())) : 1;
  });
  readonly failure = signal<string | undefined>(undefined);
  readonly study = signal<CircuitStudy | undefined>(undefined);
  readonly busy = signal(false);
  /** Why nothing could be computed, if so. */
  readonly fault = signal<string | undefined>(undefined);
  private readonly before = signal<readonly Circuit[]>([]);
  private readonly after = signal<readonly Circuit[]>([]);

  readonly canUndo = computed(() => this.before().length > 0);
  readonly canRedo = computed(() => this.after().length > 0);
  readonly changed = computed(
    () => this.draft() !== undefined && this.draft() !== (this.stored()?.circuit ?? undefined),
  );
  /** Cars that the lap model knows. */
  readonly fleet = computed<readonly FleetCar[]>(() => modelledCars(this.cars()));

  /** Looks at laps in another condition; nothing goes back to the one in force. */
  lookAtGrip(grip: number | undefined): void {
    this.chosenGrip.set(grip);
  }

  constructor() {
    effect(() => {
      const [circuit, fleet, paces, grip, coaching] = [
        this.draft(),
        this.fleet(),
        this.paces(),
        this.grip(),
        this.coaching(),
      ];
      if (!circuit) return;
      clearTimeout(this.resting);
      untracked(() => this.busy.set(true));
      this.resting = setTimeout(() => {
        const asked = ++this.asked;
        const custom = teachingCustom(coaching);
        void this.compute((remote) => remote.study(circuit, fleet, paces, grip, custom)).then((study) => {
          if (asked !== this.asked) return;
          if (study) this.study.set(study);
          this.busy.set(false);
        });
      }, REST_MS);
    });
  }

  /** Reads circuit, fleet and customs; what is being edited stays. */
  refresh(): void {
    forkJoin({
      circuit: this.api.call(contract.readCircuit),
      cars: this.api.call(contract.listCars),
      venue: this.api.call(contract.readVenue),
    }).subscribe({
      next: ({ circuit, cars, venue }) => {
        this.failure.set(undefined);
        this.cars.set(cars.cars);
        this.coaching.set(venue.fields.coaching);
        this.paces.set([...new Set(Object.values(venue.fields.paces))]);
        const isNew = circuit.version !== this.stored()?.version;
        if (!this.stored() || (isNew && !this.changed())) this.take(circuit);
      },
      error: (error: Error) => this.failure.set(error.message),
    });
  }

  /** Reads the venue's customs alone, for screens that have nothing computed. */
  readCustoms(): void {
    this.api.call(contract.readVenue).subscribe({
      next: ({ fields }) => this.coaching.set(fields.coaching),
      error: (error: Error) => this.failure.set(error.message),
    });
  }

  /** Changes the circuit; what stood before can be brought back. */
  change(circuit: Circuit): void {
    const current = this.draft();
    if (current) this.before.update((known) => [...known.slice(-99), current]);
    this.after.set([]);
    this.draft.set(circuit);
  }

  undo(): void {
    this.step(this.before, this.after);
  }

  redo(): void {
    this.step(this.after, this.before);
  }

  /** Throws what is not saved away. */
  discard(): void {
    const stored = this.stored();
    if (stored) this.take(stored);
  }

  /**
   * Saves what is being edited; errs with an `ApiError` where it is refused or somebody else was first. What is changed
   * while it is being saved stays to be saved.
   */
  save(): Observable<StoredCircuit> {
    const sent = this.draft()!;
    const body = { version: this.stored()?.version ?? 0, circuit: sent };
    return this.api
      .call(contract.changeCircuit, { body })
      .pipe(tap((stored) => (this.draft() === sent ? this.take(stored) : this.stored.set(stored))));
  }

  /** After a conflict: goes on from what somebody else has saved. */
  readAnew(): void {
    this.stored.set(undefined);
    this.draft.set(undefined);
    this.refresh();
  }

  /** The calls of a lap for a car at a pace, in the thread. */
  async calls(car: FleetCar, pace: number, settings: CallSettings): Promise<LapCalls | undefined> {
    const circuit = this.draft();
    if (!circuit) return undefined;
    const custom = teachingCustom(this.coaching());
    return this.compute((remote) => remote.calls(circuit, car, pace, this.grip(), custom, settings));
  }

  /** A car with its notes and its lap here, for the talk in the car; nothing where the lap model does not know it. */
  talkSubject(id: string | undefined): CardSubject | undefined {
    const car = this.fleet().find((one) => one.id === id);
    const stored = this.cars().find((one) => one.id === id);
    const lap = this.study()?.laps.find((one) => one.car === id && one.pace === 1);
    return car && stored && { car, notes: stored.fields.talk ?? {}, lap };
  }

  carName(id: string): string {
    const car = this.cars().find((one) => one.id === id);
    return car ? `${car.fields.number} ${car.fields.name}` : 'an ordinary sports car';
  }

  ngOnDestroy(): void {
    clearTimeout(this.resting);
    this.thread.end();
  }

  private take(stored: StoredCircuit): void {
    this.stored.set(stored);
    this.draft.set(stored.circuit ?? undefined);
    this.before.set([]);
    this.after.set([]);
  }

  private step(from: typeof this.before, to: typeof this.before): void {
    const [last, current] = [from().at(-1), this.draft()];
    if (!last || !current) return;
    from.update((known) => known.slice(0, -1));
    to.update((known) => [...known, current]);
    this.draft.set(last);
  }

  /** Asks the thread; nothing where it dies twice, which is said. */
  private async compute<R>(question: (remote: Remote<CircuitThread>) => Promise<R>): Promise<R | undefined> {
    const died = () =>
      this.fault.set('The computation of the circuit broke off. It begins again with the next change.');
    try {
      const answer = await this.thread.askTwice(question, died);
      this.fault.set(undefined);
      return answer;
    } catch (fault) {
      if (fault instanceof ThreadFault) return undefined;
      throw fault;
    }
  }
}
