import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { ordersToCome, spacingOf, trainNow, type FollowProgramme, type NextChange } from '@core/programmes';
import type { MemberOutReason } from '@core/journal';
import {
  changeCalls,
  CORNER_STEP_WORDS,
  MEMBER_OUT_WORDS,
  radioLostWords,
  SPACING_WORDS,
  TRAIN_PHASE_WORDS,
  type TrainNames,
} from '@core/words';
import { DayService } from '../data/day.service';
import { DiscStrip } from './disc-strip';
import { ORDINARY_SPEEDS } from './group-facts';
import type { LedGroup } from './lead';

const OUT: readonly MemberOutReason[] = ['dropsBack', 'pauses', 'carFault', 'leaves'];

/** The leader of a train: which lap, who is where, what is said next, and what to do when somebody falls out. */
@Component({
  selector: 'jl-train-lead',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DiscStrip],
  templateUrl: './train-lead.html',
  styleUrl: './led-part.scss',
})
export class TrainLead {
  private readonly data = inject(DayService);
  readonly led = input.required<LedGroup>();
  protected readonly outReasons = OUT.map((why) => ({ why, label: MEMBER_OUT_WORDS[why] }));
  /** The guest about whom something is to be entered. */
  protected readonly about = signal<string | undefined>(undefined);

  private readonly programme = computed(() => this.led().state.group.programme as FollowProgramme);
  private readonly known = computed(() => {
    const { state } = this.led();
    return { start: state.start, order: state.order, done: state.laps.map(({ order }) => order) };
  });
  private readonly names = computed<TrainNames>(() => {
    const members = new Map(this.led().facts.members.map((member) => [member.id, member]));
    return {
      guest: (id) => members.get(id)?.first ?? id,
      colour: (id) => members.get(id)?.colourName,
    };
  });

  protected readonly now = computed(() => {
    const programme = this.programme();
    const now = trainNow(programme, this.known());
    const calls = now.next ? changeCalls(now.next, programme, this.names()) : [];
    const phase = now.phase === 'coolDown' ? 'coolDown' : now.phase === 'laps' && now.lap > 2 ? 'practised' : 'start';
    const spacing = spacingOf(programme, phase, now.order.length + 1, ORDINARY_SPEEDS);
    const asks = (programme.asks ?? []).filter(({ fromLap }) => now.phase === 'laps' && now.lap >= fromLap);
    const { lapsDue, orders } = this.strip();
    return {
      ...now,
      title: `${TRAIN_PHASE_WORDS[now.phase]}${now.laps > 0 ? `, lap ${now.lap} of ${now.laps}` : ''}`,
      changeNow: now.next?.inLaps === 0,
      calls,
      nextWords: now.next ? nextWords(now.next) : 'No change is left.',
      spacing: `${spacing.lengths.join(' to ')} lengths (${spacing.metres.map(Math.round).join(' to ')} m) ${SPACING_WORDS[phase]}; the train is ${Math.round(spacing.trainM)} m long`,
      asks: asks.map(({ corner, step }) => `${corner}: ${CORNER_STEP_WORDS[step]}`),
      ...{ lapsDue, orders },
    };
  });

  protected readonly strip = computed(() => {
    const known = this.known();
    const { warmUpLaps, laps } = this.programme();
    const orders = [...known.done, ...ordersToCome(this.programme(), known)];
    const label = (lap: number) =>
      lap < warmUpLaps ? 'w' : lap < warmUpLaps + laps ? String(lap - warmUpLaps + 1) : 'c';
    return {
      orders,
      lapsDue: orders.length,
      labels: orders.map((_, lap) => label(lap)),
      here: known.done.length,
      discs: this.led().facts.members.map(({ id, name, first, colour }) => ({
        ...{ id, name, colour },
        initial: first.charAt(0),
      })),
    };
  });

  protected readonly people = computed(() => {
    const { state, facts } = this.led();
    return facts.members
      .filter(({ id }) => this.known().start.includes(id))
      .map((member) => {
        const now = state.members.get(member.id);
        const place = state.order.indexOf(member.id);
        const radio = now?.radio?.works === false ? ', radio lost' : '';
        return {
          ...member,
          out: now?.out,
          lost: now?.radio?.works === false,
          words: (now?.out ? MEMBER_OUT_WORDS[now.out.why] : place === 0 ? 'first' : `place ${place + 1}`) + radio,
        };
      })
      .sort((a, b) => state.order.indexOf(a.id) - state.order.indexOf(b.id));
  });
  protected readonly lost = computed(() => {
    const one = this.people().find(({ lost, out }) => lost && !out);
    return one && { ...one, calls: radioLostWords(one.first, this.programme().change.side ?? 'right') };
  });

  private get group(): string {
    return this.led().facts.id;
  }

  /** The lap is done; where a change is due it has been made. */
  protected lap(changed: boolean): void {
    const { next } = this.now();
    if (!this.data.record({ kind: 'groupLapCounted', group: this.group })) return;
    if (changed && next) this.data.record({ kind: 'groupOrdered', group: this.group, order: [...next.order] });
    navigator.vibrate?.(40);
  }

  protected undoLap(): void {
    const entries = this.data.entries().map(({ entry }) => entry);
    const taken = new Set(entries.flatMap((entry) => (entry.kind === 'correction' ? [entry.corrects] : [])));
    const own = entries.filter((entry) => 'group' in entry && entry.group === this.group && !taken.has(entry.id));
    const last = own.at(-1);
    const lap = own.findLast(({ kind }) => kind === 'groupLapCounted');
    if (last?.kind === 'groupOrdered') this.data.undo(last.id);
    if (lap) this.data.undo(lap.id);
  }

  protected out(guest: string, why: MemberOutReason): void {
    this.data.record({ kind: 'memberOut', group: this.group, guest, why });
    this.about.set(undefined);
  }

  protected back(guest: string): void {
    this.data.record({ kind: 'memberBack', group: this.group, guest });
    this.about.set(undefined);
  }

  protected radio(guest: string, works: boolean): void {
    this.data.record(
      works
        ? { kind: 'radioTested', group: this.group, guest, answered: true }
        : { kind: 'radioLost', group: this.group, guest },
    );
    this.about.set(undefined);
  }

  protected end(): void {
    this.data.record({ kind: 'groupEnded', group: this.group });
  }
}

function nextWords({ inLaps, restores }: NextChange): string {
  const when = inLaps === 0 ? 'At the end of this lap' : inLaps === 1 ? 'In one more lap' : `In ${inLaps} more laps`;
  return `${when}${restores ? ', so that the first order is back' : ''}`;
}
