import { ChangeDetectionStrategy, Component, effect, inject, input, model, output, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { contract, type FoundGuest } from '@core/api';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { Api } from '../data/api';
import { focusOnceThere } from '../forms/focus';

/** Typing rests so long before it is looked for. */
const REST_MS = 200;
const LEAST_LETTERS = 2;

/** Finds the booking of another day that is the same person: by name, reference or e-mail. */
@Component({
  selector: 'jl-same-guest',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, InputText],
  templateUrl: './same-guest.html',
  styles: `
    input {
      width: 100%;
    }
    ul {
      list-style: none;
      margin: 0.6rem 0 0;
      padding: 0;
      max-height: 20rem;
      overflow: auto;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 1rem;
      padding: 0.3rem 0;
      border-top: 1px solid var(--p-jl-line);
    }
  `,
})
export class SameGuest {
  private readonly api = inject(Api);
  readonly open = model(false);
  /** Id and name of the guest who is looked for. */
  readonly guest = input.required<string>();
  readonly name = input.required<string>();
  readonly chosen = output<string>();
  protected readonly least = LEAST_LETTERS;
  protected readonly query = signal('');
  protected readonly found = signal<readonly FoundGuest[]>([]);

  constructor() {
    effect(() => {
      if (this.open()) focusOnceThere('same-guest');
    });
    toObservable(this.query)
      .pipe(
        debounceTime(REST_MS),
        switchMap((query) =>
          query.trim().length < LEAST_LETTERS
            ? of({ guests: [] })
            : this.api
                .call(contract.findGuests, { body: { query: query.trim() } })
                .pipe(catchError(() => of({ guests: [] }))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(({ guests }) => this.found.set(guests.filter(({ id }) => id !== this.guest())));
  }

  protected choose({ id }: FoundGuest): void {
    this.open.set(false);
    this.chosen.emit(id);
  }
}
