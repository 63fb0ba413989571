import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { clockMinute, type TimeWindow } from '@core/day';
import { scaleLinear } from 'd3-scale';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom';
import { axisTicks } from '../drawing/axis-ticks';
import { elementSize } from '../drawing/element-size';
import { beadPlaces, silhouette } from '../drawing/silhouette';
import type { Block, BoardRow, DriveBlock } from './board-model';

const LABELS_PX = 182;
const AXIS_PX = 24;
const LEAST_ROW_PX = 34;
const MOST_ZOOM = 24;
/** Width of one condensed letter on a block, in pixels; close enough to cut a name. */
const LETTER_PX = 5.1;

export interface RowLabel {
  readonly number: number | undefined;
  readonly name: string;
  readonly note: string;
  /** 1…5, or nothing where the row is no car. */
  readonly level: number | undefined;
  /** Share of the tank that is filled. */
  readonly fuel: number | undefined;
  readonly low: boolean;
}

/** The day on a time axis, a row each. Draws what it is given and tells which block is opened. */
@Component({
  selector: 'jl-board-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './board-chart.html',
  styleUrl: './board-chart.scss',
})
export class BoardChart {
  readonly rows = input.required<readonly BoardRow[]>();
  readonly labels = input.required<ReadonlyMap<string, RowLabel>>();
  readonly opens = input.required<number>();
  readonly closes = input.required<number>();
  readonly nowS = input.required<number>();
  readonly closures = input<readonly (TimeWindow & { readonly reason?: string | undefined })[]>([]);
  readonly chosen = input<string>();
  readonly openBlock = output<string>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private readonly size = elementSize(this.host);
  private readonly transform = signal<ZoomTransform>(zoomIdentity);
  /** The block that Tab reaches; arrow keys move on from there. */
  protected readonly roving = signal<string | undefined>(undefined);
  protected readonly axisPx = AXIS_PX;

  protected readonly width = computed(() => Math.max(200, this.size().width - LABELS_PX));
  protected readonly rowPx = computed(() => {
    const room = this.size().height - AXIS_PX - 2;
    return Math.max(LEAST_ROW_PX, Math.min(56, Math.floor(room / Math.max(1, this.rows().length))));
  });
  protected readonly height = computed(() => AXIS_PX + this.rowPx() * this.rows().length);
  private readonly fullX = computed(() => scaleLinear([this.opens(), this.closes()], [0, this.width()]));
  protected readonly x = computed(() => this.transform().rescaleX(this.fullX()));
  protected readonly ticks = computed(() => {
    const [from, to] = this.x().domain() as [number, number];
    return axisTicks(from, to, this.width(), 62).map((tick) => ({
      x: this.x()(tick),
      label: clockMinute(tick),
      hour: tick % 3600 === 0,
    }));
  });
  protected readonly bands = computed(() =>
    this.closures().map(({ from, to, reason }) => ({
      x: this.x()(from),
      width: this.x()(to) - this.x()(from),
      reason: reason ?? 'closed',
    })),
  );
  protected readonly nowX = computed(() => this.x()(this.nowS()));

  /** Everything that is drawn, row by row, in pixels. */
  protected readonly drawn = computed(() => {
    const x = this.x();
    const blockPx = this.rowPx() - 14;
    return this.rows().map((row, place) => {
      const sorted = [...row.blocks].sort((a, b) => a.startS - b.startS);
      return {
        id: row.id,
        y: AXIS_PX + place * this.rowPx(),
        blocks: sorted.map((block, index) => {
          const nextS = sorted[index + 1]?.startS ?? this.closes();
          return this.draw(block, x, blockPx, nextS);
        }),
      };
    });
  });
  private readonly order = computed(() =>
    this.rows().map((row) =>
      row.blocks.filter((block): block is DriveBlock => block.kind === 'drive').sort((a, b) => a.startS - b.startS),
    ),
  );
  protected readonly reached = computed(() => this.roving() ?? this.order().flat()[0]?.id);

