import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import type { TimeWindow } from '@core/values';
import { elementSize } from '../../../shared/drawing/element-size';
import { linearScale } from '../../../shared/drawing/linear-scale';
import { beadPlaces, otherSilhouette, silhouette } from '../../../shared/drawing/silhouette';
import { beadPaths } from '../../../shared/drawing/bead-paths';
import { BoardGrid } from './board-grid';
import { BlockDrag, type Carry } from './block-drag';
import type { Block, BoardRow, DriveBlock, Ghost } from './blocks';
import { scaleOf, type Stretch, WHOLE_DAY, within } from './stretch';

const LABELS_PX = 182;
const AXIS_PX = 24;
const LEAST_ROW_PX = 34;
/** The picture is drawn anew when zooming and panning have rested for so long. */
const REST_MS = 120;
/** Width of one condensed letter on a block, in pixels; close enough to cut a name. */
const LETTER_PX = 5.6;
/** Left free between a name and what follows it. */
const AFTER_NAME_PX = 5;
/** In a block that is lower than this, two rows of beads would touch the name. */
const LOW_PX = 25;

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

/** What to show of drives beside where they stand. */
export interface Marks {
  readonly selected: ReadonlySet<string>;
  /** Drives that are being moved, or that a proposal would move. */
  readonly leaving: ReadonlySet<string>;
  readonly pinned: ReadonlySet<string>;
  /** Drives that break a rule, with its sentence. */
  readonly broken: ReadonlyMap<string, string>;
}

const NO_MARKS: Marks = { selected: new Set(), leaving: new Set(), pinned: new Set(), broken: new Map() };

