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
  templateUrl: './ask.html',
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
