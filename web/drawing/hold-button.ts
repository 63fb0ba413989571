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
      [disabled]="disabled()"
      [attr.aria-description]="'Hold for one second'"
      (pointerdown)="begin($event)"
      (pointerup)="end()"
      (pointerleave)="end()"
      (pointercancel)="end()"
      (contextmenu)="$event.preventDefault()"
      (keydown.enter)="beginByKey($event)"
      (keydown.space)="beginByKey($event)"
      (keyup)="end()"
      (blur)="end()"
    >
      <span><ng-content /></span>
    </button>
  `,
  styles: `
    button {
      position: relative;
      overflow: hidden;
      width: 100%;
      min-height: 56px;
      padding: 0.4rem 1.1rem;
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
      font-size: 18px;
      font-weight: 780;
      font-stretch: 108%;
    }
    button.go {
      border-color: var(--p-jl-moss);
      color: var(--p-jl-moss);
    }
    button:disabled {
      opacity: 0.5;
      cursor: default;
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
  readonly kind = input<'plain' | 'stop' | 'go'>('plain');
  readonly disabled = input(false);
  readonly held = output<void>();
  protected readonly holding = signal(false);
  private timer: ReturnType<typeof setTimeout> | undefined;

  protected begin(event: PointerEvent): void {
    if (event.button === 0) this.start();
  }

  protected beginByKey(event: Event): void {
    event.preventDefault();
    if (!(event as KeyboardEvent).repeat) this.start();
  }

  protected end(): void {
    clearTimeout(this.timer);
    this.holding.set(false);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
  }

  private start(): void {
    this.end();
    this.holding.set(true);
    this.timer = setTimeout(() => {
      this.end();
      this.held.emit();
    }, HOLD_MS);
  }
}
