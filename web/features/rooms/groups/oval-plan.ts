import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

interface OnOval {
  readonly name: string;
  readonly call: string;
  readonly lane: string | undefined;
}

const WIDTH = 360;
const HEIGHT = 150;

/** The oval from above: banking and apron, the lanes of the pit, who is out with which throttle and who came from which lane. */
@Component({
  selector: 'jl-oval-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg role="img" [attr.aria-label]="words()" [attr.viewBox]="'0 0 ' + width + ' ' + height">
      <rect
        class="banking"
        x="4"
        y="4"
        [attr.width]="width - 8"
        [attr.height]="height - 8"
        [attr.rx]="height / 2 - 4"
      />
      <rect
        class="lane"
        x="17"
        y="17"
        [attr.width]="width - 34"
        [attr.height]="height - 34"
        [attr.rx]="height / 2 - 17"
      />
      <rect
        class="apron"
        x="30"
        y="30"
        [attr.width]="width - 60"
        [attr.height]="height - 60"
        [attr.rx]="height / 2 - 30"
      />
      @for (lane of pit(); track lane.name) {
        <line class="pit" x1="120" [attr.x2]="width - 120" [attr.y1]="lane.y" [attr.y2]="lane.y" />
        <text x="116" [attr.y]="lane.y + 4" class="left">{{ lane.name }}</text>
        <text [attr.x]="width - 114" [attr.y]="lane.y + 4">{{ lane.who }}</text>
      }
      @for (one of drawn(); track one.name) {
        <circle class="car" [attr.cx]="one.x" [attr.cy]="17" r="7" />
        <text class="who" [attr.x]="one.x" y="45">{{ one.name }} {{ one.call }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 460px;
    }
    .banking {
      fill: var(--p-jl-sunk);
      stroke: var(--p-jl-ink);
    }
    .lane {
      fill: none;
      stroke: var(--p-jl-muted);
      stroke-dasharray: 9 7;
    }
    .apron {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-line);
    }
    .pit {
      stroke: var(--p-jl-muted);
      stroke-width: 2;
    }
    .car {
      fill: var(--p-jl-lake);
      stroke: var(--p-jl-ink);
    }
    text {
      font-size: 11px;
      fill: var(--p-jl-ink);
    }
    .left {
      text-anchor: end;
    }
    .who {
      font-weight: 700;
      text-anchor: middle;
    }
  `,
})
export class OvalPlan {
  readonly out = input.required<readonly OnOval[]>();
  readonly lanes = input.required<readonly string[]>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly pit = computed(() =>
    this.lanes().map((name, place) => ({
      name,
      y: 74 + place * 18,
      who: this.out()
        .filter(({ lane }) => lane === name)
        .map((one) => one.name)
        .join(', '),
    })),
  );
  protected readonly drawn = computed(() =>
    this.out().map((one, place, all) => ({ ...one, x: (WIDTH * (place + 1)) / (all.length + 1) })),
  );
  protected readonly words = computed(() => {
    const out = this.out().map(({ name, call, lane }) => `${name} at ${call}${lane ? `, from the ${lane}` : ''}`);
    return out.length === 0 ? 'Nobody is on the oval' : `On the oval: ${out.join('; ')}`;
  });
}
