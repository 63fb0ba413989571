import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import type { ThrottleProgramme } from '@core/programmes';
import { lapsText } from '@words';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import type { LedGroup } from './led-group';
import { OvalPlan } from '../../rooms/groups/oval-plan';

/** What has to be seen before the next step. */
const SEEN = [
  { key: 'line', label: 'Line held' },
  { key: 'smooth', label: 'Smooth' },
  { key: 'answers', label: 'Answers' },
] as const;
type Seen = (typeof SEEN)[number]['key'];
const NOTHING_SEEN: Readonly<Record<Seen, boolean>> = { line: false, smooth: false, answers: false };

/** The spotter at the oval: the call of the moment in the largest letters, what comes after it, laps at each step. */
@Component({
  selector: 'jl-oval-spot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OvalPlan],
  templateUrl: './oval-spot.html',
  styleUrls: ['./led-part.scss', './oval-spot.scss'],
})
export class OvalSpot {
  private readonly data = inject(DayService);
  readonly led = input.required<LedGroup>();
  protected readonly marks = SEEN;
  private readonly programme = computed(() => this.led().state.group.programme as ThrottleProgramme);

  /** Everybody who is on the oval, with the call for each. */
  protected readonly turns = computed(() => {
    const { state } = this.led();
    const { steps, hold } = this.programme();
    return [...state.turns].map(([id, turn]) => {
      const member = this.led().facts.members.find((one) => one.id === id)!;
      const step = steps[turn.step]!;
      const next = steps[turn.step + 1];
      const done = turn.lapsAtStep >= step.laps;
      return {
        ...{ id, member, turn, next, done },
        car: carLabel(this.data.view(), turn.car),
        call: `${step.percent} %`,
        laps: `${turn.lapsAtStep} of ${lapsText(step.laps)}`,
        hold: hold ? `Hold ${hold}.` : '',
        limiter:
          step.percent === 100 ? 'If the engine stutters that is the limiter: ease a little, hold the line.' : '',
        then: !done
          ? `then ${next ? `${next.percent} %, if line, hands and answers are good` : 'the flag'}`
          : next
            ? `Ready for ${next.percent} % once you have seen all three`
            : 'Flag: coast, cross to the apron, brakes, same lane back',
      };
    });
  });
  private readonly seen = linkedSignal<string, Map<string, Record<Seen, boolean>>>({
    // Whoever has come to another step is to be seen anew.
    source: () =>
      this.turns()
        .map(({ id, turn }) => `${id} ${turn.step}`)
        .join(),
    computation: () => new Map(),
  });

  protected readonly waiting = computed(() => {
    const { state, facts } = this.led();
    return facts.members
      .filter(({ id }) => state.members.get(id) && !state.turns.has(id))
      .map((member) => {
        const now = state.members.get(member.id)!;
        const laps = this.programme().steps.flatMap(({ percent }, step) => {
          const count = now.lapsAtStep.get(step);
          return count ? [`${percent} %: ${count}`] : [];
        });
        return {
          ...member,
          done: now.turnEnded !== undefined,
          out: now.out !== undefined,
          radio: now.radio?.works === true,
          words: now.turnEnded
            ? `done, ${laps.join(', ') || 'no lap'}${now.turnEnded.brakes ? '' : ', brakes not confirmed'}`
            : now.out
              ? 'not with us'
              : now.radio?.works
                ? 'radio answered'
                : now.radio
                  ? 'radio did not answer: change the set'
                  : 'radio not tested',
        };
      });
  });
  protected readonly freeCars = computed(() => {
    const { state } = this.led();
    const taken = new Set([...state.turns.values()].map(({ car }) => car));
    return state.cars.filter((car) => !taken.has(car)).map((id) => ({ id, label: carLabel(this.data.view(), id) }));
  });
  protected readonly room = computed(() => this.programme().carsOut - this.led().state.turns.size);
  protected readonly onOval = computed(() =>
    this.turns().map(({ member, call, turn }) => ({ name: member.first, call, lane: turn.lane })),
  );
  protected readonly lanes = computed(() => this.programme().lanes ?? []);
  protected readonly start = computed(() =>
    this.programme().pushed
      ? 'Push crew ready? Clutch down, second gear. Three, two, one, push, clutch up.'
      : 'Clear? Roll off along the apron.',
  );
  protected readonly stopped = computed(() => this.led().state.stopped);
  protected readonly blocker = computed(
    () => this.led().facts.crew.find(({ role }) => role === 'blocker')?.who ?? 'nobody named',
  );

  private get group(): string {
    return this.led().facts.id;
  }

  protected isSeen(guest: string, mark: Seen): boolean {
    return this.seen().get(guest)?.[mark] ?? false;
  }

  protected toggle(guest: string, mark: Seen): void {
    this.seen.update((seen) => {
      const own = seen.get(guest) ?? NOTHING_SEEN;
      return new Map(seen).set(guest, { ...own, [mark]: !own[mark] });
    });
  }

  protected allSeen(guest: string): boolean {
    return SEEN.every(({ key }) => this.isSeen(guest, key));
  }

  protected lap(guest: string): void {
    if (this.data.record({ kind: 'turnLapCounted', group: this.group, guest })) navigator.vibrate?.(40);
  }

  protected step(guest: string, step: number): void {
    const seen = this.seen().get(guest) ?? NOTHING_SEEN;
    this.data.record({ kind: 'stepSet', group: this.group, guest, step, ...seen });
  }

  protected finish(guest: string, brakes: boolean): void {
    this.data.record({ kind: 'turnEnded', group: this.group, guest, brakes });
  }

  protected radio(guest: string, answered: boolean): void {
    this.data.record({ kind: 'radioTested', group: this.group, guest, answered });
  }

  protected off(guest: string, lane?: string): void {
    const car = this.freeCars()[0];
    if (!car) return this.data.refuse('No car of the group is free.');
    this.data.record({ kind: 'turnBegan', group: this.group, guest, car: car.id, ...(lane && { lane }) });
  }

  protected stop(): void {
    this.data.record({ kind: 'groupStopped', group: this.group, reason: 'stopped by the spotter' });
  }

  protected goOn(): void {
    this.data.record({ kind: 'groupGoes', group: this.group });
  }

  protected end(): void {
    this.data.record({ kind: 'groupEnded', group: this.group });
  }
}
