import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { isLow, tankOf } from '@core/venue/garage/at-start';
import { clockMinute } from '@core/values';
import { drivesConcerned } from '@core/day';
import { isThrough, owedFrom } from '@core/journal';
import { groupChanges } from '@core/planner/at-start';
import { CAR_STATUS_WORDS, CREW_STATUS_WORDS, GUEST_STAGE_WORDS, lapsText } from '@words';
import type { MenuItem } from 'primeng/api';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { PlanService } from '../../../shared/data/plan.service';
import type { ActsOf, BOARD_KEYS } from '../../../shared/frame/screen-keys';
import { onKeys } from '../../../shared/frame/keys';
import { onRequest } from '../../../shared/frame/requests';
import type { Carry } from './block-drag';
import { BoardChart, type Marks, type RowLabel } from './board-chart';
import { BoardChoices, type Zoom } from './board-choices';
import { BoardEdits } from './board-edits';
import { type BoardMode, type Ghost } from './blocks';
import { boardRows, expectedGhosts, groupGhostOf, spanOf, ghostOf } from './board-model';
import { signed } from './cost-terms';
import { DriveDetails } from './drive-details';
import { LoadChart } from './load-chart';
import { PlansPanel } from './plans-panel';
import { ProposalPanel } from './proposal-panel';
import { ToSolvePanel, type LeftOut } from './to-solve-panel';
import type { Happening } from '../../../shared/data/happenings';
import { WhatHappened } from './what-happened';
import { WhatMatters } from './what-matters';

type Panel = 'drive' | 'proposal' | 'toSolve' | 'plans';
const SPANS: Record<Zoom, number | undefined> = { day: undefined, '3h': 3 * 3600, '1h': 3600 };

/**
 * The planned day on a time axis, by cars, by instructors or by guests, on which the manager works with the planner:
 * moves drives, weighs proposals, says what happened.
 */
