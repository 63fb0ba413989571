import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { DAY_S } from '@core/values';
import { violationKey, type Judgement, type Violation } from '@core/rules';
import type { Plan } from '@core/day';
import {
  asked,
  brokenAhead,
  byCause,
  causesOf,
  slideOfLine,
  type DriftLine,
  type RepairOption,
} from '@core/live/drift';
import { runningPlan, rescheduled, planningSnapshotOf, type PlanningSnapshot } from '@core/journal';
import { moveDrive, moveGroup, restated, shiftDrives, swapDrives } from '@core/planner/at-start';
import type { Place } from '@core/planner';
import { firstValueFrom } from 'rxjs';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { PlanService, type Acceptance } from '../../../shared/data/plan.service';
import type { Moment } from '../../../shared/verdict/moment';
import { Verdicts } from '../../../shared/verdict/verdicts';

/** A change by hand that is being tried and is not accepted yet. */
export interface Trial {
  readonly drives: ReadonlySet<string>;
  /** The group that is moved, in place of drives. */
  readonly group?: string;
  readonly plan: Plan;
  /** Of this plan, or of the place before while this one is being checked. */
  readonly judgement: Judgement;
  readonly checked: boolean;
}

/** A step that can be taken back: the plan before, the plan after, and what it was. */
interface Step {
  readonly before: Plan;
  readonly after: Plan;
  readonly what: string;
  /** Whether it was the manager's decision against a rule. */
  readonly despiteRules: boolean;
}

/** From where plans are changed and judged. */
interface Standing {
  readonly snapshot: PlanningSnapshot;
  readonly base: number;
  readonly asOf: number;
  /** Entries of the day that were known. */
  readonly known: number;
}

/** Releases by hand fall on full quarters of a minute. */
const SNAP_S = 15;

/** Changes of the plan by hand: tried with the verdict beside them, accepted, taken back and done again. */
@Injectable()
export class BoardEdits {
  private readonly data = inject(DayService);
  private readonly planning = inject(PlanService);
  private readonly verdicts = inject(Verdicts);
  private readonly words = inject(DayWords);
  private from: Standing | undefined;

  readonly selection = signal<ReadonlySet<string>>(new Set());
  readonly trial = signal<Trial | undefined>(undefined);
  /** What the current plan breaks of what is to come, be it by decision or because something has happened. */
  private readonly violations = signal<readonly Violation[]>([]);
  /** What will be broken besides, if every time follows what is late. */
  private readonly eaten = signal<readonly Violation[]>([]);
  private readonly grouped = computed(() => {
    // With the drift, which is looked at every few seconds, and not with every second of the state.
    const [context, drift, state] = [this.data.context(), this.data.drift(), untracked(this.data.state)];
    const [violations, eaten] = [this.violations(), this.eaten()];
    if (!context || !state || !drift) return { lines: [], broken: violations, decided: [] };
    // What somebody has decided against a rule is for no other cause.
    const view = this.data.view();
    const decided = new Set(
      view?.revision?.despite.flatMap((one) => (typeof one === 'string' ? [] : violationKey(one))),
    );
    const byDecision = violations.filter((violation) => decided.has(violationKey(violation)));
    const caused = [...violations.filter((violation) => !byDecision.includes(violation)), ...eaten];
    const { lines, rest } = byCause(causesOf(drift, state), caused, drift);
    const withinS = (view?.live.slidesUpToMin ?? 0) * 60;
    return { lines: asked(context, lines, state, withinS), broken: [...byDecision, ...rest], decided: byDecision };
  });
  /** What is late, or cannot take place, by its cause. */
  readonly lines = computed(() => this.grouped().lines);
  /** What is broken for no cause that is known. */
  readonly broken = computed(() => this.grouped().broken);
  /** Those of them that somebody has decided for. */
  readonly decided = computed((): readonly Violation[] => this.grouped().decided);
  private readonly steps = signal<readonly Step[]>([]);
  private readonly undone = signal<readonly Step[]>([]);
  private readonly sending = signal(false);
  /** Changes follow each other, however fast they are asked for. */
  private turn: Promise<unknown> = Promise.resolve();
  readonly undoable = computed(() => this.steps().at(-1)?.what);
  readonly redoable = computed(() => this.undone().at(-1)?.what);

  toggle(drive: string): void {
    const chosen = new Set(this.selection());
    if (!chosen.delete(drive) && this.mayMove(drive)) chosen.add(drive);
    this.selection.set(chosen);
  }

  /** Begins to move a drive, and with it all that are selected where it is one of them. False where it must stay. */
  begin(drive: string): boolean {
    const drives = this.selection().has(drive) ? this.selection() : new Set([drive]);
    return this.lift({ drives }, () => [...drives].every((id) => this.mayMove(id, true)));
  }

