import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  input,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import type { CircuitStudy } from '@core/track/car';
import {
  around,
  besideCentre,
  centreLineOf,
  pointBeside,
  stationAt,
  type Circuit,
  type CentreLine,
  type DrivenLine,
} from '@core/track/circuit';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';

export type MapMode = 'look' | 'line' | 'width' | 'cones' | 'names';

/** What is chosen on the map: a point of the line, a cone, or a named corner. */
export type MapChoice =
  | { readonly kind: 'point'; readonly index: number }
  | { readonly kind: 'cone'; readonly id: string }
  | { readonly kind: 'corner'; readonly index: number };

/** Something has been dragged or pushed to another place, metres in the circuit's plane. */
export interface MapMove {
  readonly choice: MapChoice;
  readonly xM: number;
  readonly yM: number;
  /** Set where an edge of the road was dragged, not the point itself. */
  readonly side?: 'left' | 'right';
}

const MARGIN = 0.06;
const QUIET_MARGIN = 0.28;
const MOST_ZOOM = 24;
/** A key moves what is chosen by so much, with Shift by ten times that, metres. */
const NUDGE_M = 0.5;

/**
 * The map of a circuit: the road with its edges, the lines, corners and cones. It can be panned and zoomed; what the mode
 * allows can be dragged, or chosen and moved by keys.
 */
@Component({
  selector: 'jl-circuit-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './circuit-map.html',
  styleUrl: './circuit-map.scss',
})
export class CircuitMapView {
  private readonly injector = inject(Injector);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  readonly circuit = input.required<Circuit>();
  readonly study = input<CircuitStudy>();
  readonly mode = input<MapMode>('look');
  readonly choice = input<MapChoice>();
  /** Place of the common cursor, metres along the centre line. */
  readonly cursorM = input<number>();
  /** Cones that are doubted, and those that have been looked at. */
  readonly doubted = input<ReadonlySet<string>>(new Set());
  readonly checked = input<ReadonlySet<string>>(new Set());
  /** Only a stretch of the lap is shown, metres along the centre line. */
  readonly around = input<{ readonly fromM: number; readonly toM: number }>();
  /** A small picture: without the words that crowd it. */
  readonly quiet = input(false);
  readonly chosen = output<MapChoice | undefined>();
  readonly moved = output<MapMove>();
  readonly cursor = output<number>();
  readonly placed = output<{ xM: number; yM: number }>();

  private readonly transform = signal<ZoomTransform>(zoomIdentity);
  private readonly widthPx = signal(800);
  private zooming: ZoomBehavior<SVGSVGElement, unknown> | undefined;
  protected readonly dragged = signal<(MapMove & { readonly id: string }) | undefined>(undefined);

