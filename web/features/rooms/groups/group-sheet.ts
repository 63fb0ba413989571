import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  type CornerAsk,
  type FollowProgramme,
  type LowGripProgramme,
  ordersByLap,
  orderTable,
  programmeOf,
  roundsOf,
  SPACING_PHASES,
  teamsOf,
  trainNow,
} from '@core/programmes';
import { changeCalls, CORNER_STEP_WORDS, radioLostWords } from '@words/en/train';
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
    const [train, oval, stations] = [
      programmeOf('train', group.programme),
      programmeOf('oval', group.programme),
      programmeOf('stations', group.programme),
    ];
    return {
      facts,
      kind: KIND_WORDS[facts.kind],
      date: this.tell().dateWithYear(view.day.date),
      train: train && facts.members.length > 1 ? trainSheet(train, facts) : undefined,
      steps: oval?.steps.map(stepText) ?? [],
      ...(stations ? stationSheet(stations, facts) : { rotation: [], teams: [], phrase: '' }),
    };
  });

  protected print(): void {
    window.print();
  }
}

function stationSheet({ teams, stations, stopPhrase }: LowGripProgramme, { members }: GroupFacts) {
  return {
    rotation: roundsOf(teams, stations).map((row) =>
      row.map((at) => (at === undefined ? 'pauses' : stations[at]!.name)),
    ),
    teams: teamsOf(members.length, teams).map((team) => team.map((number) => members[number]!.first).join(', ')),
    phrase: stopPhrase ?? 'Everybody stop',
  };
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