  /** Begins to move a group. False where it must stay. */
  beginGroup(group: string): boolean {
    return this.lift({ drives: new Set(), group }, () => {
      const state = this.data.state()?.groups.get(group);
      const may = state?.stage === 'planned';
      if (!may) this.data.refuse(`${state?.group.name ?? 'This group'} is under way: it stays where it is.`);
      return may;
    });
  }

  private lift(what: Pick<Trial, 'drives' | 'group'>, mayMove: () => boolean): boolean {
    if (!this.data.live()) {
      this.data.refuse('The ribbon shows another time. Go back to now to change the plan.');
      return false;
    }
    if (this.sending()) {
      this.data.refuse('The change before is still being stored. Try again in a moment.');
      return false;
    }
    if (!mayMove()) return false;
    const from = this.standNow();
    if (!from) return false;
    this.trial.set({ ...what, plan: from.snapshot.plan, judgement: { broken: [], costs: 0 }, checked: true });
    return true;
  }

  /** Tries the moved drives so much later, and a single one in another car or with another instructor. */
  shift(byS: number, place: Pick<Place, 'car' | 'instructor'> = {}): void {
    const [trial, from] = [this.trial(), this.from];
    if (!trial || !from) return;
    const { plan } = from.snapshot;
    const by = Math.round(byS / SNAP_S) * SNAP_S;
    const { group } = trial;
    if (group !== undefined) {
      const { release = 0 } = plan.groups?.find((planned) => planned.group === group) ?? {};
      return this.try(moveGroup(plan, group, Math.max(0, release + by)), trial);
    }
    const [only] = trial.drives;
    const old = plan.drives.find(({ drive }) => drive === only);
    if (trial.drives.size > 1 || !old) return this.try(shiftDrives(plan, trial.drives, by), trial);
    this.try(moveDrive(plan, only!, { release: Math.max(0, old.release + by), ...place }), trial);
  }

  /** Lets the two selected drives change places at once. */
  async swap(): Promise<boolean> {
    const [one, other] = this.selection();
    if (this.selection().size !== 2 || !this.begin(one!)) return false;
    const { snapshot } = this.from!;
    this.try(swapDrives(snapshot.day, snapshot.plan, one!, other!), { drives: this.selection() });
    return this.drop(false);
  }

  /** Accepts what is being tried; a broken rule is refused unless the manager decides otherwise. */
  async drop(despiteRules: boolean): Promise<boolean> {
    const [trial, from] = [this.trial(), this.from];
    if (!trial || !from) return false;
    if (trial.plan === from.snapshot.plan) {
      this.cancel();
      return false;
    }
    const judgement = trial.checked ? trial.judgement : await this.verdicts.judge(trial.plan);
    const broken = judgement?.broken[0];
    if (broken && !despiteRules) {
      this.cancel();
      this.data.refuse(`${this.words.tell().violation(broken)}. Nothing is changed; with Shift it is your decision.`);
      return false;
    }
    const what = this.wordsOf(trial);
    const done = await this.accept({ ...from, plan: trial.plan, reason: what, despiteRules: Boolean(broken) }, what);
    this.cancel();
    if (done) this.selection.set(new Set());
    return done;
  }

  cancel(): void {
    this.trial.set(undefined);
  }

  undo(): Promise<void> {
    return this.inTurn(async () => {
      const step = this.steps().at(-1);
      if (!step || !(await this.replace(step.after, step.before, `Taken back: ${step.what}`, false))) return;
      this.steps.update((steps) => steps.slice(0, -1));
      this.undone.update((steps) => [...steps, step]);
    });
  }

  redo(): Promise<void> {
    return this.inTurn(async () => {
      const step = this.undone().at(-1);
      if (!step || !(await this.replace(step.before, step.after, `Done again: ${step.what}`, step.despiteRules)))
        return;
      this.undone.update((steps) => steps.slice(0, -1));
      this.steps.update((steps) => [...steps, step]);
    });
  }

  /** Accepts a plan, as a step that can be taken back. */
  accept(acceptance: Acceptance & Partial<Standing>, what: string): Promise<boolean> {
    return this.inTurn(async () => {
      // As it stands, not as it was accepted: what has run late since has gone on from there.
      const before = this.snapshot()?.plan;
      if (!(await this.send(acceptance))) return false;
      const despiteRules = acceptance.despiteRules ?? false;
      if (before) this.steps.update((steps) => [...steps, { before, after: acceptance.plan, what, despiteRules }]);
      this.undone.set([]);
      return true;
    });
  }

  /** Looks again at what the current plan breaks. */
  async lookAgain(): Promise<void> {
    if (this.trial()) return;
    const from = this.standNow();
    if (!from) return;
    const { violations } = await from.standing;
    const state = this.data.state();
    if (state) this.violations.set(brokenAhead(violations, state));
    const moment = this.moment();
    const late = [...(this.data.drift()?.expected.values() ?? [])].some(
      ({ phase, lateS }) => phase === 'toCome' && lateS > 0,
    );
    const heading = moment && late ? await this.verdicts.heading(moment) : undefined;
    const known = new Set(violations.map(({ code, subjects }) => JSON.stringify([code, subjects])));
    this.eaten.set(heading?.broken.filter(({ code, subjects }) => !known.has(JSON.stringify([code, subjects]))) ?? []);
  }

