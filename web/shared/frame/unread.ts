import { ChangeDetectionStrategy, Component, input, type ResourceRef } from '@angular/core';
import { Button } from 'primeng/button';

/** Where something is being read, that; where it could not be, why, and one press to try again. */
@Component({
  selector: 'jl-unread',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (of().error(); as error) {
      <p role="alert">
        {{ what() }} could not be read: {{ error.message }}
        <p-button label="Try again" size="small" [outlined]="true" (onClick)="of().reload()" />
      </p>
    } @else if (of().isLoading() && !of().hasValue()) {
      <p class="muted">Reading {{ what().charAt(0).toLowerCase() + what().slice(1) }}…</p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
      margin: 0.6rem 0;
    }
  `,
})
export class Unread {
  readonly of = input.required<ResourceRef<unknown>>();
  /** What is missing, as the beginning of a sentence. */
  readonly what = input.required<string>();
}