@Component({
  selector: 'jl-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BoardChart,
    BoardChoices,
    Button,
    DriveDetails,
    LoadChart,
    Menu,
    PlansPanel,
    ProposalPanel,
    RouterLink,
    ToSolvePanel,
    WhatHappened,
    WhatMatters,
  ],
  providers: [BoardEdits],
  templateUrl: './board.html',
  styleUrl: './board.scss',
  host: { class: 'screen' },
})
export class Board {
  protected readonly data = inject(DayService);
  protected readonly planning = inject(PlanService);
  private readonly chart = viewChild(BoardChart);
  protected readonly menu = viewChild<Menu>('menu');
  protected readonly mode = signal<BoardMode>('cars');
  protected readonly zoom = signal<Zoom>('day');
  protected readonly withFinished = signal(false);
  protected readonly edits = inject(BoardEdits);
  private readonly tell = inject(DayWords).tell;
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly panel = signal<Panel | undefined>(undefined);
  protected readonly happenedOpen = signal(false);
  /** What the question about what happened opens with. */
  protected readonly happening = signal<Happening | undefined>(undefined);
  protected readonly mattersOpen = signal(false);
  protected readonly loadOpen = signal(false);
  protected readonly more: MenuItem[] = [
    { label: 'Accepted plans', icon: 'pi pi-history', command: () => this.panel.set('plans') },
    { label: 'Load of the day', icon: 'pi pi-chart-bar', command: () => this.loadOpen.set(true) },
    { label: 'What matters', icon: 'pi pi-sliders-h', command: () => this.mattersOpen.set(true) },
  ];
  protected readonly rows = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    return context && state ? boardRows(context, state, this.mode(), this.withFinished()) : [];
  });
  /** What the day contains; whole minutes, so that it does not creep. */
  protected readonly span = computed(
    () => {
      const [context, state] = [this.data.context(), this.data.state()];
      if (!context || !state) return undefined;
      const { fromS, toS } = spanOf(context, state);
      return { fromS: Math.floor(fromS / 300) * 300, toS: Math.ceil(toS / 300) * 300 };
    },
    { equal: (a, b) => a?.fromS === b?.fromS && a?.toS === b?.toS },
  );
  protected readonly through = computed(() => {
    const state = this.data.state();
    return state ? [...state.guests.values()].filter(isThrough).length : 0;
  });
  protected readonly labels = computed<ReadonlyMap<string, RowLabel>>(() => {
    const state = this.data.state();
    const numbers = this.data.view()?.carNumbers ?? {};
    const labels = new Map<string, RowLabel>();
    if (!state) return labels;
    const plain = { number: undefined, level: undefined, fuel: undefined, low: false };
    for (const [id, { car, laps, status }] of state.cars) {
      const tank = tankOf(state, { car, laps });
      const fuel = Math.min(1, tank.litres / car.fuel.capacityL);
      const note = status === 'ready' ? lapsText(laps) : CAR_STATUS_WORDS[status];
      labels.set(id, {
        number: numbers[id],
        name: car.name,
        note,
        level: car.level,
        fuel,
        low: isLow(tank, car),
      });
    }
    for (const [id, { instructor, status, laps }] of state.crew) {
      labels.set(id, { ...plain, name: instructor.name, note: `${CREW_STATUS_WORDS[status]}, ${lapsText(laps)}` });
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
  protected readonly leftOut = computed((): LeftOut[] => {
    const context = this.data.context();
    if (!context) return [];
    return context.schedule.plan.unplanned.flatMap(({ drive, reason }) => {
      const booked = context.schedule.index.drives.get(drive);
      if (!booked) return [];
      const cars = booked.drive.cars.map((id) => carLabel(this.data.view(), id)).join(' or ');
      const gone = this.data.state()?.guests.get(booked.guest.id)?.gone !== undefined;
      const from = owedFrom(context.schedule.index.drives, drive);
      const what = `${cars}, ${lapsText(booked.drive.laps)}`;
      return [{ id: drive, guest: booked.guest, gone, what, reason, owedFrom: from }];
    });
  });
  /** "2 left out, 3 owed, 1 broken": what waits to be solved, in few words. */
  protected readonly toSolve = computed(() => {
    const coming = this.leftOut().filter(({ gone }) => !gone);
    const owed = coming.filter((item) => item.owedFrom !== undefined).length;
    const counts = [
      [coming.length - owed, 'left out'],
      [owed, 'owed'],
      [this.edits.broken().length, 'broken'],
    ] as const;
    const causes = this.edits.lines().length;
    const late = causes > 0 ? [`${causes} ${causes > 1 ? 'causes' : 'cause'} of delay`] : [];
    return [...late, ...counts.flatMap(([count, words]) => (count > 0 ? [`${count} ${words}`] : []))].join(', ');
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

  /** Where drives would stand: those being moved, else those of the proposal. */
  protected readonly ghosts = computed((): readonly Ghost[] => {
    const [context, trial, state] = [this.data.context(), this.edits.trial(), untracked(this.data.state)];
    if (!context || !state) return [];
    if (trial) {
      const tone = trial.judgement.broken.length > 0 ? 'refused' : 'trial';
      const group = trial.plan.groups?.find((planned) => planned.group === trial.group);
      if (group) return [groupGhostOf(context, state, group, tone) ?? []].flat();
      return trial.plan.drives
        .filter(({ drive }) => trial.drives.has(drive))
        .flatMap((planned) => ghostOf(context, planned, this.mode(), tone) ?? []);
    }
    const proposed = [
      ...this.proposed().map(({ after }) => after && ghostOf(context, after, this.mode(), 'proposal')),
      ...this.proposedGroups().map(({ now }) => now && groupGhostOf(context, state, now, 'proposal')),
    ];
    if (proposed.length === 0) return expectedGhosts(context, this.data.drift(), this.mode());
    return proposed.flatMap((ghost) => ghost ?? []);
  });
  private readonly offered = computed(() => {
    const job = this.planning.job();
    return job?.state === 'ready' && this.panel() === 'proposal' ? (job.found ?? undefined) : undefined;
  });
  private readonly proposed = computed(() => this.offered()?.changes ?? []);
  private readonly proposedGroups = computed(() => {
    const [offered, plan] = [this.offered(), this.data.plan()];
    return offered && plan ? groupChanges(plan, offered.plan) : [];
  });
  private readonly pinned = computed(() => {
    const drives = this.data.day()?.guests.flatMap((guest) => guest.drives) ?? [];
    return new Set(drives.flatMap(({ id, pin }) => (pin ? [id] : [])));
  });
  /** The sentence of a broken rule, by the drives that it names. */
  private readonly brokenDrives = computed(() => {
    const { violation: words } = this.tell();
    const { driftCause } = this.tell();
    const stuck = this.edits
      .lines()
      .flatMap(({ cause, stuck: those }) =>
        those.flatMap(({ occupancy }) =>
          occupancy.kind === 'drive' ? [[occupancy.planned.drive, driftCause(cause)] as const] : [],
        ),
      );
    const broken = [...this.edits.broken(), ...this.edits.lines().flatMap((line) => line.broken)];
    return new Map([
      ...stuck,
      ...broken.flatMap((violation) => drivesConcerned(violation).map((drive) => [drive, words(violation)] as const)),
    ]);
  });
  protected readonly marks = computed((): Marks => {
    const trial = this.edits.trial();
    return {
      selected: this.edits.selection(),
      leaving: trial ? trial.drives : new Set(this.proposed().map(({ drive }) => drive)),
      pinned: this.pinned(),
      broken: this.brokenDrives(),
    };
  });
  /** What to say of the place at which drives are being tried. */
  protected readonly verdict = computed(() => {
    const [context, trial] = [this.data.context(), this.edits.trial()];
    if (!context || !trial) return undefined;
    const { judgement } = trial;
    const [only] = trial.drives;
    const planned = trial.plan.drives.find(({ drive }) => drive === only);
    const { instructors } = context.schedule.index;
    const group = trial.plan.groups?.find((one) => one.group === trial.group);
    const where = group
      ? `${context.schedule.index.groups.get(group.group)?.name ?? group.group}, out at ${clockMinute(group.release)}`
      : trial.drives.size > 1 || !planned
        ? `${trial.drives.size} drives`
        : `${clockMinute(planned.release)}, ${carLabel(this.data.view(), planned.car)}, with ${instructors.get(planned.instructor)?.name}`;
    const broken = judgement.broken[0];
    const more = judgement.broken.length - 1;
    return {
      where,
      broken: broken && `${this.tell().violation(broken)}${more > 0 ? `, and ${more} more` : ''}.`,
      costs: `weighs ${signed(judgement.costs)} min of waiting`,
    };
  });
  protected readonly none: ReadonlySet<string> = new Set();
  protected readonly beginCarry = (drive: string): boolean => this.edits.begin(drive);
  protected readonly beginCarryGroup = (group: string): boolean => this.edits.beginGroup(group);

  constructor() {
    onKeys({
      '+': () => this.setZoom(this.zoom() === 'day' ? '3h' : '1h'),
      '-': () => this.setZoom(this.zoom() === '1h' ? '3h' : 'day'),
      ',': () => this.chart()?.pan(-0.25),
      '.': () => this.chart()?.pan(0.25),
      p: () => this.planAgain(),
      h: () => this.happenedOpen.set(true),
      x: () => this.edits.swap(),
      'Ctrl Z': () => this.edits.undo(),
      'Ctrl Shift Z': () => this.edits.redo(),
      Escape: () => this.escape(),
    } satisfies ActsOf<typeof BOARD_KEYS>);
    onRequest({
      plan: () => this.planAgain(),
      happened: (what) => {
        this.happening.set(what as Happening | undefined);
        this.happenedOpen.set(true);
      },
    });
    // A search that begins or ends anywhere shows here, and what is broken is looked at with every plan and minute.
    effect(() => {
      const job = this.planning.job();
      untracked(() => {
        if (job) this.panel.set('proposal');
        else if (this.panel() === 'proposal') this.panel.set(undefined);
      });
    });
    const minute = computed(() => Math.floor((this.data.state()?.timeS ?? 0) / 60));
    const carrying = computed(() => this.edits.trial() !== undefined);
    effect(() => {
      this.data.context();
      this.data.entries();
      minute();
      carrying();
      untracked(() => void this.edits.lookAgain());
    });
  }

  protected setZoom(zoom: Zoom): void {
    this.zoom.set(zoom);
    this.chart()?.show(SPANS[zoom], this.data.shownS());
  }

  protected planAgain(): void {
    this.planning.start('improve', this.data.plan() ? 'Planned again' : 'First plan of the day');
  }

  protected openDrive(drive: string): void {
    this.chosen.set(drive);
    this.panel.set('drive');
  }

  protected close(): void {
    this.panel.set(undefined);
    this.chosen.set(undefined);
  }

  protected carry(carry: Carry): void {
    switch (carry.phase) {
      case 'move':
        return this.edits.shift(
          carry.byS,
          carry.row === undefined || this.mode() === 'guests'
            ? {}
            : this.mode() === 'cars'
              ? { car: carry.row }
              : { instructor: carry.row },
        );
      case 'drop':
        return void this.edits.drop(carry.despiteRules);
      case 'cancel':
        return this.edits.cancel();
    }
  }

  private escape(): void {
    if (this.edits.trial()) this.edits.cancel();
    else if (this.panel()) this.close();
    else this.edits.selection.set(new Set());
  }
}
