import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { contract, type StoredGroup } from '@core/api';
import type { VenueFields } from '@core/venue/settings';
import { CIRCUIT, type GroupFields, ordersByLap, orderTable, type ProgrammeKind, programmeOf } from '@core/programmes';
import { clockMinute } from '@core/values';
import { Button } from 'primeng/button';
import { Api } from '../../../shared/data/api';
import { changeVenue } from '../../../shared/data/change-venue';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { known } from '../../../shared/data/reading';
import { PlanService } from '../../../shared/data/plan.service';
import type { Field } from '../../../shared/forms/fields';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { DiscStrip } from './disc-strip';
import { groupFacts, KIND_WORDS } from './group-facts';
import { Surfaces } from './surfaces';
import { discsOf } from './train-words';
import { groupFormFields, groupSchema, groupTyped, newGroup } from './group-form';

const STAGE_WORDS = { planned: '', gathered: 'in the cars', out: 'out now', over: 'over' } as const;

/** Groups that go out together: who, where, when and why so long, and what would come out even. */
@Component({
  selector: 'jl-groups',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DiscStrip, RecordEditor, RouterLink, Surfaces],
  templateUrl: './groups.html',
  styleUrl: './groups.scss',
})
export class Groups {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly tell = inject(DayWords).tell;
  protected readonly data = inject(DayService);
  protected readonly planning = inject(PlanService);
  protected readonly edited = signal<Edited | undefined>(undefined);
  private readonly kind = signal<ProgrammeKind>('follow');
  /** With what groups of a kind begin here. */
  private readonly venue = rxResource({ stream: () => this.api.call(contract.readVenue) });
  protected readonly kinds = (Object.keys(KIND_WORDS) as ProgrammeKind[]).map((kind) => ({
    kind,
    label: KIND_WORDS[kind],
  }));

  protected readonly fields = computed<readonly Field[]>(() => {
    const view = this.data.view();
    return groupFormFields(this.kind(), {
      guests: (view?.day.guests ?? []).map(({ id, name, arrives }) => ({
        value: id,
        label: `${name}, ${clockMinute(arrives)}`,
      })),
      cars: (view?.day.cars ?? []).map(({ id }) => ({ value: id, label: carLabel(view, id) })),
      surfaces: [
        { value: CIRCUIT, label: view?.day.circuit.name ?? 'Circuit' },
        ...(view?.day.surfaces ?? []).map(({ id, name }) => ({ value: id, label: name })),
      ],
    });
  });

  protected readonly cards = computed(() => {
    const [view, context, state] = [this.data.view(), this.data.context(), this.data.state()];
    if (!view || !context || !state) return [];
    const reasons = new Map(context.schedule.plan.unplannedGroups?.map(({ group, reason }) => [group, reason]));
    return (view.groups ?? [])
      .flatMap((stored) => {
        const group = context.schedule.index.groups.get(stored.id);
        if (!group) return [];
        const facts = groupFacts(context, view, group);
        const reason = reasons.get(group.id);
        const programme = programmeOf('train', group.programme);
        const table =
          programme && group.members.length > 1 && group.members.length <= 6
            ? orderTable(group.members.length, programme.laps, programme.change.after)
            : undefined;
        const orders = table ? ordersByLap(table).map((order) => order.map((place) => group.members[place]!)) : [];
        return [
          {
            stored,
            facts,
            kindWords: KIND_WORDS[facts.kind],
            stage: STAGE_WORDS[state.groups.get(group.id)?.stage ?? 'planned'],
            why: reason && this.tell().leftOut(reason),
            orders,
            labels: orders.map((_, lap) => String(lap + 1)),
            discs: discsOf(facts.members),
            led: table ? table.first.map((laps, place) => `${facts.members[place]!.first} ${laps}`).join(', ') : '',
            startS: facts.planned?.startS ?? Infinity,
          },
        ];
      })
      .sort((a, b) => a.startS - b.startS);
  });

  /** New groups of the kind begin as this one is. */
  private keepAsPreset({ fields: { programme, roles, setUpS, wrapUpS, needsBriefing } }: StoredGroup): void {
    // People are of one day.
    const own = {
      ...{ programme, setUpS, wrapUpS, needsBriefing },
      roles: roles.map(({ role, count }) => ({ role, count })),
    };
    const withOwn = (fields: VenueFields) => ({
      ...fields,
      programmes: [...fields.programmes.filter((one) => one.programme.kind !== programme.kind), own],
    });
    changeVenue(this.api, withOwn).subscribe({
      next: () => {
        this.venue.reload();
        this.data.say(`New groups begin like this one now: ${KIND_WORDS[programme.kind].toLowerCase()}.`);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected add(kind: ProgrammeKind): void {
    const date = this.data.date()!;
    const presets = known(this.venue)?.fields.programmes;
    const surfaces = this.data.view()?.day.surfaces ?? [];
    const wanted = kind === 'throttle' ? 'oval' : kind === 'lowGrip' ? 'pan' : undefined;
    const surface = surfaces.find((one) => one.kind === wanted)?.id ?? CIRCUIT;
    this.kind.set(kind);
    this.edited.set(
      editing(groupSchema(), {
        title: `New group: ${KIND_WORDS[kind].toLowerCase()}`,
        fields: newGroup(kind, KIND_WORDS[kind], surface, presets),
        version: undefined,
        save: (fields: GroupFields) => this.api.call(contract.addGroup, { params: { date }, body: fields }),
      }),
    );
  }

  protected open(stored: StoredGroup): void {
    const { id, version, fields } = stored;
    const date = this.data.date()!;
    this.kind.set(fields.programme.kind);
    this.edited.set(
      editing(groupSchema(fields), {
        title: fields.name,
        fields: groupTyped(fields),
        version,
        save: (changed: GroupFields, at) =>
          this.api.call(contract.changeGroup, { params: { date, id }, body: { version: at!, fields: changed } }),
        ways: [{ label: 'Begin new ones like this', go: () => this.keepAsPreset(stored) }],
        remove: {
          label: 'Take off the day',
          run: () => this.api.call(contract.removeGroup, { params: { date, id }, body: { version } }),
        },
      }),
    );
  }

  protected saved(what: 'saved' | 'removed'): void {
    this.data.reload();
    this.data.say(
      what === 'saved' ? 'The group is saved; plan again to give it its place.' : 'The group is off the day.',
    );
  }

  protected plan(): void {
    this.planning.start('improve', 'Groups changed');
    void this.router.navigate(['/board']);
  }
}
