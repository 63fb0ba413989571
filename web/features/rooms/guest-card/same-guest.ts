import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { contract, type FoundGuest } from '@core/api';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { switchMap, timer } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { focusOnceThere } from '../../../shared/forms/focus';
import { known } from '../../../shared/data/reading';

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
  private readonly search = rxResource({
    params: () => {
      const query = this.query().trim();
      return query.length < LEAST_LETTERS ? undefined : query;
    },
    stream: ({ params: query }) =>
      timer(REST_MS).pipe(switchMap(() => this.api.call(contract.findGuests, { body: { query } }))),
  });
  protected readonly found = computed(() => (known(this.search)?.guests ?? []).filter(({ id }) => id !== this.guest()));

  constructor() {
    effect(() => {
      if (this.open()) focusOnceThere('same-guest');
    });
  }

  protected choose({ id }: FoundGuest): void {
    this.open.set(false);
    this.chosen.emit(id);
  }
}