/** The day on a time axis, a row each. Draws what it is given, tells which block is opened, and how drives are carried. */
@Component({
  selector: 'jl-board-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BoardGrid],
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
  readonly marks = input<Marks>(NO_MARKS);
  readonly ghosts = input<readonly Ghost[]>([]);
  /** Begins to carry a drive; false where it must stay, which has been said then. */
  readonly beginCarry = input<(drive: string) => boolean>(() => false);
  /** The same of a group. */
  readonly beginCarryGroup = input<(group: string) => boolean>(() => false);
  readonly openBlock = output<string>();
  readonly selectBlock = output<string>();
  readonly carry = output<Carry>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly plot = viewChild.required<ElementRef<HTMLElement>>('plot');
  private readonly size = elementSize(this.host);
  private readonly stretch = signal(WHOLE_DAY);
  /** The stretch for which the blocks are drawn. While the day is zoomed or panned, they are moved as one picture. */
  private readonly drawnFor = signal(WHOLE_DAY);
  private resting: ReturnType<typeof setTimeout> | undefined;
  /** The block that Tab reaches; arrow keys move on from there. */
  protected readonly roving = signal<string | undefined>(undefined);
  protected readonly axisPx = AXIS_PX;

  protected readonly width = computed(() => Math.max(200, this.size().width - LABELS_PX));
  protected readonly rowPx = computed(() => {
    const room = this.size().height - AXIS_PX - 2;
    return Math.max(LEAST_ROW_PX, Math.min(56, Math.floor(room / Math.max(1, this.rows().length))));
  });
  protected readonly height = computed(() => AXIS_PX + this.rowPx() * this.rows().length);
  private readonly fullX = computed(() => linearScale([this.opens(), this.closes()], [0, this.width()]));
  protected readonly x = computed(() => scaleOf(this.stretch(), this.fullX(), this.width()));
  private readonly drawX = computed(() => scaleOf(this.drawnFor(), this.fullX(), this.width()));
  private readonly picture = viewChild.required<ElementRef<SVGElement>>('picture');
  private readonly pictureAt = computed(() => {
    const [live, drawn] = [this.stretch(), this.drawnFor()];
    const factor = live.k / drawn.k;
    return `translate(${live.x - factor * drawn.x}px, 0) scale(${factor}, 1)`;
  });

  /** Everything that is drawn, row by row, in pixels. */
  protected readonly drawn = computed(() => {
    const x = this.drawX();
    const [fromS, toS] = [x.invert(-this.width()), x.invert(2 * this.width())];
    const blockPx = this.rowPx() - 14;
    return this.rows().map((row, place) => {
      const sorted = [...row.blocks].sort((a, b) => a.startS - b.startS);
      return {
        id: row.id,
        y: AXIS_PX + place * this.rowPx(),
        // What is more than a screen away is drawn when it comes nearer.
        blocks: sorted.flatMap((block, index) => {
          if (block.endS < fromS || block.startS > toS) return [];
          // Names stand before what comes next, also where that has begun already.
          const next = sorted.slice(index + 1).find((other) => other.startS > block.startS);
          return [this.draw(block, x, blockPx, next?.startS ?? this.closes())];
        }),
      };
    });
  });
  protected readonly drawnGhosts = computed(() => {
    const x = this.drawX();
    const blockPx = this.rowPx() - 14;
    const rows = new Map(this.rows().map(({ id }, place) => [id, AXIS_PX + place * this.rowPx()]));
    return this.ghosts().flatMap(({ row, block, tone }) => {
      const y = rows.get(row);
      const drawn = y === undefined ? undefined : this.draw(block, x, blockPx, block.endS + 600);
      return drawn && drawn.kind !== 'held' ? [{ ...drawn, tone, y: y! }] : [];
    });
  });
  /** From where a drive stands to where it would go. */
  protected readonly threads = computed(() => {
    if (this.ghosts().length === 0) return [];
    const blocks = new Map(
      this.drawn().flatMap(({ y, blocks: own }) =>
        own.flatMap((one) => (one.kind === 'drive' ? [[one.id, { y, one }] as const] : [])),
      ),
    );
    const middle = (startX: number, width: number) => startX + width / 2;
    return this.drawnGhosts().flatMap((ghost) => {
      if (ghost.tone === 'expected' || ghost.tone === 'accepted') return [];
      const from = blocks.get(ghost.id);
      if (!from) return [];
      const [x1, y1] = [middle(from.one.startX, from.one.width), from.y + this.rowPx() / 2];
      const [x2, y2] = [middle(ghost.startX, ghost.width), ghost.y + this.rowPx() / 2];
      if (Math.hypot(x2 - x1, y2 - y1) < this.rowPx() / 2) return [];
      // Sagging a little, so that a thread along one row is seen beside its blocks.
      const sag = Math.abs(y2 - y1) < 1 ? this.rowPx() * 0.7 : 0;
      const path = `M${x1} ${y1}Q${(x1 + x2) / 2} ${(y1 + y2) / 2 + sag} ${x2} ${y2}`;
      return [{ id: ghost.id, tone: ghost.tone, path }];
    });
  });
  protected readonly drag = new BlockDrag(
    {
      secondsPerPx: () => {
        const [from, to] = this.x().domain;
        return (to - from) / this.width();
      },
      rowAt: (clientY) => {
        const top = this.plot().nativeElement.getBoundingClientRect().top + AXIS_PX;
        const row = this.rows()[Math.floor((clientY - top) / this.rowPx())];
        return row?.takesDrives ? row.id : undefined;
      },
      rows: () => this.rows().filter(({ takesDrives }) => takesDrives),
    },
    (carry) => this.carry.emit(carry),
  );
  private carried = false;
  private readonly order = computed(() =>
    this.rows().map((row) =>
      row.blocks.filter((block): block is DriveBlock => block.kind === 'drive').sort((a, b) => a.startS - b.startS),
    ),
  );
  protected readonly reached = computed(() => this.roving() ?? this.order().flat()[0]?.id);

  /** Tells wheel and fingers where they go on from; nothing as long as what follows them is not loaded. */
  private tellHands: ((to: Stretch) => void) | undefined;

  constructor() {
    afterNextRender(() => void this.followHands());
    // By hand, since a binding would have every block of the template looked at again in each frame.
    afterRenderEffect({ write: () => (this.picture().nativeElement.style.transform = this.pictureAt()) });
    // A panel beside the chart makes it narrower; it goes on showing the same stretch of the day.
    let before = 0;
    effect(() => {
      const width = this.width();
      untracked(() => {
        const { k, x } = this.stretch();
        if (before > 0 && width !== before) this.turnTo({ k, x: (x * width) / before });
        before = width;
      });
    });
  }

  /** Shows a stretch of this length around a time; nothing shows the whole day. */
  show(spanS: number | undefined, aroundS: number): void {
    const factor = spanS === undefined ? 1 : (this.closes() - this.opens()) / spanS;
    const left = this.fullX()(aroundS) * factor - this.width() / 3;
    this.turnTo({ k: factor, x: -left });
  }

  /** Moves the shown stretch by a share of its width. */
  pan(share: number): void {
    const { k, x } = this.stretch();
    this.turnTo({ k, x: x - share * this.width() });
  }

  private turnTo(to: Stretch): void {
    const stretch = within(to, this.width());
    clearTimeout(this.resting);
    this.stretch.set(stretch);
    this.drawnFor.set(stretch);
    this.tellHands?.(stretch);
  }

  /** Zooms and pans by wheel, pointer and fingers. Their library is not waited for: the day is seen without it. */
  private async followHands(): Promise<void> {
    const { zoomable } = await import('./board-zoom');
    this.tellHands = zoomable(this.plot().nativeElement, {
      width: this.width,
      takes: (event) => {
        if (event instanceof WheelEvent) return event.ctrlKey || this.height() <= this.size().height;
        // What is pressed on a drive carries the drive, not the day.
        if (event.target instanceof Element && event.target.closest('.movable')) return false;
        return !(event instanceof MouseEvent && event.button !== 0);
      },
      moved: (to, byHand) => {
        if (!byHand) return;
        this.stretch.set(to);
        clearTimeout(this.resting);
        this.resting = setTimeout(() => this.drawnFor.set(this.stretch()), REST_MS);
      },
    });
    this.tellHands(this.stretch());
  }

  protected press(event: PointerEvent, drive: string, row: string): void {
    this.carried = false;
    this.drag.press(event, drive, row);
  }

  protected pointerMove(event: PointerEvent, begin: (id: string) => boolean): void {
    this.drag.move(event, begin);
  }

  protected groupKey(event: KeyboardEvent, group: string, row: string): void {
    if (this.carryKey(event, this.beginCarryGroup(), group, row)) taken(event);
  }

  /** Lifts what has the focus, or carries on what is lifted; true where the key meant something. */
  private carryKey(event: KeyboardEvent, begin: (id: string) => boolean, id: string, row: string): boolean {
    if (this.drag.carrying) return this.drag.key(event);
    if (event.key !== 'm') return false;
    if (begin(id)) this.drag.lift(row);
    return true;
  }

  protected release(event: PointerEvent): void {
    this.carried = this.drag.release(event);
  }

  protected click(event: MouseEvent, block: string): void {
    if (this.carried) this.carried = false;
    else if (event.ctrlKey || event.metaKey || event.shiftKey) this.selectBlock.emit(block);
    else this.openBlock.emit(block);
  }

  protected key(event: KeyboardEvent, block: string, row: string): void {
    if (this.carryKey(event, this.beginCarry(), block, row)) return taken(event);
    if (this.drag.carrying) return;
    if (event.key === 'Enter') this.openBlock.emit(block);
    else if (event.key === ' ') this.selectBlock.emit(block);
    else if (!this.move(event.key, block)) return;
    taken(event);
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
      this.reveal(target);
    }
    return true;
  }

  /** Focuses a drive, after panning to it where it is out of sight. */
  private reveal({ id, startS, endS }: DriveBlock): void {
    const [left, right] = [this.x()(startS), this.x()(endS)];
    if (left < 0 || right > this.width()) this.pan((left - this.width() / 3) / this.width());
    const focus = () => this.host.nativeElement.querySelector<SVGGElement>(`[data-block="${CSS.escape(id)}"]`)?.focus();
    afterNextRender(focus, { injector: this.injector });
  }

  private draw(block: Block, x: (timeS: number) => number, blockPx: number, nextS: number) {
    const startX = x(block.startS);
    const endX = x(block.endS);
    const width = Math.max(2, endX - startX);
    if (block.kind === 'held') {
      const text = fitting([block.label, 'Out'], Math.min(x(nextS), endX) - startX - 2 * AFTER_NAME_PX);
      return { ...block, startX, width, text };
    }
    if (block.kind === 'other') {
      // A refuel stands in the car's rest, whose word would be half behind it.
      const text = x(nextS) < endX ? '' : fitting([block.label, block.short], width - 4);
      return { ...block, startX, width, text, path: otherSilhouette(block.what, startX, startX + width, blockPx) };
    }
    const edges = { startX, releaseX: x(block.releaseS), trackEndX: x(block.trackEndS), endX };
    const { places, radius } = beadPlaces(edges, block.beads.length, blockPx < LOW_PX ? 1 : 2);
    const both = endX - startX > (block.label.length + block.second.length + 2) * LETTER_PX;
    // A name may run out of its block into free time, never over what comes next.
    const roomPx = Math.min(x(nextS) - AFTER_NAME_PX, endX + 60) - startX - 2.5;
    return {
      ...block,
      startX,
      endX,
      width: endX - startX,
      path: silhouette(edges, blockPx),
      beadPaths: beadPaths(block.beads, places, radius),
      text: fitting([block.label, ...block.shorter], roomPx),
      secondText: both ? block.second : '',
    };
  }
}

/** A key meant for the board is not handled by anything else. */
function taken(event: KeyboardEvent): void {
  event.preventDefault();
  event.stopPropagation();
}

/** The longest of these texts that has room; none where not even the last has. */
function fitting(texts: readonly string[], roomPx: number): string {
  return texts.find((text) => text.length * LETTER_PX <= roomPx) ?? '';
}
