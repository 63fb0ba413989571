import { ChangeDetectionStrategy, Component, inject, Injectable, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { AutoFocus } from 'primeng/autofocus';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';

interface Question {
  readonly title: string;
  readonly label: string;
  /** The word of the button that does it, where nothing is to be typed. */
  readonly yes?: string;
  readonly answer: (text: string | undefined) => void;
}

/** Asks for one line of text. */
@Injectable({ providedIn: 'root' })
export class Ask {
  readonly question = signal<Question | undefined>(undefined);
  readonly text = signal('');

  /** What was typed, trimmed, or nothing where the person thought better of it. */
  for(title: string, label: string, initial = ''): Promise<string | undefined> {
    this.text.set(initial);
    return new Promise((answer) => this.question.set({ title, label, answer }));
  }

  /** Whether the person wants something that cannot be taken back. */
  async whether(title: string, words: string, yes: string): Promise<boolean> {
    this.text.set(yes);
    const answer = await new Promise((resolve) => this.question.set({ title, label: words, yes, answer: resolve }));
    return answer !== undefined;
  }

  answer(text: string | undefined): void {
    this.question()?.answer(text?.trim() || undefined);
    this.question.set(undefined);
  }
}

/** The dialog of `Ask`; stands once in the shell. */
@Component({
  selector: 'jl-ask-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AutoFocus, Button, Dialog, FormsModule, InputText],
  template: `
    @if (ask.question(); as question) {
      <p-dialog
        closeAriaLabel="Close"
        [header]="question.title"
        [visible]="true"
        (visibleChange)="ask.answer(undefined)"
        [modal]="true"
        [draggable]="false"
        [style]="{ width: '26rem', maxWidth: '94vw' }"
      >
        <form (submit)="submit($event)">
          @if (question.yes) {
            <p>{{ question.label }}</p>
          } @else {
            <label for="ask-text">{{ question.label }}</label>
            <input
              pInputText
              id="ask-text"
              name="text"
              autocomplete="off"
              [pAutoFocus]="true"
              [ngModel]="ask.text()"
              (ngModelChange)="ask.text.set($event)"
            />
          }
          <div class="buttons">
            <p-button label="Cancel" [outlined]="true" (onClick)="ask.answer(undefined)" />
            <p-button type="submit" [label]="question.yes ?? 'Save'" [autofocus]="question.yes !== undefined" />
          </div>
        </form>
      </p-dialog>
    }
  `,
  styles: `
    form {
      display: grid;
      gap: 0.5rem;
    }
    .buttons {
      display: flex;
      justify-content: flex-end;
      gap: 0.5rem;
      margin-top: 0.5rem;
    }
  `,
})
export class AskDialog {
  protected readonly ask = inject(Ask);

  protected submit(event: Event): void {
    event.preventDefault();
    this.ask.answer(this.ask.text());
  }
}
