import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { isCleared } from '@core/journal';
import { RouterLink } from '@angular/router';
import { DayService } from '../../../shared/data/day.service';
import type { LedGroup } from './led-group';

/** Before a group goes out: who is there, who sits where, whose radio has answered. */
@Component({
  selector: 'jl-gather-group',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <p class="big">{{ gathered() ? 'Radio test, then out' : 'Gather everybody' }}</p>
    <p class="muted">{{ led().facts.when }}</p>
    <div class="rows">
      @for (one of people(); track one.id) {
        <div class="person">
          <span>
            <i class="disc" [style.background]="one.colour ?? 'var(--p-jl-panel)'"></i><b>{{ one.name }}</b>
            <span class="muted"> {{ one.carLabel }}</span>
            <br />
            <span [class.warn]="one.warn">{{ one.words }}</span>
          </span>
          <span class="few">
            @if (gathered() && one.inIt) {
              <button
                type="button"
                [attr.aria-label]="'Radio of ' + one.name + ' answered'"
                (click)="radio(one.id, true)"
              >
                {{ led().facts.kind === 'follow' ? 'Flash seen' : 'Answers' }}
              </button>
              <button
                type="button"
                [attr.aria-label]="'Radio of ' + one.name + ': no answer'"
                (click)="radio(one.id, false)"
              >
                No answer
              </button>
            } @else if (one.card) {
              <a [routerLink]="['/guests', one.id]">Card</a>
            }
          </span>
        </div>
      }
    </div>
    @if (gathered()) {
      @if (silent().length > 0) {
        <p class="warn">
          No answer yet from {{ silent().join(', ') }}. Test again, change the set, or leave that guest here: the others
          go.
        </p>
      }
      <button type="button" class="main" (click)="letOut()">Let out</button>
      <button type="button" class="small" (click)="undo()">Not yet: everybody out of the cars</button>
    } @else {
      @if (missing().length > 0 && ready().length > 0) {
        <p class="warn">
          {{ missing().join(', ') }} {{ missing().length === 1 ? 'is' : 'are' }} not ready: the others can go.
        </p>
      }
      <button type="button" class="main" [disabled]="ready().length === 0" (click)="begin()">
        {{ ready().length }} of {{ people().length }} sit in the cars
      </button>
      @if (!led().facts.planned) {
        <p class="warn">This group has no place in the plan: plan the day again first.</p>
      }
    }
  `,
  styleUrl: './led-part.scss',
})
export class GatherGroup {
  private readonly data = inject(DayService);
  readonly led = input.required<LedGroup>();
  protected readonly gathered = computed(() => this.led().state.stage === 'gathered');

  protected readonly people = computed(() => {
    const state = this.data.state();
    const { facts, state: group } = this.led();
    return facts.members.map((member) => {
      const guest = state?.guests.get(member.id);
      const now = group.members.get(member.id);
      const heard = guest?.briefed || !group.group.needsBriefing;
      const why = !guest?.arrivedS
        ? 'not here yet'
        : guest.gone
          ? 'has gone'
          : !isCleared(guest)
            ? 'not through the gate'
            : !heard
              ? 'has not been in the class'
              : undefined;
      const radio = now?.radio ? (now.radio.works ? 'radio answered' : 'radio did not answer') : 'radio not tested';
      const inIt = this.gathered() && guest?.heldBy === 'group';
      return {
        ...member,
        inIt,
        ready: why === undefined,
        card: why !== undefined,
        words: this.gathered() ? (inIt ? radio : 'stays here') : (why ?? 'ready'),
        warn: this.gathered() ? now?.radio?.works === false : why !== undefined,
        answered: now?.radio?.works === true,
      };
    });
  });
  protected readonly ready = computed(() => this.people().filter(({ ready }) => ready));
  protected readonly missing = computed(() => this.people().flatMap(({ ready, first }) => (ready ? [] : [first])));
  protected readonly silent = computed(() =>
    this.people().flatMap(({ inIt, answered, first }) => (inIt && !answered ? [first] : [])),
  );

  protected begin(): void {
    const { facts } = this.led();
    const { planned } = facts;
    if (!planned) return this.data.refuse('This group has no place in the plan: plan the day again first.');
    const going = this.ready();
    const inTrain = facts.kind === 'follow';
    const cars = inTrain ? going.map(({ car }) => car!) : planned.planned.cars;
    const { leadCar, crew } = planned.planned;
    this.data.record({
      ...{ kind: 'groupBegan', group: facts.id, guests: going.map(({ id }) => id), cars: [...cars], crew: [...crew] },
      ...(leadCar !== undefined && { leadCar }),
    });
  }

  protected radio(guest: string, answered: boolean): void {
    this.data.record({ kind: 'radioTested', group: this.led().facts.id, guest, answered });
  }

  protected letOut(): void {
    this.data.record({ kind: 'groupReleased', group: this.led().facts.id });
  }

  protected undo(): void {
    const began = this.data
      .entries()
      .findLast(({ entry }) => entry.kind === 'groupBegan' && entry.group === this.led().facts.id);
    if (began) this.data.undo(began.entry.id);
  }
}
