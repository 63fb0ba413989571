import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { contract } from '@core/api';
import { clockMinute, spokenDuration, timeIn, wallClock } from '@core/values';
import { FLAG_WORDS, lapsText } from '@words';
import { effectiveEntries, type DayContext, type DayState } from '@core/journal';
import type { Delay, ReleaseWindow } from '@core/live/traffic';
import { Button } from 'primeng/button';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { DeviceService } from '../../../shared/data/device.service';
import { known } from '../../../shared/data/reading';
import { When } from '../../../shared/data/when';
import { Beads } from '../../../shared/drawing/beads';
import { CircuitView } from '../../../shared/drawing/circuit-view';
import type { ActsOf, PIT_EXIT_KEYS } from '../../../shared/frame/screen-keys';
import { onKeys } from '../../../shared/frame/keys';
import { BreakOff } from './break-off';
import { IncidentForm } from './incident-form';
import { LastDeed, undoDeed } from '../../../shared/frame/last-deed';
import {
  passWords,
  pitExitModel,
  queueAdvice,
  runAdvice,
  type ExitNow,
  type PitDrive,
  type QueuedDrive,
  type RunningDrive,
  type RunOut,
  type WaitingRun,
} from './pit-exit-model';
import { Traffic } from './traffic';
import { ExitTrains } from './trains';

/** A stretch of the next three minutes, as it is drawn. */
interface Strip {
  readonly kind: string;
  readonly share: number;
  readonly text: string;
  readonly words: string;
}

/** Why a flag is called, mostly. */
const FLAG_REASONS = ['car off', 'spin', 'contact', 'debris', 'person on the circuit', 'weather'];
/** A stretch too narrow for its word. */
const NARROW = 0.06;

/** The queue with advice when to let out, and the cars on the circuit, for gloved hands in the sun. */
@Component({
  selector: 'jl-pit-exit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, BreakOff, Button, CircuitView, ExitTrains, IncidentForm, LastDeed],
  templateUrl: './pit-exit.html',
  styleUrl: './pit-exit.scss',
  host: { class: 'screen' },
})
export class PitExit {
  protected readonly data = inject(DayService);
  private readonly when = inject(When);
  protected readonly tell = inject(DayWords).tell;
  protected readonly minute = clockMinute;
  protected readonly laps = lapsText;
  protected readonly clock = wallClock;
  protected readonly traffic = inject(Traffic);
  protected readonly devices = inject(DeviceService);
  private readonly api = inject(Api);
  /** Computed by the server: a tablet at the exit has other things to do. */
  private readonly standing = rxResource({
    params: () => this.hasMap() || undefined,
    stream: () => this.api.call(contract.readCones),
  });
  private readonly hasMap = computed(() => Boolean(this.data.view()?.map));
  /** What stands beside the road. */
  protected readonly cones = computed(() => known(this.standing)?.cones ?? []);
  /** The drive whose further buttons are open. */
  protected readonly open = signal<string | undefined>(undefined);
  /** The drive that was put first by hand. */
  private readonly preferred = signal<string | undefined>(undefined);
  protected readonly breaking = signal<RunningDrive | undefined>(undefined);
  protected readonly incidentOpen = signal(false);
  /** The drive that an incident is about, where it was told from its row. */
  protected readonly about = signal<PitDrive | undefined>(undefined);

