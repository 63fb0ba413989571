import { programmeOf } from '@core/programmes';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { spacingSaid, type MemberOutReason, type SpacingSaid } from '@core/journal';
import { MEMBER_OUT_WORDS, SPACING_SAID_WORDS } from '@words';
import { radioLostWords } from '@words/en/train';
import { DayService } from '../../../shared/data/day.service';
import { DiscStrip } from '../../rooms/groups/disc-strip';
import type { LedGroup } from './led-group';
import { discsOf, trainTold } from '../../rooms/groups/train-words';

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
  protected readonly spacingSaid = spacingSaid.options.map((say) => ({ say, label: SPACING_SAID_WORDS[say] }));
  /** The guest about whom something is to be entered. */
  protected readonly about = signal<string | undefined>(undefined);

  protected readonly now = computed(() => trainTold(this.led().facts, this.led().state));
  protected readonly here = computed(() => this.led().state.laps.length);
  protected readonly discs = computed(() => discsOf(this.led().facts.members));

  protected readonly people = computed(() => {
    const { state, facts } = this.led();
    return facts.members
      .filter(({ id }) => state.start.includes(id))
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
    return one && { ...one, calls: radioLostWords(one.first, sideOf(this.led())) };
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

  protected spacing(guest: string, say: SpacingSaid): void {
    this.data.record({ kind: 'spacingCalled', group: this.group, guest, say });
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

function sideOf({ state: { group } }: LedGroup): 'left' | 'right' {
  return programmeOf('train', group.programme)?.change.side ?? 'right';
}
