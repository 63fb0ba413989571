import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { clockMinute } from '@core/values';
import { DayService } from '../../../shared/data/day.service';
import { keepScreenOn } from '../../../shared/data/wake-lock';
import { LastDeed } from '../../../shared/frame/last-deed';
import { groupFacts, KIND_WORDS } from '../../rooms/groups/group-facts';
import { GatherGroup } from './gather-group';
import { OvalSpot } from './oval-spot';
import { SpeakAfterwards } from './speak-afterwards';
import { Stations } from './stations';
import { TrainLead } from './train-lead';
import { type LedGroup } from './led-group';
const STAGE_WORDS = { planned: '', gathered: 'in the cars', out: 'out now', over: 'over' } as const;

/** For whoever leads a group or watches over it, standing or in the passenger's hand: who moves where now, and what is said. */
@Component({
  selector: 'jl-lead',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GatherGroup, LastDeed, OvalSpot, SpeakAfterwards, Stations, TrainLead],
  templateUrl: './lead.html',
  styleUrl: './lead.scss',
})
export class Lead {
  protected readonly data = inject(DayService);
  /** Id of the group; bound from the address. */
  readonly group = input<string>();
  private readonly chosen = signal<string | undefined>(undefined);

  protected readonly all = computed(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    return [...context.schedule.index.groups.values()]
      .map((group) => {
        const now = state.groups.get(group.id)!;
        const facts = groupFacts(context, view, group, (guest) => now.members.get(guest)?.car);
        const at = facts.planned ? clockMinute(facts.planned.startS) : 'no time yet';
        return {
          facts,
          state: now,
          line: `${at}, ${KIND_WORDS[facts.kind].toLowerCase()}`,
          stage: STAGE_WORDS[now.stage],
        };
      })
      .sort((a, b) => (a.facts.planned?.startS ?? Infinity) - (b.facts.planned?.startS ?? Infinity));
  });
  protected readonly led = computed<LedGroup | undefined>(() => {
    const id = this.chosen() ?? this.group();
    return this.all().find(({ facts }) => facts.id === id);
  });

  constructor() {
    keepScreenOn();
  }

  protected choose(id: string | undefined): void {
    this.chosen.set(id ?? '');
  }
}