  protected readonly model = computed(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return undefined;
    return pitExitModel(
      context,
      state,
      { ...view, stalls: this.data.stalls() },
      this.traffic.runners(),
      this.traffic.shape(),
      this.when.start(),
    );
  });
  protected readonly queue = computed<readonly QueuedDrive[]>(() => {
    const queue = this.model()?.queue ?? [];
    const first = queue.find(({ id }) => id === this.preferred());
    return first ? [first, ...queue.filter((drive) => drive !== first)] : queue;
  });
  private readonly advised = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return undefined;
    return queueAdvice(this.queue(), this.exitNow(context, state));
  });
  /** Sighting runs that wait, each with when to let it out. */
  protected readonly runs = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const now = this.exitNow(context, state);
    return (this.model()?.runs ?? []).map((run) => {
      const advice = runAdvice(run, this.queue().length, now);
      const missing = run.missing > 0 ? `, ${run.missing} not there yet` : '';
      const who = `${run.ready.length} ${run.ready.length === 1 ? 'guest' : 'guests'} with ${run.instructor}${missing}`;
      return { ...run, who, go: advice?.go ?? false, why: advice ? this.tell().advice(advice.why) : '' };
    });
  });
  protected readonly advice = computed(() => this.advised()?.advice);
  protected readonly swap = computed(() => this.advised()?.swap);
  /** The passes to come if the car is let out when it is advised. */
  protected readonly ahead = computed(() => {
    const [advice, first] = [this.advice(), this.queue()[0]];
    const runners = new Map(this.traffic.runners().map((runner) => [runner.id, this.tell().runner(runner)]));
    return first && advice
      ? passWords(advice.ahead, Math.round(advice.best?.passes ?? 0), first.id, runners, this.traffic.shape())
      : '';
  });
  protected readonly waitS = computed(() => {
    const advice = this.advice();
    return advice?.best && advice.best.atS - advice.moments[0]!.atS;
  });
  protected readonly strips = computed(() => (this.advice()?.windows ?? []).map(stripOf));
  protected readonly stripText = computed(() =>
    this.strips()
      .map(({ words }) => words)
      .join(', '),
  );
  protected readonly flagReasons = FLAG_REASONS;
  protected readonly flag = computed(() => this.data.state()?.flag);
  protected readonly flagWords = computed(() => FLAG_WORDS[this.flag()?.flag ?? 'green']);
  /** What did not fit and was settled by rule, lately. */
  protected readonly settled = computed(() => {
    const state = this.data.state();
    return (state?.resolved ?? [])
      .filter(({ atS }) => state!.timeS - atS < 900)
      .map((it) => ({
        ...it,
        text: `${clockMinute(it.atS)}, ${it.by}: ${this.tell().resolution(it.what)}`,
      }));
  });

  protected delaysIn(delays: readonly Delay[]): string {
    return delays.map(this.tell().delay).join('; ');
  }

  protected toGo({ due, done }: PitDrive): string {
    const left = due - done;
    if (left <= 0) return 'laps done';
    return left === 1 ? 'last lap' : `${left} to go`;
  }

  protected seat(drive: PitDrive): void {
    this.data.record({ kind: 'seated', drive: drive.id, car: drive.carId, instructor: drive.instructorId });
  }
  protected unseat(drive: PitDrive): void {
    this.data.record({ kind: 'unseated', drive: drive.id });
  }
  constructor() {
    this.takeKeys();
  }

  protected check(drive: QueuedDrive, items: readonly string[]): void {
    if (items.length > 0) this.data.record({ kind: 'lastCheckDone', drive: drive.id, items: [...items] });
  }
  protected letOut(drive: PitDrive): void {
    if (this.data.record({ kind: 'released', drive: drive.id })) this.preferred.set(undefined);
  }
  protected letRunOut({ vehicle, instructorId, ready }: WaitingRun): void {
    this.data.record({ kind: 'sightingBegan', vehicle, instructor: instructorId, guests: [...ready] });
  }
  protected runBack({ vehicle }: RunOut): void {
    this.data.record({ kind: 'sightingEnded', vehicle });
  }
  protected prefer(id: string): void {
    this.preferred.set(id);
  }
  /** Let out by mistake: the entry is taken back, and the car waits at the exit again. */
  protected takeBack(drive: PitDrive): void {
    const released = effectiveEntries(this.data.entries()).findLast(
      (entry) => entry.kind === 'released' && entry.drive === drive.id,
    );
    if (released && this.data.undo(released.id)) this.preferred.set(drive.id);
  }
  /** Brought in or broken off by mistake: the drive goes on. */
  protected goesOn(drive: PitDrive): void {
    const ended = effectiveEntries(this.data.entries()).findLast(
      (entry) => (entry.kind === 'brokenOff' || entry.kind === 'broughtIn') && entry.drive === drive.id,
    );
    if (ended) undoDeed(this.data, ended);
  }
  protected count(drive: PitDrive): void {
    this.data.record({ kind: 'lapCounted', drive: drive.id, source: 'hand' });
  }
  protected settle(drive: RunningDrive, crossings: number, why: string): void {
    this.data.record({ kind: 'lapsSettled', drive: drive.id, crossings, why });
  }
  /** A lap that nobody tapped when it ended, at the time at which it did. */
  protected countAt(drive: PitDrive, time: string): void {
    const atS = timeIn(time);
    if (atS === undefined) this.data.refuse('Say when the line was crossed, such as 11:08:30.');
    else this.data.record({ kind: 'lapCounted', drive: drive.id, source: 'hand' }, undefined, atS);
  }
  protected refuseExtra(drive: PitDrive): void {
    this.data.record({ kind: 'extraLapRefused', drive: drive.id });
  }
  protected spoil(drive: PitDrive, lap = drive.done + 1, reason = 'traffic'): void {
    this.data.record({ kind: 'lapSpoiled', drive: drive.id, lap, reason });
  }
  protected extra(drive: PitDrive): void {
    this.data.record({ kind: 'extraLapGranted', drive: drive.id });
  }
  protected intervened(drive: PitDrive): void {
    this.data.record({ kind: 'intervened', drive: drive.id, lap: Math.min(drive.done + 1, drive.due) });
  }
  protected bringIn(drive: PitDrive): void {
    this.data.record({ kind: 'broughtIn', drive: drive.id });
  }
  protected park(drive: PitDrive): void {
    this.data.record({ kind: 'parked', drive: drive.id });
  }
  /** Opens the record of an incident, of one car or of none. */
  protected report(drive?: PitDrive): void {
    this.about.set(drive);
    this.incidentOpen.set(true);
  }
  protected explain(reason: string): void {
    this.data.record({ kind: 'flagExplained', reason });
  }
  protected toggle(drive: PitDrive): void {
    this.open.update((open) => (open === drive.id ? undefined : drive.id));
  }

  /** The desk works the exit by keyboard: arrows choose a car on the circuit, letters act on it or on the one at the exit. */

  private exitNow(context: DayContext, state: DayState): ExitNow {
    const drift = this.data.drift();
    return { context, state, drift, runners: this.traffic.runners(), shape: this.traffic.shape() };
  }

  /** What keys act on: the first car of the queue, the cars on the circuit, and which of them is open. */
  private atHand() {
    const rows = this.model()?.onCircuit ?? [];
    const place = rows.findIndex(({ id }) => id === this.open());
    return { first: this.queue()[0], rows, place, row: rows[place] };
  }

  private takeKeys(): void {
    const withFirst = (act: (first: QueuedDrive) => unknown) => () => {
      const { first } = this.atHand();
      if (first) act(first);
    };
    const withOpen = (act: (row: RunningDrive) => unknown) => () => {
      const { row } = this.atHand();
      if (row) act(row);
    };
    const go = (step: number) => () => {
      const { rows, place } = this.atHand();
      this.open.set(rows[Math.max(0, Math.min(rows.length - 1, place + step))]?.id);
    };
    onKeys({
      a: withFirst((first) => this.check(first, first.unchecked)),
      l: withFirst((first) => first.unchecked.length === 0 && this.letOut(first)),
      ArrowDown: go(1),
      ArrowUp: go(-1),
      m: withOpen((row) => this.count(row)),
      s: withOpen((row) => this.spoil(row)),
      x: withOpen((row) => this.extra(row)),
      i: withOpen((row) => this.bringIn(row)),
      Backspace: withOpen((row) => row.done === 0 && this.takeBack(row)),
    } satisfies ActsOf<typeof PIT_EXIT_KEYS>);
  }
}

function stripOf({ fromS, toS, hindrance, passes }: ReleaseWindow): Strip {
  const share = (toS - fromS) / 181;
  const length = spokenDuration(toS - fromS);
  const word = { shut: 'nobody out', gap: 'gap', full: 'full' };
  if (hindrance !== undefined) {
    return {
      kind: hindrance,
      share,
      text: share < NARROW ? '' : word[hindrance],
      words: `${length} ${word[hindrance]}`,
    };
  }
  const text = passes === 1 ? '1 pass' : `${passes} passes`;
  return {
    kind: `open passes-${Math.min(3, passes)}`,
    share,
    text: share < NARROW ? '' : share < 2 * NARROW ? String(passes) : text,
    words: `${length} with ${text}`,
  };
}
