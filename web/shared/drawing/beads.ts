import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { beadsText, type Bead } from './bead-list';

/** Lap beads in a row: filled as laps are driven, the current one half full, spoiled ones ringed, extra ones dotted. */
@Component({
  selector: 'jl-beads',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      role="img"
      [attr.aria-label]="text()"
      [attr.width]="width()"
      [attr.height]="size() * 1.6"
      [attr.viewBox]="'0 0 ' + width() + ' ' + size() * 1.6"
    >
      @for (bead of beads(); track $index) {
        <g [attr.transform]="'translate(' + ($index + 0.5) * pitch() + ' ' + size() * 0.8 + ')'">
          @if (bead.spoiled) {
            <circle class="ring" [attr.r]="size() * 0.68" />
          }
          <circle
            [class]="'bead ' + bead.fill"
            [class.extra]="bead.extra"
            [attr.r]="size() / 2 - 1"
            [attr.stroke-dasharray]="bead.extra ? '2 1.6' : null"
          />
          @if (bead.fill === 'running') {
            <path class="half" [attr.d]="half()" />
          }
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      line-height: 0;
      vertical-align: middle;
    }
    .bead {
      fill: var(--p-jl-panel);
      stroke: currentColor;
      stroke-width: 1.5;
      transition: fill 0.3s;
    }
    .bead.done {
      fill: currentColor;
    }
    .half {
      fill: currentColor;
    }
    .ring {
      fill: none;
      stroke: var(--p-jl-amber-mark);
      stroke-width: 1.8;
    }
  `,
})
export class Beads {
  readonly beads = input.required<readonly Bead[]>();
  /** Diameter in pixels. */
  readonly size = input(12);

  protected readonly pitch = computed(() => this.size() * 1.35);
  protected readonly width = computed(() => Math.max(1, this.beads().length) * this.pitch());
  protected readonly text = computed(() => beadsText(this.beads()));
  protected readonly half = computed(() => {
    const r = this.size() / 2 - 1;
    return `M0 ${-r}A${r} ${r} 0 0 1 0 ${r}Z`;
  });
}
