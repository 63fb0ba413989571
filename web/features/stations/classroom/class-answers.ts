import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { answersIn } from '@core/people/coaching';
import { DayService } from '../../../shared/data/day.service';

/** A class that is being held, or is over. */
export interface HeldClass {
  readonly instructor: string;
  readonly guests: readonly string[];
  readonly sinceS: number;
}

/** What a class answered to the questions of the show, and whose hands were up for what is wrong: a tap each. */
@Component({
  selector: 'jl-class-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of questions(); track one.question) {
      <div>
        <p [class.warn]="one.wrong.length > 0">{{ one.question }} {{ one.words }}</p>
        @for (answer of one.wrong; track answer.misread) {
          <p class="whose">
            <span
              >{{ answer.misread }}: {{ answer.hands === 1 ? 'whose hand?' : answer.hands + ' hands, whose?' }}</span
            >
            @for (guest of answer.guests; track guest.id) {
              <button
                type="button"
                [attr.aria-pressed]="guest.missed"
                (click)="tap(one.question, answer.misread, guest)"
              >
                {{ guest.name }}
              </button>
            }
          </p>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.4rem;
      padding: 0.45rem 0.8rem;
      border-bottom: 1px solid var(--p-jl-line);
      font-size: 13px;
    }
    :host:empty {
      display: none;
    }
    p {
      margin: 0;
    }
    .whose {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem;
      align-items: center;
      padding: 0.2rem 0;
    }
    span {
      flex-basis: 100%;
    }
    button {
      min-height: 32px;
      padding: 0 0.6rem;
      border: 1px solid var(--p-jl-line);
      border-radius: 5px;
      background: var(--p-jl-panel);
      color: inherit;
      font: inherit;
      font-weight: 600;
      cursor: pointer;

      &[aria-pressed='true'] {
        background: var(--p-jl-amber-soft);
        border-color: var(--p-jl-amber-mark);
      }
    }
  `,
})
export class ClassAnswers {
  private readonly data = inject(DayService);
  readonly held = input.required<HeldClass>();
  /** Wrong answers that have no name yet. */
  readonly openOnly = input(false);

  protected readonly questions = computed(() => {
    const [state, held] = [this.data.state(), this.held()];
    if (!state) return [];
    const inClass = held.guests.flatMap((id) => state.guests.get(id) ?? []);
    return answersIn(state, held)
      .filter(({ question }) => !this.openOnly() || !inClass.some(({ misread }) => misread.has(question)))
      .map(({ question, hands, right, misread }) => ({
        question,
        words: `${hands[right]} of ${hands.reduce((sum, count) => sum + count, 0)} right`,
        wrong: misread.flatMap((words, place) =>
          words && hands[place]! > 0
            ? [
                {
                  misread: words,
                  hands: hands[place]!,
                  guests: inClass.map(({ guest, misread: own }) => ({
                    id: guest.id,
                    name: guest.name,
                    missed: own.get(question)?.words === words,
                  })),
                },
              ]
            : [],
        ),
      }))
      .filter(({ wrong }) => !this.openOnly() || wrong.length > 0);
  });

  /** One more tap takes it back. */
  protected tap(question: string, misread: string, { id, missed }: { readonly id: string; readonly missed: boolean }) {
    if (!missed) return void this.data.record({ kind: 'answerMissed', guest: id, question, misread });
    const entered = this.data
      .entries()
      .findLast(({ entry }) => entry.kind === 'answerMissed' && entry.guest === id && entry.question === question);
    if (entered) this.data.undo(entered.entry.id);
  }
}
