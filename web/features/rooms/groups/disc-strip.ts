import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
} from '@angular/core';
import { readableOn } from '../../../shared/drawing/ink';

/** Who a disc stands for. */
export interface Disc {
  readonly id: string;
  readonly name: string;
  readonly initial: string;
  readonly colour: string | undefined;
}

const PITCH = 34;
const RADIUS = 13;
const LEFT = 58;
const TOP = 22;

/**
 * The order of a train as a strip of discs, a column a lap and the leader above them: who is where is looked at, not read. The
 * lap that is driven is framed, and kept in the middle where there is no room for all.
 */
@Component({
  selector: 'jl-disc-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Longer than a phone is wide: the keyboard scrolls it.
  host: { '[attr.tabindex]': 'laps().length > 10 ? 0 : null' },
  template: `
    <svg
      role="img"
      [attr.aria-label]="words()"
      [attr.viewBox]="'0 0 ' + width() + ' ' + height()"
      [style.max-width.px]="width() * 1.25"
      [style.--least.px]="width() * 0.85"
    >
      @for (place of places(); track place.label) {
        <text class="place" x="0" [attr.y]="place.y + 4">{{ place.label }}</text>
      }
      @for (lap of columns(); track $index) {
        @if (lap.here) {
          <rect class="here" rx="8" [attr.x]="lap.x - 16" y="2" width="32" [attr.height]="height() - 4" />
        }
        <text class="lap" [attr.x]="lap.x" y="14">{{ lap.label }}</text>
        @for (disc of lap.discs; track disc.id) {
          <circle [attr.cx]="lap.x" [attr.cy]="disc.y" [attr.r]="radius" [style.fill]="disc.fill" />
          <text class="who" [attr.x]="lap.x" [attr.y]="disc.y + 4.5" [style.fill]="disc.ink">{{ disc.initial }}</text>
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    svg {
      display: block;
      width: 100%;
    }
    /* On paper all of it has to be there, on a phone what is driven has to be read. */
    @media screen {
      svg {
        min-width: var(--least);
      }
    }
    text {
      font-size: 11px;
      fill: var(--p-jl-muted);
    }
    .lap,
    .who {
      text-anchor: middle;
    }
    .who {
      font-size: 12px;
      font-weight: 750;
    }
    circle {
      stroke: var(--p-jl-ink);
      stroke-width: 1.2;
    }
    .here {
      fill: var(--p-jl-sunk);
      stroke: var(--p-jl-ink);
    }
  `,
})
export class DiscStrip {
  /** Orders by lap, each by id, the first directly behind the leader. */
  readonly laps = input.required<readonly (readonly string[])[]>();
  readonly discs = input.required<readonly Disc[]>();
  /** Above each lap. */
  readonly labels = input.required<readonly string[]>();
  /** Place of the lap that is driven, if one is. */
  readonly here = input<number>();
  protected readonly radius = RADIUS;
  private readonly strip = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterRenderEffect(() => {
      const here = this.here();
      if (here === undefined) return;
      const { scrollWidth, clientWidth } = this.strip;
      this.strip.scrollLeft = ((LEFT + here * PITCH) / this.width()) * scrollWidth - clientWidth / 2;
    });
  }

  private readonly most = computed(() => Math.max(1, ...this.laps().map((order) => order.length)));
  protected readonly width = computed(() => LEFT + this.laps().length * PITCH);
  protected readonly height = computed(() => TOP + this.most() * PITCH);
  protected readonly places = computed(() =>
    Array.from({ length: this.most() }, (_, place) => ({
      label: place === 0 ? 'first' : place === this.most() - 1 ? 'last' : '',
      y: TOP + place * PITCH + RADIUS + 2,
    })),
  );
  protected readonly columns = computed(() => {
    const known = new Map(this.discs().map((disc) => [disc.id, disc]));
    return this.laps().map((order, lap) => ({
      x: LEFT + lap * PITCH,
      label: this.labels()[lap] ?? '',
      here: lap === this.here(),
      discs: order.map((id, place) => {
        const disc = known.get(id);
        const fill = disc?.colour ?? 'var(--p-jl-panel)';
        return {
          ...{ id, initial: disc?.initial ?? '?', fill },
          ink: disc?.colour ? readableOn(disc.colour) : 'var(--p-jl-ink)',
          y: TOP + place * PITCH + RADIUS + 2,
        };
      }),
    }));
  });
  protected readonly words = computed(() => {
    const known = new Map(this.discs().map(({ id, name }) => [id, name]));
    return this.laps()
      .map((order, lap) => `${this.labels()[lap] ?? lap + 1}: ${order.map((id) => known.get(id) ?? id).join(', ')}`)
      .join('; ');
  });
}
