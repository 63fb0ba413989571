import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { emptyPlan, type LeftOutReason } from '@core/day';
import { planningSnapshotOf } from '@core/journal';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { PlanService } from '../../../shared/data/plan.service';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { MiniDrive } from '../../../shared/drawing/mini-drive';
import { BoardEdits } from './board-edits';
import { CostTerms, signed } from './cost-terms';
import { HowGood } from './how-good';
import { otherChanges } from './other-changes';

/** The search for a plan while it runs, and then its proposal: who is affected, what it costs, accepted or not. */
@Component({
  selector: 'jl-proposal-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CostTerms, HowGood, MiniDrive, ProgressBar],
  templateUrl: './proposal-panel.html',
  styleUrls: ['./side-panel.scss', './proposal-panel.scss'],
})
export class ProposalPanel {
  protected readonly planning = inject(PlanService);
  private readonly data = inject(DayService);
  private readonly edits = inject(BoardEdits);
  private readonly tell = inject(DayWords).tell;
  private readonly verdicts = inject(Verdicts);
  readonly closed = output<void>();

  private destroyed = false;
  protected readonly busy = signal(false);
  protected readonly job = this.planning.job;
  /** Drives whose change is not wanted; every new proposal begins with all of them wanted. */
  private readonly unwanted = linkedSignal<string | undefined, ReadonlySet<string>>({
    source: () => this.job()?.id,
    computation: () => new Set<string>(),
  });
  protected readonly found = computed(() => this.job()?.found ?? undefined);
  protected readonly changes = computed(() =>
    (this.found()?.changes ?? []).map(({ why, ...change }) => ({
      ...change,
      from: change.before ? this.tell().place(change.before) : 'not planned',
      to: change.after ? this.tell().place(change.after) : 'left out',
      why: why && this.tell().change(why),
      wanted: !this.unwanted().has(change.drive),
      laps: this.data.context()?.schedule.index.drives.get(change.drive)?.drive.laps ?? 0,
    })),
  );
  protected readonly wanted = computed(() => this.changes().filter(({ wanted }) => wanted).length);
  protected readonly percent = computed(() => {
    const [job, progress] = [this.job(), this.planning.progress()];
    return job && progress ? Math.min(100, Math.round((100 * progress.elapsedS) / Math.max(1, job.seconds))) : 0;
  });
  /** How many drives the proposal plans, and how many it leaves out. */
  protected readonly counts = computed(() => {
    const plan = this.found()?.plan;
    const [planned, leftOut] = [plan?.drives.length ?? 0, plan?.unplanned.length ?? 0];
    return { planned, leftOut, of: planned + leftOut };
  });
  /** What is left out, drives with the same reason together, then groups. */
  protected readonly leftOut = computed(() => {
    const index = this.data.context()?.schedule.index;
    const groups = new Map<string, { drive: string; names: string[]; reason: string; gone: boolean }>();
    for (const { drive, reason } of this.found()?.plan.unplanned ?? []) {
      const name = index?.drives.get(drive)?.guest.name ?? drive;
      const key = JSON.stringify(withoutGuest(reason));
      const group = groups.get(key);
      if (group) group.names.push(name);
      else {
        const gone = typeof reason !== 'string' && reason.code === 'guestGone';
        groups.set(key, { drive, names: [name], reason: this.tell().leftOut(reason), gone });
      }
    }
    for (const { group: id, reason } of this.found()?.plan.unplannedGroups ?? []) {
      const name = index?.groups.get(id)?.name ?? id;
      groups.set(id, { drive: id, names: [name], reason: this.tell().leftOut(reason), gone: true });
    }
    return [...groups.values()].map(({ drive, names, reason, gone }) => {
      const people = [...new Set(names)];
      const more = people.length > 3 ? ` and ${people.length - 3} more` : '';
      return { drive, reason, gone, who: `${people.slice(0, 3).join(', ')}${more}` };
    });
  });
  /** What would give a drive a place, by drive, as far as somebody has asked. */
  protected readonly help = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly helping = signal<string | undefined>(undefined);
  /** What changes beside the drives. */
  protected readonly others = computed(() => {
    const [found, day] = [this.found(), this.data.day()];
    return found && day ? otherChanges(this.tell(), this.data.plan() ?? emptyPlan(day.date), found.plan) : [];
  });
  protected readonly costWords = computed(() => {
    const found = this.found();
    if (!found) return '';
    const total = this.round(found.cost.total);
    return found.costBefore ? `${total} (${signed(found.cost.total - found.costBefore.total)})` : `${total}`;
  });

