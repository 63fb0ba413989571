import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Zone, StationKind } from '@core/programmes';
import { ZonePlan } from './zone-plan';

interface Shown {
  readonly name: string;
  readonly kind: StationKind;
  readonly team: number | undefined;
  /** First name of who watches it. */
  readonly spotter: string | undefined;
}

function whoWords(team: number | undefined, spotter: string | undefined): string {
  return [team === undefined ? 'free' : `team ${team}`, ...(spotter ? [spotter] : [])].join(', ');
}

const WIDTH = 360;
const ROW = 84;

/** The pan with its stations from the start gate on, the safety zone along the edge, and which team is where. */
@Component({
  selector: 'jl-pan-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ZonePlan],
  template: `
    @if (zones().length > 0) {
      <jl-zone-plan [zones]="zones()" [who]="whoAt()" />
    } @else {
      <svg role="img" [attr.aria-label]="words()" [attr.viewBox]="'0 0 ' + width + ' ' + height()">
        <rect class="pan" x="1" y="1" [attr.width]="width - 2" [attr.height]="height() - 2" rx="10" />
        <rect class="safety" x="1" [attr.y]="height() - 30" [attr.width]="width - 2" height="29" rx="8" />
        <text class="zone" x="10" [attr.y]="height() - 10">safety zone: change drivers here only</text>
        @for (one of drawn(); track one.name) {
          <rect
            class="slick"
            [attr.x]="one.x"
            [attr.y]="one.y"
            [attr.width]="one.width"
            [attr.height]="one.height"
            rx="8"
          />
          <path class="way" [attr.d]="one.way" />
          <text class="name" [attr.x]="one.x + 8" [attr.y]="one.y + 16">{{ one.name }}</text>
          <text class="team" [attr.x]="one.x + one.width - 8" [attr.y]="one.y + one.height - 8">{{ one.who }}</text>
        }
      </svg>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 460px;
    }
    .pan {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-line);
    }
    .slick {
      fill: var(--p-jl-sunk);
      stroke: var(--p-jl-line);
    }
    .safety {
      fill: none;
      stroke: var(--p-jl-moss);
      stroke-dasharray: 5 4;
    }
    .way {
      fill: none;
      stroke: var(--p-jl-muted);
      stroke-width: 2;
      stroke-linecap: round;
    }
    text {
      font-size: 12px;
      fill: var(--p-jl-ink);
    }
    .zone {
      fill: var(--p-jl-moss);
    }
    .team {
      font-weight: 750;
      text-anchor: end;
    }
  `,
})
export class PanPlan {
  readonly stations = input.required<readonly Shown[]>();
  /** As they were drawn for this surface; without them the stations stand in a row. */
  readonly zones = input<readonly Zone[]>([]);
  protected readonly whoAt = computed(
    () => new Map(this.stations().map(({ name, team, spotter }) => [name, whoWords(team, spotter)])),
  );
  protected readonly width = WIDTH;
  protected readonly height = computed(() => Math.ceil(this.stations().length / 2) * ROW + 42);
  protected readonly drawn = computed(() =>
    this.stations().map(({ name, kind, team, spotter }, place) => {
      const alone = place === this.stations().length - 1 && place % 2 === 0;
      const width = alone ? WIDTH - 20 : WIDTH / 2 - 15;
      const x = 10 + (place % 2) * (WIDTH / 2 - 5);
      const y = 10 + Math.floor(place / 2) * ROW;
      const height = ROW - 12;
      const who = whoWords(team, spotter);
      return { name, who, x, y, width, height, way: wayOf(kind, x, y + 26, width - 20, height - 36) };
    }),
  );
  protected readonly words = computed(() =>
    this.stations()
      .map(({ name, team }) => `${name}: ${team === undefined ? 'free' : `team ${team}`}`)
      .join(', '),
  );
}

/** How one drives there, as a line. */
function wayOf(kind: StationKind, x: number, y: number, width: number, height: number): string {
  const [left, middle] = [x + 10, y + height / 2];
  switch (kind) {
    case 'slalom': {
      const step = width / 6;
      return `M${left} ${middle}q${step / 2} ${-height} ${step} 0t${step} 0t${step} 0t${step} 0`;
    }
    case 'circle':
      return `M${left + 14} ${middle}a${height * 0.9} ${height / 2} 0 1 0 ${height * 1.8} 0a${height * 0.9} ${height / 2} 0 1 0 ${-height * 1.8} 0`;
    case 'figure':
      return `M${left + 40} ${middle}c${-40} ${-height} ${-40} ${height} 0 0c40 ${-height} 40 ${height} 0 0`;
    case 'course':
      return `M${left} ${y + height}c${width * 0.2} ${-height * 2} ${width * 0.3} ${height} ${width * 0.5} ${-height / 2}s${width * 0.2} ${height / 2} ${width * 0.4} ${-height / 3}`;
  }
}
