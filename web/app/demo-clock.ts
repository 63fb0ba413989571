import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { contract } from '@core/api';
import { Api } from '../shared/data/api';
import { DayService } from '../shared/data/day.service';
import { VenueClock } from '../shared/data/venue-clock';
import { Ask } from '../shared/frame/ask';

/** The demo's clock: pause, real time, faster, and back to the beginning. */
@Component({
  selector: 'jl-demo-clock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="group" aria-label="Demo clock">
      <span>Demo</span>
      @for (choice of rates; track choice.rate) {
        <button
          type="button"
          [attr.aria-pressed]="clock.rate() === choice.rate"
          [attr.aria-label]="choice.words"
          [title]="choice.words"
          (click)="clock.adjust({ rate: choice.rate })"
        >
          {{ choice.label }}
        </button>
      }
      <button type="button" (click)="reset()" title="Put the demo back to its beginning">Reset</button>
    </div>
  `,
  styles: `
    div {
      display: flex;
      align-items: center;
      gap: 1px;
      font-size: 12px;
      font-stretch: 88%;
      color: var(--p-jl-on-bar-muted);
    }
    span {
      margin-right: 0.4rem;
    }
    button {
      height: 24px;
      padding: 0 0.45rem;
      border: 0;
      background: color-mix(in srgb, var(--p-jl-on-bar) 12%, transparent);
      color: var(--p-jl-on-bar);
      cursor: pointer;
    }
    button[aria-pressed='true'] {
      background: var(--p-jl-on-bar);
      color: var(--p-jl-bar);
      font-weight: 700;
    }
    button:focus-visible {
      outline-color: var(--p-jl-on-bar);
    }
  `,
})
export class DemoClock {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  protected readonly clock = inject(VenueClock);
  protected readonly rates = [
    { rate: 0, label: '❚❚', words: 'Pause the clock' },
    { rate: 1, label: '1×', words: 'Real time' },
    { rate: 10, label: '10×', words: 'Ten times as fast' },
    { rate: 60, label: '60×', words: 'Sixty times as fast' },
  ];

  protected async reset(): Promise<void> {
    const sure = await this.ask.whether(
      'Put the demo back to its beginning?',
      'All that was entered and changed in it is lost, on every screen that shows it.',
      'Put it back',
    );
    if (sure) this.putBack();
  }

  private putBack(): void {
    this.api.call(contract.resetDemo).subscribe({
      next: (clock) => {
        this.clock.take(clock);
        this.data.start(clock.date);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
