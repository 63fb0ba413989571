import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  orderTable,
  ordersByLap,
  roundsOf,
  SPACING_PHASES,
  teamsOf,
  trainNow,
  type CornerAsk,
  type FollowProgramme,
} from '@core/programmes';
import { changeCalls, CORNER_STEP_WORDS, radioLostWords } from '@words';
import { Button } from 'primeng/button';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { DiscStrip } from './disc-strip';
import { stepText } from './group-form';
import { groupFacts, KIND_WORDS, type GroupFacts } from './group-facts';
import { discsOf, namesIn } from './train-words';

/** One sheet for whoever leads the group, on paper: people, cars, order lap by lap, what is said, what to do if. */
@Component({
  selector: 'jl-group-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DiscStrip],
  templateUrl: './group-sheet.html',
  styleUrl: './group-sheet.scss',
})
export class GroupSheet {
  private readonly data = inject(DayService);
  private readonly tell = inject(DayWords).tell;
  readonly id = input.required<string>();

  protected readonly sheet = computed(() => {
    const [context, view] = [this.data.context(), this.data.view()];
    const group = context?.schedule.index.groups.get(this.id());
    if (!context || !view || !group) return undefined;
    const facts = groupFacts(context, view, group);
    const { programme } = group;
    return {
      facts,
      kind: KIND_WORDS[facts.kind],
      date: this.tell().dateWithYear(view.day.date),
      train: programme.kind === 'follow' && facts.members.length > 1 ? trainSheet(programme, facts) : undefined,
      steps: programme.kind === 'throttle' ? programme.steps.map(stepText) : [],
      rotation:
        programme.kind === 'lowGrip'
          ? roundsOf(programme.teams, programme.stations).map((row) =>
              row.map((at) => (at === undefined ? 'pauses' : programme.stations[at]!.name)),
            )
          : [],
      teams:
        programme.kind === 'lowGrip'
          ? teamsOf(facts.members.length, programme.teams).map((team) =>
              team.map((number) => facts.members[number]!.first).join(', '),
            )
          : [],
      phrase: programme.kind === 'lowGrip' ? (programme.stopPhrase ?? 'Everybody stop') : '',
    };
  });

  protected print(): void {
    window.print();
  }
}

function trainSheet(programme: FollowProgramme, { members, train }: GroupFacts) {
  const start = members.map(({ id }) => id);
  const table = orderTable(start.length, programme.laps, programme.change.after);
  const orders = ordersByLap(table).map((order) => order.map((place) => start[place]!));
  // Every change is called as the first one is, with other names.
  const warmedUp = Array.from({ length: programme.warmUpLaps }, () => start);
  const { next } = trainNow(programme, { start, order: start, done: warmedUp });
  return {
    orders,
    labels: orders.map((_, lap) => String(lap + 1)),
    discs: discsOf(members),
    calls: next ? changeCalls(next, programme, namesIn(members)).map(({ words }) => words) : [],
    lost: radioLostWords(undefined, programme.change.side ?? 'right').map(({ words }) => words),
    spacing: train ? SPACING_PHASES.map((phase) => train.spacing[phase]) : [],
    asks: cornerLines(train?.asks ?? []),
  };
}

/** "Winch: coast from lap 1, full from lap 3": a line a corner. */
function cornerLines(asks: readonly CornerAsk[]): string[] {
  const lines = new Map<string, string[]>();
  for (const { corner, fromLap, step } of asks) {
    const line = lines.get(corner) ?? [];
    lines.set(corner, [...line, `${CORNER_STEP_WORDS[step]} from lap ${fromLap}`]);
  }
  return [...lines].map(([corner, steps]) => `${corner}: ${steps.join(', ')}`);
}
