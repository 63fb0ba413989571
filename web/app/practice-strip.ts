import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { CREW_STATION_WORDS } from '@words';
import { DayService } from '../shared/data/day.service';
import { PracticeService, type TakenPost } from '../shared/data/practice.service';

/** On a practice day: what people have taken over from the simulated crew, to be given back by a tap. */
@Component({
  selector: 'jl-practice-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (posts().length > 0) {
      <section aria-label="Taken over from the simulated crew">
        @for (it of posts(); track it.key) {
          <p role="status">
            <span
              ><b>{{ it.who }}</b> {{ it.more }}</span
            >
            <button type="button" (click)="practice.giveBack(it.post)" [attr.aria-label]="it.label">Give back</button>
          </p>
        }
      </section>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 2rem;
      padding: 0.25rem 1rem;
      background: var(--p-jl-lilac-soft);
      border-bottom: 2px solid var(--p-jl-lilac);
      font-size: 14px;
    }
    p {
      display: flex;
      flex: 1 1 20rem;
      align-items: center;
      justify-content: space-between;
      gap: 0.8rem;
      margin: 0;
    }
    button {
      min-height: 36px;
      padding: 0.1rem 0.9rem;
      border: 1px solid currentColor;
      border-radius: 6px;
      background: none;
      color: inherit;
      font-weight: 650;
      white-space: nowrap;
      cursor: pointer;
    }
    @media (max-width: 900px) {
      button {
        min-height: 44px;
      }
    }
  `,
})
export class PracticeStrip {
  protected readonly practice = inject(PracticeService);
  private readonly data = inject(DayService);
  protected readonly posts = computed(() =>
    this.practice.taken().map((it) => {
      const role = this.roleOf(it);
      // Who speaks as an instructor signs as that instructor.
      const by = it.here ? 'You are' : it.by === role ? 'Somebody is' : `${it.by} is`;
      const more = it.here ? 'The others go on; after three minutes without a tap it is given back.' : '';
      return { ...it, who: `${by} ${role} now.`, more, key: JSON.stringify(it.post), label: `Give back: ${role}` };
    }),
  );

  private roleOf({ post: { station, instructor } }: TakenPost): string {
    const name = this.data.day()?.instructors.find(({ id }) => id === instructor)?.name;
    return name ?? CREW_STATION_WORDS[station].role;
  }
}