  private readonly behaviour = zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, MOST_ZOOM])
    .filter((event: Event) => {
      if (event instanceof WheelEvent) return event.ctrlKey || this.height() <= this.size().height;
      return !(event instanceof MouseEvent && event.button !== 0);
    })
    .on('zoom', ({ transform }: { transform: ZoomTransform }) => this.transform.set(transform));

  constructor() {
    afterNextRender(() => {
      this.behaviour.extent(() => [
        [0, 0],
        [this.width(), this.height()],
      ]);
      this.behaviour.translateExtent([
        [0, -Infinity],
        [this.width(), Infinity],
      ]);
      select(this.svg().nativeElement).call(this.behaviour).on('dblclick.zoom', null);
    });
  }

  /** Shows a stretch of this length around a time; nothing shows the whole day. */
  show(spanS: number | undefined, aroundS: number): void {
    const factor = spanS === undefined ? 1 : (this.closes() - this.opens()) / spanS;
    const left = this.fullX()(aroundS) * factor - this.width() / 3;
    const most = this.width() * (factor - 1);
    const transform = zoomIdentity.translate(-Math.min(most, Math.max(0, left)), 0).scale(factor);
    this.behaviour.translateExtent([
      [0, -Infinity],
      [this.width(), Infinity],
    ]);
    select(this.svg().nativeElement).call((selection) => this.behaviour.transform(selection, transform));
  }

  /** Moves the shown stretch by a share of its width. */
  pan(share: number): void {
    const dx = (-share * this.width()) / this.transform().k;
    select(this.svg().nativeElement).call((selection) => this.behaviour.translateBy(selection, dx, 0));
  }

  protected key(event: KeyboardEvent, block: string): void {
    if (event.key === 'Enter' || event.key === ' ') this.openBlock.emit(block);
    else if (!this.move(event.key, block)) return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** Left and right along the row, up and down to the nearest block of another row. */
  private move(key: string, from: string): boolean {
    const rows = this.order();
    const row = rows.findIndex((blocks) => blocks.some(({ id }) => id === from));
    const place = rows[row]?.findIndex(({ id }) => id === from) ?? -1;
    if (place < 0) return false;
    const current = rows[row]![place]!;
    let target: DriveBlock | undefined;
    if (key === 'ArrowLeft') target = rows[row]![place - 1];
    else if (key === 'ArrowRight') target = rows[row]![place + 1];
    else if (key === 'ArrowUp' || key === 'ArrowDown') {
      const step = key === 'ArrowUp' ? -1 : 1;
      for (let r = row + step; r >= 0 && r < rows.length && !target; r += step) {
        const near = [...rows[r]!].sort(
          (a, b) => Math.abs(a.startS - current.startS) - Math.abs(b.startS - current.startS),
        );
        target = near[0];
      }
    } else return false;
    if (target) {
      this.roving.set(target.id);
      const element = this.host.nativeElement.querySelector<SVGGElement>(`[data-block="${CSS.escape(target.id)}"]`);
      element?.focus();
    }
    return true;
  }

  private draw(block: Block, x: (timeS: number) => number, blockPx: number, nextS: number) {
    const startX = x(block.startS);
    const endX = x(block.endS);
    if (block.kind !== 'drive') {
      const wide = endX - startX > block.label.length * LETTER_PX + 2;
      return {
        ...block,
        startX,
        width: Math.max(2, endX - startX),
        text: wide || block.kind === 'held' ? block.label : block.label.charAt(0).toUpperCase(),
      };
    }
    const edges = { startX, releaseX: x(block.releaseS), trackEndX: x(block.trackEndS), endX };
    const { places, radius } = beadPlaces(edges, block.beads.length);
    const roomPx = Math.min(Math.max(x(nextS), endX), endX + 60) - startX - 3;
    const letters = Math.floor(roomPx / LETTER_PX);
    const both = endX - startX > (block.label.length + block.second.length + 2) * LETTER_PX;
    return {
      ...block,
      startX,
      endX,
      width: endX - startX,
      path: silhouette(edges, blockPx),
      places,
      radius,
      text: block.label.length <= letters ? block.label : block.label.slice(0, Math.max(0, letters)),
      secondText: both ? block.second : '',
    };
  }
}
