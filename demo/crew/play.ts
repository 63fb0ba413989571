import type { Day, Plan } from '@core/day';
import {
  dayContext,
  RunningJournal,
  rescheduledContext,
  type DayContext,
  type DayState,
  type RecordedEntry,
} from '@core/journal';
import { causesOf, slideCauses, slideDue, slideOf, type Drift } from '@core/live/drift';
import { recordedAt } from '../plan-player';
import { Crew, type CrewOptions } from './crew';
import type { DeedFields } from './scene';
import { Track } from './track';

/** A day as it is being played, in memory. */
export class PlayedDay {
  readonly entries: RecordedEntry[] = [];
  readonly journal: RunningJournal;
  context: DayContext;
  passes = 0;
  slides = 0;
  nowS: number;
  private readonly crew: Crew;
  private readonly track: Track;
  private revision = 1;

  /** @param fromS when it begins, seconds since midnight */
  constructor(
    readonly day: Day,
    private accepted: Plan,
    options: Omit<CrewOptions, 'bookedS'>,
    fromS: number,
  ) {
    this.context = dayContext(day, accepted);
    this.journal = new RunningJournal(this.context, this.entries);
    const booked = new Map(day.guests.map(({ id, arrives }) => [id, arrives]));
    this.crew = new Crew({ ...options, bookedS: (guest) => booked.get(guest) ?? 0 });
    this.track = new Track(options.seed);
    this.nowS = fromS;
  }

  /** The state at this moment; it changes with the day. */
  state(): DayState {
    return Object.assign(this.journal.now(), { timeS: this.nowS });
  }

  /** Goes on by one second. */
  step(): void {
    this.nowS += 1;
    const { crossed, passes } = this.track.step(this.context, this.state());
    this.passes += passes;
    for (const { vehicle, ms } of crossed) this.enter({ kind: 'lineCrossed', car: vehicle, ms }, 'Timing loop');
    for (const { fields, by, atS } of this.crew.look(this.context, this.state(), this.nowS))
      this.enter(fields, by, atS);
  }

  /** Lets the plan's times follow, as the server does. */
  slide(drift: Drift, withinS: number): void {
    const times = slideDue(this.context, drift, withinS);
    if (!times) return;
    this.slides += 1;
    const causes = slideCauses(causesOf(drift, this.state()), times);
    this.enterSlide({ ...times, ...causes }, 'Joy Lap');
  }

  /** The manager lets everything follow, however late it is. */
  agree(drift: Drift): void {
    const times = slideOf(drift);
    const causes = slideCauses(causesOf(drift, this.state()), times);
    this.enterSlide({ ...times, ...causes, agreed: true }, 'Manager');
  }

  private enterSlide(times: Omit<Extract<DeedFields, { kind: 'timesSlid' }>, 'kind' | 'revision'>, by: string): void {
    this.enter({ kind: 'timesSlid', revision: this.revision, ...times }, by);
    this.goBy(rescheduledContext(this.day, this.accepted, this.revision, this.entries));
  }

  accept(plan: Plan): void {
    this.accepted = plan;
    this.revision += 1;
    this.enter({ kind: 'planAccepted', revision: this.revision }, 'Manager');
    this.goBy(dayContext(this.day, plan));
  }

  /** Enters something; false where it is refused. */
  enter(fields: DeedFields, by: string, atS = this.nowS): boolean {
    const seq = this.entries.length + 1;
    const id = `crew-${this.day.date}-${String(seq).padStart(5, '0')}`;
    const entry = { ...fields, id, at: atS, by };
    if (!this.journal.admit(entry).admitted) return false;
    this.journal.add({ seq, recordedAt: recordedAt(this.day.date, this.nowS), entry });
    return true;
  }

  private goBy(context: DayContext): void {
    this.context = context;
    this.journal.goBy(context);
  }
}
