import { numberIn } from '@core/values';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  gateQuestion,
  homeCar,
  knownAnswers,
  type BookingFields,
  type GateAnswers,
  type GateQuestion,
} from '@core/venue/booking';
import { guestWithFitting, type GuestState } from '@core/journal';
import { GEARBOX_WORDS, HOME_CAR_WORDS } from '@words';
import { DayService } from '../../../shared/data/day.service';

type Value = string | boolean;

interface Asked {
  readonly label: string;
  readonly options: readonly { readonly label: string; readonly value: Value }[];
  /** What was answered; nothing where nobody has asked. */
  readonly answer: Value | undefined;
  readonly enter: (value: Value) => void;
}

const YES_NO = [
  { label: 'yes', value: true },
  { label: 'no', value: false },
] as const;

/** What a guest is asked besides the papers: one tap each, and what has not been asked is seen as that. */
@Component({
  selector: 'jl-gate-questions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (question of questions(); track question.label) {
      <span role="group" [attr.aria-label]="question.label" [class.open]="question.answer === undefined">
        <small>{{ question.label }}</small>
        @for (option of question.options; track option.label) {
          <button
            type="button"
            [class.chosen]="question.answer === option.value"
            [attr.aria-pressed]="question.answer === option.value"
            (click)="question.enter(option.value)"
          >
            {{ option.label }}
          </button>
        }
      </span>
    }
    @if (asksHeight()) {
      <label [class.open]="fitted().heightCm === undefined">
        <small>Height</small>
        <input inputmode="decimal" [value]="fitted().heightCm ?? ''" (change)="height($any($event.target).value)" />
        <small>cm</small>
      </label>
    }
  `,
  styleUrl: './gate-questions.scss',
})
export class GateQuestions {
  private readonly data = inject(DayService);
  readonly guest = input.required<GuestState>();
  readonly fields = input<BookingFields>();
  /** Whether a car of this guest is for some heights only. */
  readonly needsHeight = input(false);
  /** Only these of what this venue asks. */
  readonly only = input<readonly GateQuestion[]>();

  protected readonly fitted = computed(() => guestWithFitting(this.guest().guest, this.guest().fitted));
  private readonly asks = computed(() => {
    const asked = this.data.view()?.gate.asks ?? [];
    return (this.only() ?? gateQuestion.options).filter((one) => asked.includes(one));
  });
  protected readonly asksHeight = computed(() => this.needsHeight() && this.asks().includes('height'));
  protected readonly questions = computed((): readonly Asked[] => {
    const known = knownAnswers(this.fields(), this.guest().answers);
    const yesNo = (label: string, key: 'touch' | 'glasses' | 'sick' | 'fast'): Asked => ({
      label,
      options: YES_NO,
      answer: known[key],
      enter: (value) => this.answer({ [key]: value }),
    });
    const gearboxes = new Set(this.fitted().drives.map(({ gearbox }) => gearbox));
    const asked: Record<Exclude<GateQuestion, 'height'>, Asked> = {
      gearbox: {
        label: 'Gearbox',
        options: (['auto', 'paddle'] as const).map((value) => ({ label: GEARBOX_WORDS[value], value })),
        answer: gearboxes.size === 1 ? [...gearboxes][0] : undefined,
        enter: (value) => this.fit({ gearbox: value as 'auto' | 'paddle' }),
      },
      touch: yesNo('Touch as a prompt', 'touch'),
      homeCar: {
        label: 'At home',
        options: homeCar.options.map((value) => ({ label: HOME_CAR_WORDS[value], value })),
        answer: known.homeCar,
        enter: (value) => this.answer({ homeCar: value as GateAnswers['homeCar'] }),
      },
      drivesOn: {
        label: 'Drives on the',
        options: (['left', 'right'] as const).map((value) => ({ label: value, value })),
        answer: known.drivesOn,
        enter: (value) => this.answer({ drivesOn: value as 'left' | 'right' }),
      },
      glasses: yesNo('Glasses', 'glasses'),
      sick: yesNo('Feels sick easily', 'sick'),
      fast: yesNo('Has driven fast', 'fast'),
    };
    const own = this.only() ? [] : (this.data.view()?.gate.own ?? []);
    return [
      ...this.asks().flatMap((one) => (one === 'height' ? [] : [asked[one]])),
      ...own.map((words): Asked => ({
        label: words,
        options: YES_NO,
        answer: known.own?.[words],
        enter: (value) => this.answer({ own: { [words]: value as boolean } }),
      })),
    ];
  });

  private answer(answers: GateAnswers): void {
    this.data.record({ kind: 'guestAnswered', guest: this.guest().guest.id, answers });
  }

  private fit(fitted: { readonly heightCm?: number; readonly gearbox?: 'auto' | 'paddle' }): void {
    this.data.record({ kind: 'guestFitted', guest: this.guest().guest.id, ...fitted });
  }

  protected height(text: string): void {
    const read = numberIn(text, { decimals: 2, units: ['cm', 'm'] });
    if (read.kind === 'empty') return;
    // In metres as well: nobody is 3 cm tall.
    const given = read.kind === 'number' ? read.value : NaN;
    const heightCm = Math.round(given <= 3 ? given * 100 : given);
    if (heightCm >= 50 && heightCm <= 300) this.fit({ heightCm });
    else this.data.refuse(`A height of ${text} cm cannot be: expected 50 to 300 cm.`);
  }
}