  /** The centre line as it is being edited; lines and cones follow a moment later. */
  protected readonly centre = computed<CentreLine>(() => centreLineOf(this.circuit().line, 3));
  private readonly box = computed(() => {
    const { xM, yM } = this.centre();
    const part = this.around();
    const inside = (i: number) => !part || within(this.centre().centreM[i]!, part, this.centre().lengthM);
    let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let i = 0; i < xM.length; i++) {
      if (!inside(i)) continue;
      left = Math.min(left, xM[i]!);
      right = Math.max(right, xM[i]!);
      top = Math.min(top, -yM[i]!);
      bottom = Math.max(bottom, -yM[i]!);
    }
    const pad = (this.quiet() ? QUIET_MARGIN : MARGIN) * Math.max(right - left, bottom - top) + 14;
    return { x: left - pad, y: top - pad, width: right - left + 2 * pad, height: bottom - top + 2 * pad };
  });
  protected readonly viewBox = computed(() => {
    const { x, y, width, height } = this.box();
    return `${x} ${y} ${width} ${height}`;
  });
  protected readonly groupTransform = computed(() => this.transform().toString());
  /** Metres that a pixel shows: marks keep their size on screen. */
  protected readonly px = computed(() => this.box().width / this.widthPx() / this.transform().k);

  protected readonly road = computed(() => {
    const centre = this.centre();
    const edge = (side: 1 | -1) =>
      pathOf(centre.xM.length, (i) => {
        const off = side === 1 ? centre.leftM[i]! : -centre.rightM[i]!;
        return [centre.xM[i]! + off * centre.normalX[i]!, -(centre.yM[i]! + off * centre.normalY[i]!)];
      });
    return { left: edge(1), right: edge(-1), both: `${edge(1)}${edge(-1)}` };
  });
  protected readonly racing = computed(() => linePath(this.study()?.racing));
  protected readonly teaching = computed(() => linePath(this.study()?.teaching));
  protected readonly startLine = computed(() => {
    const centre = this.centre();
    const [left, right] = [
      pointBeside(centre, 0, centre.leftM[0]! + 2),
      pointBeside(centre, 0, -centre.rightM[0]! - 2),
    ];
    return { x1: left.xM, y1: -left.yM, x2: right.xM, y2: -right.yM };
  });
  /** Which way one drives: an arrow head past the start line. */
  protected readonly arrow = computed(() => {
    const centre = this.centre();
    const i = stationAt(centre, 18);
    const angle = (Math.atan2(centre.normalX[i]!, centre.normalY[i]!) * 180) / Math.PI;
    return { x: centre.xM[i]!, y: -centre.yM[i]!, angle };
  });
  protected readonly pits = computed(() => {
    const { pitExitM, pitEntryM } = this.circuit();
    return [
      { word: 'pit exit', atM: pitExitM },
      { word: 'pit entry', atM: pitEntryM },
    ].flatMap(({ word, atM }) => {
      if (atM === undefined) return [];
      const point = pointBeside(this.centre(), atM, -this.centre().rightM[stationAt(this.centre(), atM)]! - 16);
      return [{ word, x: point.xM, y: -point.yM }];
    });
  });
  protected readonly places = computed(() => [
    ...this.circuit().landmarks.map(({ name, xM, yM }) => ({ name, x: xM, y: -yM, kind: 'landmark' })),
    ...this.circuit().marshalPosts.map(({ name, xM, yM }) => ({ name, x: xM, y: -yM, kind: 'post' })),
  ]);
  protected readonly crests = computed(() =>
    (this.study()?.crests ?? []).map(({ atM, sightM }) => {
      const point = pointBeside(this.centre(), atM, 0);
      return { x: point.xM, y: -point.yM, words: `blind crest: ${Math.round(sightM)} m to see` };
    }),
  );
  protected readonly labels = computed(() => {
    const study = this.study();
    const centre = this.centre();
    const named = this.circuit().corners.map(({ name, atM }, index) => ({ name, atM, index }));
    const others = (study?.corners ?? [])
      .filter(({ taught }) => !taught.named)
      .map(({ name, taught }) => ({ name, atM: taught.corner.apexM, index: -1 }));
    const middle = { x: this.box().x + this.box().width / 2, y: this.box().y + this.box().height / 2 };
    return [...named, ...others]
      .filter(({ atM }) => !this.around() || within(atM, this.around()!, centre.lengthM))
      .map(({ name, atM, index }) => {
        const i = stationAt(centre, atM);
        const [nx, ny] = [centre.normalX[i]!, -centre.normalY[i]!];
        const [x, y] = [centre.xM[i]!, -centre.yM[i]!];
        const outward = nx * (x - middle.x) + ny * (y - middle.y) >= 0 ? 1 : -1;
        const away = Math.max(centre.leftM[i]!, centre.rightM[i]!) + 16 * this.px();
        const dx = outward * nx;
        return {
          name,
          index,
          x: x + dx * away,
          y: y + outward * ny * away,
          anchor: Math.abs(dx) < 0.5 ? 'middle' : dx > 0 ? 'start' : 'end',
          chosen: this.isChosen({ kind: 'corner', index }),
        };
      });
  });
  protected readonly cones = computed(() => {
    const drag = this.dragged();
    return (this.study()?.cones.cones ?? []).map((cone) => {
      const at = drag?.choice.kind === 'cone' && drag.choice.id === cone.id ? drag : cone;
      return {
        ...cone,
        x: at.xM,
        y: -at.yM,
        chosen: this.isChosen({ kind: 'cone', id: cone.id }),
        doubted: this.doubted().has(cone.id),
        done: this.checked().has(cone.id),
        words: `${cone.marker.colour}, ${cone.kind}${cone.corner ? `, ${cone.corner}` : ''}`,
      };
    });
  });
  protected readonly omitted = computed(() =>
    (this.study()?.cones.omitted ?? [])
      .filter(({ kind }) => kind === 'exit')
      .map(({ corner, atM, reason }) => {
        const point = pointBeside(this.centre(), atM, 0);
        return { corner, reason: PLAIN_WORDS.omitted(reason), x: point.xM, y: -point.yM };
      }),
  );
  protected readonly points = computed(() => {
    const drag = this.dragged();
    return this.circuit().line.map((point, index) => {
      const at = drag?.choice.kind === 'point' && drag.choice.index === index && !drag.side ? drag : point;
      return { index, x: at.xM, y: -at.yM, chosen: this.isChosen({ kind: 'point', index }) };
    });
  });
  /** Handles on the edges, one pair a point of the line. */
  protected readonly edges = computed(() => {
    const { line } = this.circuit();
    const centre = this.centre();
    return line.flatMap((point, index) => {
      const { atM } = besideCentreNear(centre, point, index / line.length);
      return (['left', 'right'] as const).map((side) => {
        const off = side === 'left' ? point.leftM : -point.rightM;
        const at = pointBeside(centre, atM, off);
        return { index, side, x: at.xM, y: -at.yM };
      });
    });
  });
  protected readonly marker = computed(() => {
    const atM = this.cursorM();
    if (atM === undefined) return undefined;
    const point = pointBeside(this.centre(), atM, 0);
    return { x: point.xM, y: -point.yM };
  });
  protected readonly words = computed(() => {
    const corners = this.study()?.corners.map(({ name }) => name) ?? [];
    return `Map of ${this.circuit().name}, ${Math.round(this.centre().lengthM)} m, corners ${corners.join(', ')}`;
  });

  constructor() {
    afterNextRender(() => this.prepare(), { injector: this.injector });
  }

  private prepare(): void {
    const svg = this.svg().nativeElement;
    const observer = new ResizeObserver(() => {
      const { clientWidth, clientHeight } = svg;
      const { width, height } = this.box();
      // The view box is fitted into the element, so that the narrower side decides.
      this.widthPx.set(Math.max(50, Math.min(clientWidth, (clientHeight * width) / height)));
    });
    observer.observe(svg);
    this.zooming = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MOST_ZOOM])
      .filter((event: Event) => !(event.target as Element).closest('.handle') && !(event as MouseEvent).button)
      .on('zoom', ({ transform }: { transform: ZoomTransform }) => this.transform.set(transform));
    select(svg).call(this.zooming).on('dblclick.zoom', null);
  }

  zoomBy(factor: number): void {
    if (this.zooming) this.zooming.scaleBy(select(this.svg().nativeElement), factor);
  }

  showAll(): void {
    if (this.zooming) this.zooming.transform(select(this.svg().nativeElement), zoomIdentity);
  }

  protected isChosen(one: MapChoice): boolean {
    return JSON.stringify(this.choice()) === JSON.stringify(one);
  }

  protected begin(event: PointerEvent, choice: MapChoice, side?: 'left' | 'right'): void {
    event.stopPropagation();
    (event.target as Element).setPointerCapture(event.pointerId);
    const { xM, yM } = this.placeOf(event);
    this.chosen.emit(choice);
    this.dragged.set({ id: `${event.pointerId}`, choice, xM, yM, side });
  }

  protected drag(event: PointerEvent): void {
    const drag = this.dragged();
    if (drag && drag.id === `${event.pointerId}`) this.dragged.set({ ...drag, ...this.placeOf(event) });
  }

  protected drop(event: PointerEvent): void {
    const drag = this.dragged();
    if (!drag || drag.id !== `${event.pointerId}`) return;
    this.dragged.set(undefined);
    this.moved.emit({ choice: drag.choice, xM: drag.xM, yM: drag.yM, side: drag.side });
  }

  /** Moves the common cursor to the nearest place of the line. */
  protected hover(event: PointerEvent): void {
    if (this.dragged()) return;
    const { xM, yM } = this.placeOf(event);
    const { atM, offsetM } = besideCentre(this.centre(), xM, yM);
    if (Math.abs(offsetM) < 40) this.cursor.emit(atM);
  }

  protected click(event: MouseEvent): void {
    if ((event.target as Element).closest('.handle')) return;
    if (this.mode() === 'cones') this.placed.emit(this.placeOf(event));
    else this.chosen.emit(undefined);
  }

  /** The keyboard's way of dragging: arrows move what is chosen, comma and full stop choose the next. */
  protected key(event: KeyboardEvent): void {
    const choice = this.choice();
    if (event.key === '+' || event.key === '-') {
      event.preventDefault();
      return this.zoomBy(event.key === '+' ? 1.4 : 1 / 1.4);
    }
    if (event.key === ',' || event.key === '.') {
      event.preventDefault();
      return this.chosen.emit(this.neighbour(choice, event.key === '.' ? 1 : -1));
    }
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    const from = choice && this.placeOfChoice(choice);
    if (!way || !from || !choice) return;
    event.preventDefault();
    const step = NUDGE_M * (event.shiftKey ? 10 : 1);
    this.moved.emit({ choice, xM: from.xM + way[0]! * step, yM: from.yM + way[1]! * step });
  }

  private neighbour(choice: MapChoice | undefined, step: 1 | -1): MapChoice | undefined {
    const around = (index: number, size: number) => (index + size) % size;
    if (this.mode() === 'line' || this.mode() === 'width') {
      const size = this.circuit().line.length;
      return { kind: 'point', index: around((choice?.kind === 'point' ? choice.index : -step) + step, size) };
    }
    if (this.mode() === 'cones') {
      const cones = this.study()?.cones.cones ?? [];
      const at = choice?.kind === 'cone' ? cones.findIndex(({ id }) => id === choice.id) : -step;
      return cones.length > 0 ? { kind: 'cone', id: cones[around(at + step, cones.length)]!.id } : undefined;
    }
    const size = this.circuit().corners.length;
    if (this.mode() !== 'names' || size === 0) return undefined;
    return { kind: 'corner', index: around((choice?.kind === 'corner' ? choice.index : -step) + step, size) };
  }

  private placeOfChoice(choice: MapChoice): { xM: number; yM: number } | undefined {
    if (choice.kind === 'point') return this.circuit().line[choice.index];
    if (choice.kind === 'cone') {
      // What has just been moved is known here before it is computed.
      const { cones, movedCones } = this.circuit();
      const isIt = ({ id }: { id: string }) => id === choice.id;
      return cones.find(isIt) ?? movedCones.find(isIt) ?? this.study()?.cones.cones.find(isIt);
    }
    const corner = this.circuit().corners[choice.index];
    return corner && pointBeside(this.centre(), corner.atM, 0);
  }

  private placeOf(event: MouseEvent): { xM: number; yM: number } {
    const group = this.svg().nativeElement.querySelector<SVGGElement>('g.world')!;
    const matrix = group.getScreenCTM();
    if (!matrix) return { xM: 0, yM: 0 };
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { xM: x, yM: -y };
  }
}

