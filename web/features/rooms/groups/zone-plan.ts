import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Zone, ZoneKind } from '@core/programmes';

/** What a zone is called where it has no station. */
const ZONE_WORDS: Readonly<Record<ZoneKind, string>> = {
  slick: 'slick',
  loose: 'loose',
  safety: 'safety zone: change drivers here only',
  gate: 'start',
};

/** A surface is drawn at least this large, metres, so that an empty one can be drawn on. */
const LEAST_SIZE_M = { width: 100, height: 60 };

/** How large a surface with these zones is drawn, metres. */
export function sizeOf(zones: readonly Zone[]): { readonly width: number; readonly height: number } {
  return {
    width: Math.max(LEAST_SIZE_M.width, ...zones.map(({ xM, widthM }) => xM + widthM + 2)),
    height: Math.max(LEAST_SIZE_M.height, ...zones.map(({ yM, heightM }) => yM + heightM + 2)),
  };
}

/** A surface to scale: where it is slick or loose, the safety zone, the start gate, and who is at which station. */
@Component({
  selector: 'jl-zone-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg role="img" [attr.aria-label]="words()" [attr.viewBox]="'0 0 ' + size().width + ' ' + size().height">
      <rect class="ground" [attr.width]="size().width" [attr.height]="size().height" rx="2" />
      @for (zone of drawn(); track $index) {
        <g
          [class]="zone.kind"
          [class.chosen]="$index === chosen()"
          (pointerdown)="pressed.emit({ index: $index, corner: false, event: $event })"
        >
          <rect
            class="zone"
            rx="1"
            [attr.x]="zone.xM"
            [attr.y]="zone.yM"
            [attr.width]="zone.widthM"
            [attr.height]="zone.heightM"
          />
          <text [attr.x]="zone.xM + unit()" [attr.y]="zone.yM + 3 * unit()" [style.font-size.px]="2.6 * unit()">
            {{ zone.label }}
          </text>
          @if (zone.who) {
            <text
              class="who"
              [attr.x]="zone.xM + unit()"
              [attr.y]="zone.yM + 6 * unit()"
              [style.font-size.px]="2.6 * unit()"
            >
              {{ zone.who }}
            </text>
          }
          @if ($index === chosen()) {
            <rect
              class="corner"
              [attr.x]="zone.xM + zone.widthM - 2 * unit()"
              [attr.y]="zone.yM + zone.heightM - 2 * unit()"
              [attr.width]="2 * unit()"
              [attr.height]="2 * unit()"
              (pointerdown)="pressed.emit({ index: $index, corner: true, event: $event }); $event.stopPropagation()"
            />
          }
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 640px;
    }
    .ground {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-line);
      stroke-width: 0.4;
    }
    .zone {
      stroke: var(--p-jl-line);
      stroke-width: 0.4;
    }
    .slick .zone {
      fill: var(--p-jl-lake-soft);
    }
    .loose .zone {
      fill: var(--p-jl-amber-soft);
    }
    .safety .zone {
      fill: none;
      stroke: var(--p-jl-moss);
      stroke-dasharray: 2 1.5;
    }
    .gate .zone {
      fill: var(--p-jl-ink);
    }
    .gate text {
      fill: var(--p-jl-panel);
    }
    .chosen .zone {
      stroke: var(--p-jl-ink);
      stroke-width: 0.8;
    }
    .corner {
      fill: var(--p-jl-ink);
      cursor: nwse-resize;
    }
    text {
      fill: var(--p-jl-ink);
      pointer-events: none;
    }
    .who {
      font-weight: 750;
    }
  `,
})
export class ZonePlan {
  readonly zones = input.required<readonly Zone[]>();
  /** Who is at a station, by its name. */
  readonly who = input<ReadonlyMap<string, string>>(new Map());
  /** The zone that is being edited, by its place. */
  readonly chosen = input<number>();
  /** How many small letters go across: fewer where the plan itself is small. */
  readonly across = input(70);
  readonly pressed = output<{ readonly index: number; readonly corner: boolean; readonly event: PointerEvent }>();

  protected readonly size = computed(() => sizeOf(this.zones()));
  /** Letters are as large whatever the size of the surface. */
  protected readonly unit = computed(() => this.size().width / this.across());
  protected readonly drawn = computed(() =>
    this.zones().map((zone) => ({
      ...zone,
      label: zone.station ?? ZONE_WORDS[zone.kind],
      who: zone.station === undefined ? '' : (this.who().get(zone.station) ?? ''),
    })),
  );
  protected readonly words = computed(() =>
    this.drawn()
      .map(({ kind, label, who }) => (label === ZONE_WORDS[kind] ? label : `${label}, ${kind}${who && `: ${who}`}`))
      .join('; '),
  );
}
