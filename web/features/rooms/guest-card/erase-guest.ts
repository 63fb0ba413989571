import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { known } from '../../../shared/data/reading';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { Unread } from '../../../shared/frame/unread';

/** Erases a guest for good: where that is told, what others have noted is decided place by place, the name is typed. */
@Component({
  selector: 'jl-erase-guest',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Dialog, FormsModule, InputText, Unread],
  templateUrl: './erase-guest.html',
  styles: `
    ul {
      list-style: none;
      margin: 0.4rem 0 1rem;
      padding: 0;
      max-height: 14rem;
      overflow: auto;
    }
    li label {
      display: flex;
      gap: 0.6rem;
      padding: 0.3rem 0;
      border-top: 1px solid var(--p-jl-line);
    }
    input[type='text'] {
      width: 100%;
      margin-bottom: 1rem;
    }
  `,
})
export class EraseGuest {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly open = model(false);
  readonly guest = input.required<string>();
  readonly name = input.required<string>();
  protected readonly typed = signal('');
  /** Ids of the notes that mean this guest. */
  protected readonly meant = signal<readonly string[]>([]);
  private readonly params = computed(() => ({ date: this.data.date()!, id: this.guest() }));
  protected readonly read = rxResource({
    params: () => (this.open() ? this.params() : undefined),
    stream: ({ params }) => this.api.call(contract.readErasure, { params }),
  });
  protected readonly days = computed(() => known(this.read)?.days.map((date) => PLAIN_WORDS.dateWithYear(date)) ?? []);
  protected readonly mentions = computed(() => known(this.read)?.mentions ?? []);
  protected readonly may = computed(() => this.days().length > 0 && this.typed().trim() === this.name());

  protected erase(): void {
    if (!this.may()) return;
    this.api
      .call(contract.eraseGuest, { params: this.params(), body: { notes: [...new Set(this.meant())] } })
      .subscribe({
        next: () => {
          this.open.set(false);
          this.data.say('Name, contact and words are erased.');
        },
        error: (error: Error) => this.data.refuse(error.message),
      });
  }
}
