import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  orderTable,
  ordersByLap,
  roundsOf,
  spacingOf,
  SPACING_PHASES,
  teamsOf,
  trainNow,
  type FollowProgramme,
} from '@core/programmes';
import { changeCalls, CORNER_STEP_WORDS, radioLostWords, SPACING_WORDS } from '@core/words';
import { Button } from 'primeng/button';
import { DayWords } from '../data/day-words';
import { DayService } from '../data/day.service';
import { DiscStrip } from './disc-strip';
import { groupFacts, KIND_WORDS, ORDINARY_SPEEDS, type GroupFacts } from './group-facts';

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
      steps:
        programme.kind === 'throttle'
          ? programme.steps.map(({ percent, laps, lapS }) => `${percent} %: ${laps} laps of ${lapS} s`)
          : [],
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

function trainSheet(programme: FollowProgramme, { members }: GroupFacts) {
  const start = members.map(({ id }) => id);
  const table = orderTable(start.length, programme.laps, programme.change.after);
  const orders = ordersByLap(table).map((order) => order.map((place) => start[place]!));
  const byId = new Map(members.map((member) => [member.id, member]));
  const names = {
    guest: (id: string) => byId.get(id)?.first ?? id,
    colour: (id: string) => byId.get(id)?.colourName,
  };
  const side = programme.change.side ?? 'right';
  // Every change is called as the first one is, with other names.
  const warmedUp = Array.from({ length: programme.warmUpLaps }, () => start);
  const { next } = trainNow(programme, { start, order: start, done: warmedUp });
  return {
    orders,
    labels: orders.map((_, lap) => String(lap + 1)),
    discs: members.map(({ id, name, first, colour }) => ({ id, name, colour, initial: first.charAt(0) })),
    calls: next ? changeCalls(next, programme, names).map(({ words }) => words) : [],
    lost: radioLostWords('Whoever', side).map(({ words }) => words),
    spacing: SPACING_PHASES.map((phase) => {
      const { lengths, metres } = spacingOf(programme, phase, start.length + 1, ORDINARY_SPEEDS);
      return `${lengths.join(' to ')} lengths ${SPACING_WORDS[phase]} (${metres.map(Math.round).join(' to ')} m)`;
    }),
    asks: (programme.asks ?? []).map(
      ({ corner, fromLap, step }) => `${corner}: ${CORNER_STEP_WORDS[step]} from lap ${fromLap}`,
    ),
  };
}
