import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { clockMinute, type PlannedDrive } from '@core/day';
import { standpointOf } from '@core/journal';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { ProgressBar } from 'primeng/progressbar';
import { DayService } from '../data/day.service';
import { PlanService } from '../data/plan.service';
import { Verdicts } from '../verdict/verdicts';
import { BoardEdits } from './board-edits';
import { CostTerms, signed } from './cost-terms';

/** The search for a plan while it runs, and then its proposal: who is affected, what it costs, accepted or not. */
@Component({
  selector: 'jl-proposal-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, CostTerms, FormsModule, ProgressBar],
  templateUrl: './proposal-panel.html',
  styleUrls: ['./side-panel.scss', './proposal-panel.scss'],
})
export class ProposalPanel {
  protected readonly planning = inject(PlanService);
  private readonly data = inject(DayService);
  private readonly edits = inject(BoardEdits);
  private readonly verdicts = inject(Verdicts);
  readonly closed = output<void>();

  protected readonly busy = signal(false);
  protected readonly job = this.planning.job;
  /** Drives whose change is not wanted; every new proposal begins with all of them wanted. */
  private readonly unwanted = linkedSignal<string | undefined, ReadonlySet<string>>({
    source: () => this.job()?.id,
    computation: () => new Set<string>(),
  });
  protected readonly found = computed(() => this.job()?.found ?? undefined);
  protected readonly changes = computed(() =>
    (this.found()?.changes ?? []).map((change) => ({
      ...change,
      from: change.before ? this.words(change.before) : change.from,
      to: change.after ? this.words(change.after) : change.to,
      wanted: !this.unwanted().has(change.drive),
    })),
  );
  protected readonly wanted = computed(() => this.changes().filter(({ wanted }) => wanted).length);
  protected readonly percent = computed(() => {
    const [job, progress] = [this.job(), this.planning.progress()];
    return job && progress ? Math.min(100, Math.round((100 * progress.elapsedS) / Math.max(1, job.seconds))) : 0;
  });
  protected readonly difference = computed(() => {
    const found = this.found();
    return found?.costBefore ? signed(found.cost.total - found.costBefore.total) : '';
  });

  protected round(value: number): number {
    return Math.round(value);
  }

  /** A place with the number of the car, as two may have the same name. */
  private words({ release, car, instructor }: PlannedDrive): string {
    const index = this.data.context()?.schedule.index;
    const number = this.data.view()?.carNumbers[car] ?? '';
    return `${clockMinute(release)}, ${number} ${index?.cars.get(car)?.name ?? car}, with ${index?.instructors.get(instructor)?.name ?? instructor}`;
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
        this.closed.emit();
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
    await this.verdicts.stand(standpointOf(day, plan, { ...state, timeS: job.asOf }));
    const drives = this.changes().flatMap(({ drive, wanted }) => (wanted ? [drive] : []));
    const { outcome } = await this.verdicts.inPart(job.found.plan, new Set(drives));
    if (outcome.valid) return outcome.plan;
    this.data.refuse(`This part can't stand alone: ${outcome.broken[0]?.message}. Take in what belongs to it.`);
    return undefined;
  }
}
