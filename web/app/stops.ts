import { ChangeDetectionStrategy, Component, DestroyRef, DOCUMENT, inject, viewChild } from '@angular/core';
import { DayService } from '../shared/data/day.service';
import { HoldButton } from '../shared/drawing/hold-button';
import { STOP_KEY } from '../shared/frame/screen-keys';
/** Room that it takes at the foot of the screen: nothing else ever stands there. */
const WITH_STOPS = 'with-stops';

/**
 * All-stop and caution, on paper of their own at the foot of every screen that has them: they never move, share their row
 * with nothing, and lie above every dialog, menu and message. A key that no screen uses does the same, in a dialog too.
 */
@Component({
  selector: 'jl-stops',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HoldButton],
  template: `
    <jl-hold-button kind="stop" (held)="data.callFlag({ kind: 'flagCalled', flag: 'stop' })">
      Hold to stop all
    </jl-hold-button>
    <jl-hold-button (held)="data.callFlag({ kind: 'flagCalled', flag: 'caution' })">Hold for caution</jl-hold-button>
  `,
  styles: `
    :host {
      position: fixed;
      inset: auto 0 0;
      z-index: var(--jl-z-stops);
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 10px;
      height: var(--jl-stops-height);
      padding: 7px max(10px, calc(50vw - 30rem));
      border-top: 2px solid var(--p-jl-ink);
      background: var(--p-jl-paper);
    }
  `,
  host: {
    role: 'group',
    'aria-label': 'Stops',
    '(document:keydown)': 'hold($event)',
    '(document:keyup)': 'letGo($event)',
    '(window:blur)': 'stop().letGo()',
  },
})
export class Stops {
  protected readonly data = inject(DayService);
  protected readonly stop = viewChild.required(HoldButton);

  constructor() {
    const { classList } = inject(DOCUMENT).documentElement;
    classList.add(WITH_STOPS);
    inject(DestroyRef).onDestroy(() => classList.remove(WITH_STOPS));
  }

  protected hold(event: KeyboardEvent): void {
    if (event.key !== STOP_KEY) return;
    event.preventDefault();
    if (!event.repeat) this.stop().press();
  }

  protected letGo({ key }: KeyboardEvent): void {
    if (key === STOP_KEY) this.stop().letGo();
  }
}