function within(atM: number, { fromM, toM }: { fromM: number; toM: number }, lengthM: number): boolean {
  const along = around(atM - fromM, lengthM);
  return along <= toM - fromM;
}

function linePath(line: DrivenLine | undefined): string {
  return line ? pathOf(line.xM.length, (i) => [line.xM[i]!, -line.yM[i]!]) : '';
}

function pathOf(size: number, at: (index: number) => readonly [number, number]): string {
  const parts: string[] = [];
  for (let i = 0; i < size; i++) {
    const [x, y] = at(i);
    parts.push(`${x.toFixed(1)} ${y.toFixed(1)}`);
  }
  return `M${parts.join('L')}Z`;
}

/** Where a point of the line lies along it, looked for near the share of the lap at which it is expected. */
function besideCentreNear(centre: CentreLine, { xM, yM }: { xM: number; yM: number }, share: number): { atM: number } {
  const n = centre.xM.length;
  const middle = Math.round(share * n);
  const reach = Math.max(20, n >> 3);
  let [best, bestM] = [middle % n, Infinity];
  for (let k = middle - reach; k <= middle + reach; k++) {
    const i = around(k, n);
    const offM = (centre.xM[i]! - xM) ** 2 + (centre.yM[i]! - yM) ** 2;
    if (offM < bestM) [best, bestM] = [i, offM];
  }
  return { atM: centre.centreM[best]! };
}
