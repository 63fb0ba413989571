import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { spokenDuration } from '@core/values';
import { keyOf, slackOf } from '@core/live/drift';
import type { GroupState } from '@core/journal';
import { exitLimits, releaseAdvice, trainsAt, waitingTrain } from '@core/live/traffic';
import { Button } from 'primeng/button';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { groupFacts, type GroupFacts } from '../../rooms/groups/group-facts';
import { discsOf, trainTold } from '../../rooms/groups/train-words';
import { readableOn } from '../../../shared/drawing/ink';
import { Traffic } from './traffic';

/** Trains as the pit exit sees them: those that wait, with when to let them out, or those that are out, with what comes next. */
@Component({
  selector: 'jl-exit-trains',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, NgTemplateOutlet, RouterLink],
  templateUrl: './trains.html',
  styleUrl: './trains.scss',
})
export class ExitTrains {
  private readonly data = inject(DayService);
  private readonly traffic = inject(Traffic);
  private readonly tell = inject(DayWords).tell;
  readonly stage = input.required<'gathered' | 'out'>();
  /** Single cars that wait at the exit too. */
  readonly queue = input(0);

  private readonly trains = computed(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    if (!context || !state || !view) return [];
    return trainsAt(state, this.stage()).map((one) => {
      const { train } = one;
      const facts = groupFacts(context, view, train.group, (guest) => train.members.get(guest)?.car);
      const discs = new Map(discsOf(facts.members).map((disc) => [disc.id, disc]));
      const inLine = train.order.flatMap((id) => {
        const disc = discs.get(id);
        const number = view.carNumbers[train.members.get(id)?.car ?? ''];
        const fill = disc?.colour;
        return disc ? [{ id, text: number ?? disc.initial, fill, ink: fill && readableOn(fill), name: disc.name }] : [];
      });
      const first = train.leadCar === undefined ? undefined : view.carNumbers[train.leadCar];
      const line = { inLine, first, names: inLine.map(({ name }) => name).join(', ') };
      return { one, facts, shown: { id: train.group.id, name: facts.name, line } };
    });
  });

  protected readonly waiting = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state || this.stage() === 'out' || this.trains().length === 0) return [];
    const drift = this.data.drift();
    const limits = exitLimits(context, state, this.queue() + 1);
    return this.trains().map(({ one, facts, shown }) => {
      const slackS = drift ? slackOf(context, drift, keyOf.group(shown.id)) : 0;
      const train = waitingTrain(context, one, state.timeS, slackS);
      const { go, why } = releaseAdvice(train, this.traffic.runners(), limits, this.traffic.shape());
      const note = noteOf(facts, state.timeS);
      return { ...shown, go, why: this.tell().advice(why), note, untested: untestedIn(one.train, facts) };
    });
  });

  protected readonly out = computed(() =>
    this.stage() === 'out'
      ? this.trains().map(({ one: { train }, facts, shown }) => {
          const { title, nextWords, calls, differ } = trainTold(facts, train);
          const [first] = calls;
          const next = first ? `${nextWords}: ${first.words}` : nextWords;
          return { ...shown, title, next, differ, stands: train.stopped?.reason };
        })
      : [],
  );

  protected letOut(group: string): void {
    this.data.record({ kind: 'groupReleased', group });
  }
}

function noteOf({ planned, crew }: GroupFacts, nowS: number): string {
  const leader = crew[0] ? `led by ${crew[0].who}, ` : '';
  if (!planned) return `${leader}not in the plan`;
  const inS = planned.releaseS - nowS;
  if (Math.abs(inS) < 30) return `${leader}due now`;
  return `${leader}${inS > 0 ? `planned out in ${spokenDuration(inS)}` : `${spokenDuration(-inS)} behind the plan`}`;
}

/** Who has not answered the radio, and is in the train. */
function untestedIn({ order, members }: GroupState, { members: people }: GroupFacts): string {
  return people
    .filter(({ id }) => order.includes(id) && !members.get(id)?.radio?.works)
    .map(({ first }) => first)
    .join(', ');
}
