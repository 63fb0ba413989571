import { Injectable, signal } from '@angular/core';

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