  protected placesLeft(unplanned: number): string {
    if (unplanned === 0) return 'Every drive has a place; looking for less waiting';
    return unplanned === 1 ? '1 drive has no place yet' : `${unplanned} drives have no place yet`;
  }

  /** Asks for single changes of the day that would give a drive of the proposal its place. */
  protected async wouldHelp(drive: string): Promise<void> {
    const [day, state, job] = [this.data.day(), this.data.state(), this.job()];
    if (!day || !state || !job?.found) return;
    this.helping.set(drive);
    const snapshot = planningSnapshotOf(day, job.found.plan, { ...state, timeS: job.asOf });
    const remedies = await this.verdicts.remedies(snapshot, drive);
    const words =
      remedies.length > 0
        ? `Would help: ${remedies.map(({ change, release }) => this.tell().remedy(change, release)).join('; ')}.`
        : 'No single change would.';
    this.help.update((known) => new Map(known).set(drive, words));
    this.helping.set(undefined);
  }

  constructor() {
    inject(DestroyRef).onDestroy(() => (this.destroyed = true));
  }

  protected round(value: number): number {
    return Math.round(value);
  }

  protected want(drive: string, wanted: boolean): void {
    this.unwanted.update((drives) => {
      const next = new Set(drives);
      if (wanted) next.delete(drive);
      else next.add(drive);
      return next;
    });
  }

  protected all(wanted: boolean): void {
    this.unwanted.set(new Set(wanted ? [] : this.changes().map(({ drive }) => drive)));
  }

  protected async accept(): Promise<void> {
    const [job, found] = [this.job(), this.found()];
    if (!job || !found || this.busy()) return;
    this.busy.set(true);
    const whole = this.wanted() === this.changes().length;
    const plan = whole ? found.plan : await this.part();
    if (plan) {
      const { base, asOf, reason } = job;
      const said = whole ? reason : `${reason} (in part)`;
      if (await this.edits.accept({ plan, base, asOf, reason: said }, said)) {
        const left = plan.unplanned.length;
        this.data.say(`${plan.drives.length} drives planned${left > 0 ? `, ${left} left out with reasons` : ''}.`);
        // Somebody may have hidden the panel meanwhile.
        if (!this.destroyed) this.closed.emit();
      }
    }
    this.busy.set(false);
  }

  protected drop(): void {
    this.planning.drop();
    this.closed.emit();
  }

  protected again(): void {
    const job = this.job();
    if (job) this.planning.start(job.mode === 'restore' ? 'improve' : job.mode, job.reason);
  }

  /** The current plan with the wanted changes only; where that breaks a rule it is said, and nothing comes of it. */
  private async part() {
    const [day, plan, state, job] = [this.data.day(), this.data.plan(), this.data.state(), this.job()];
    if (!day || !plan || !state || !job?.found) return undefined;
    const snapshot = planningSnapshotOf(day, plan, { ...state, timeS: job.asOf });
    const drives = this.changes().flatMap(({ drive, wanted }) => (wanted ? [drive] : []));
    const outcome = await this.verdicts.inPart(snapshot, job.found.plan, new Set(drives));
    if (outcome.valid) return outcome.plan;
    this.data.refuse(
      `This part can't stand alone: ${this.tell().violation(outcome.broken[0]!)}. Take in what belongs to it.`,
    );
    return undefined;
  }
}

/** A reason by which people are told together, whoever they are. */
function withoutGuest(reason: LeftOutReason): unknown {
  return typeof reason === 'string' ? reason : { ...reason, subjects: { ...reason.subjects, guest: undefined } };
}
