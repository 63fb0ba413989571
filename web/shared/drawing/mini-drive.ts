import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { beadPaths } from './bead-paths';
import { beadPlaces, silhouette } from './silhouette';

const HEIGHT_PX = 22;
/** Lead-in and tail, and one lap, in pixels. */
const SHOULDER_PX = 7;
const LAP_PX = 8;

/** A drive as the board draws it, small, to stand in a list: its laps can be counted, its place is told beside it. */
@Component({
  selector: 'jl-mini-drive',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width()" [attr.height]="height" aria-hidden="true">
      <path class="outline" [class.after]="after()" [attr.d]="outline()" />
      @for (beads of paths(); track beads.kind) {
        <path class="bead" [class.after]="after()" [attr.d]="beads.path" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex: none;
    }
    .outline {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-muted);
    }
    .outline.after {
      fill: var(--p-jl-lilac-soft);
      stroke: var(--p-jl-lilac);
      stroke-width: 1.6;
    }
    .bead {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-muted);
      stroke-width: 0.9;
    }
    .bead.after {
      stroke: var(--p-jl-lilac);
    }
  `,
})
export class MiniDrive {
  readonly laps = input.required<number>();
  /** Where it would be, not where it was. */
  readonly after = input(false);
  protected readonly height = HEIGHT_PX;
  protected readonly width = computed(() => 2 * SHOULDER_PX + this.laps() * LAP_PX + 2);
  private readonly edges = computed(() => ({
    startX: 1,
    releaseX: 1 + SHOULDER_PX,
    trackEndX: this.width() - 1 - SHOULDER_PX,
    endX: this.width() - 1,
  }));
  protected readonly outline = computed(() => silhouette(this.edges(), HEIGHT_PX - 1));
  protected readonly paths = computed(() => {
    const { places, radius } = beadPlaces(this.edges(), this.laps());
    const open = Array.from({ length: this.laps() }, () => ({ fill: 'open' as const, spoiled: false, extra: false }));
    return beadPaths(
      open,
      places.map(({ x, y }) => ({ x, y: y + 3 })),
      radius,
    );
  });
}
