import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { AutoFocus } from 'primeng/autofocus';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Ask } from '../shared/frame/ask';

/** The dialog of `Ask`; stands once in the shell. */
@Component({
  selector: 'jl-ask-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AutoFocus, Button, Dialog, FormsModule, InputText],
  templateUrl: './ask-dialog.html',
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