  /** The cheapest ways to keep what one cause would break. */
  async repairOptions(line: DriftLine): Promise<readonly RepairOption[]> {
    const moment = this.moment();
    return moment ? this.verdicts.repairOptions(moment, line.key) : [];
  }

  private moment(): Moment | undefined {
    const [view, state] = [this.data.view(), this.data.state()];
    if (!view || !state || !this.data.live()) return undefined;
    const { day, plan, revision } = view;
    return { view: { day, plan, revision }, entries: this.data.entries(), timeS: state.timeS };
  }

  /** Minutes of patience that it costs to let one line's times follow, from where was looked last; nothing where it can't be said. */
  async costOf(line: DriftLine): Promise<number | undefined> {
    const [day, state, from] = [this.data.day(), this.data.state(), this.from];
    if (!day || !state || !from) return undefined;
    const later = runningPlan(day, rescheduled(this.data.plan()!, slideOfLine(line)), state, from.snapshot.day);
    return (await this.verdicts.judge(later))?.costs;
  }

  private inTurn<T>(step: () => Promise<T>): Promise<T> {
    const done = this.turn.then(step);
    this.turn = done;
    return done;
  }

  /** Goes from one plan to the other in what differs between them; all else stays as it is now. */
  private async replace(was: Plan, shall: Plan, reason: string, despiteRules: boolean): Promise<boolean> {
    const from = this.standNow();
    if (!from) return false;
    return this.send({ ...from, plan: restated(from.snapshot.plan, was, shall), reason, despiteRules });
  }

  private async send(acceptance: Acceptance & Partial<Standing>): Promise<boolean> {
    this.sending.set(true);
    try {
      const refused = await this.refusalOf(acceptance);
      const fromNow = refused === undefined ? undefined : this.fromNow(acceptance);
      const refusal = fromNow ? await this.refusalOf(fromNow) : refused;
      if (refusal !== undefined) this.data.refuse(refusal);
      return refusal === undefined;
    } finally {
      this.sending.set(false);
    }
  }

  /** The same change where the times are now, if they have slid by themselves since; nothing where they have not. */
  private fromNow(acceptance: Acceptance & Partial<Standing>): Acceptance | undefined {
    const { snapshot, base, known = Infinity } = acceptance;
    if (!snapshot || this.planning.base() !== base || this.data.entries().length <= known) return undefined;
    const now = this.standNow();
    return now && { ...acceptance, ...now, plan: restated(now.snapshot.plan, snapshot.plan, acceptance.plan) };
  }

  /** Why the server does not accept a plan; nothing where it does. */
  private async refusalOf({ plan, base, asOf, reason, despiteRules = false }: Acceptance): Promise<string | undefined> {
    try {
      await firstValueFrom(this.planning.accept({ plan, base, asOf, reason, despiteRules }));
      return undefined;
    } catch (error) {
      return (error as Error).message;
    }
  }

  private try(plan: Plan, what: Pick<Trial, 'drives' | 'group'>): void {
    const judgement = this.trial()?.judgement ?? { broken: [], costs: 0 };
    this.trial.set({ ...what, plan, judgement, checked: false });
    void this.verdicts.judge(plan).then((answer) => {
      const trial = this.trial();
      if (answer && trial?.plan === plan) this.trial.set({ ...trial, judgement: answer, checked: true });
    });
  }

  private snapshot(): PlanningSnapshot | undefined {
    const [day, plan, state] = [this.data.day(), this.data.plan(), this.data.state()];
    return day && plan && state && planningSnapshotOf(day, plan, state);
  }

  private standNow() {
    const [snapshot, state] = [this.snapshot(), this.data.state()];
    if (!snapshot || !state) return undefined;
    const [base, asOf] = [this.planning.base(), Math.min(DAY_S, state.timeS)];
    const from = { snapshot, base, asOf, known: this.data.entries().length };
    this.from = from;
    return { ...from, standing: this.verdicts.judgeFrom(snapshot) };
  }

  private mayMove(drive: string, say = false): boolean {
    const state = this.data.state()?.drives.get(drive);
    const may = state?.stage === 'planned' && this.data.state()?.guests.get(state.guest.id)?.gone === undefined;
    if (!may && say)
      this.data.refuse(`${state?.guest.name ?? 'This drive'} is under way, or gone: it stays where it is.`);
    return may;
  }

  private wordsOf({ drives, group }: Trial): string {
    if (group !== undefined) return `Moved ${this.data.state()?.groups.get(group)?.group.name ?? group} by hand`;
    const names = [...drives].map((id) => this.data.state()?.drives.get(id)?.guest.name ?? id);
    return names.length > 3 ? `Moved ${names.length} drives by hand` : `Moved ${names.join(', ')} by hand`;
  }
}
