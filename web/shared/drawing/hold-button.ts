import { ChangeDetectionStrategy, Component, input, output, signal, type OnDestroy } from '@angular/core';

/** How long it has to be held, milliseconds. */
const HOLD_MS = 900;

/** A button that acts once it has been held: what must not happen by a touch in passing, and must not ask twice. */
@Component({
  selector: 'jl-hold-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      [class]="kind()"
      [class.holding]="holding()"
      [attr.aria-description]="'Hold for one second'"
      (pointerdown)="begin($event)"
      (pointerup)="letGo()"
      (pointerleave)="letGo()"
      (pointercancel)="letGo()"
      (contextmenu)="$event.preventDefault()"
      (keydown.enter)="beginByKey($event)"
      (keydown.space)="beginByKey($event)"
      (keyup)="letGo()"
      (blur)="letGo()"
    >
      <span><ng-content /></span>
    </button>
  `,
  styles: `
    button {
      position: relative;
      overflow: hidden;
      width: 100%;
      height: 100%;
      min-height: 48px;
      padding: 0.2rem 0.4rem;
      border: 2px solid var(--p-jl-ink);
      border-radius: 8px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
      font-size: 16px;
      font-weight: 700;
      cursor: pointer;
      touch-action: none;
      user-select: none;
    }
    button.stop {
      border-color: var(--p-jl-kerb);
      background: var(--p-jl-kerb);
      color: var(--p-jl-on-kerb);
      font-size: 17px;
      font-weight: 780;
      font-stretch: 108%;
    }
    button::before {
      content: '';
      position: absolute;
      inset: 0;
      background: color-mix(in srgb, currentColor 32%, transparent);
      transform: scaleX(0);
      transform-origin: left;
    }
    button.holding::before {
      transform: none;
      transition: transform 0.9s linear;
    }
    span {
      position: relative;
    }
  `,
})
export class HoldButton implements OnDestroy {
  readonly kind = input<'plain' | 'stop'>('plain');
  readonly held = output<void>();
  protected readonly holding = signal(false);
  private timer: ReturnType<typeof setTimeout> | undefined;

  protected begin(event: PointerEvent): void {
    if (event.button === 0) this.press();
  }

  protected beginByKey(event: Event): void {
    event.preventDefault();
    if (!(event as KeyboardEvent).repeat) this.press();
  }

  /** Begins to be held, by whatever means. */
  press(): void {
    this.letGo();
    this.holding.set(true);
    this.timer = setTimeout(() => {
      this.letGo();
      this.held.emit();
    }, HOLD_MS);
  }

  letGo(): void {
    clearTimeout(this.timer);
    this.holding.set(false);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
  }
}
