import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  centreLineOf,
  circuitFaults,
  circuitOfDrawing,
  FEWEST_DRAWN,
  placed,
  placingOnGlobe,
  type Circuit,
  type DrawnPoint,
  type Origin,
  type Placing,
} from '@core/track/circuit';
import { bendsWords } from './bends-words';
import { twoNumbers } from './two-numbers';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';

/** What is seen of the sheet at first, metres. */
const SHEET = { widthM: 1000, heightM: 600 };
const GRID_M = 100;
const NUDGE_M = 2;
const ZOOM = 1.4;
const MOST_ZOOM = 12;

/** A picture under the drawing, as it lies on the sheet. */
interface Ground {
  readonly href: string;
  readonly xM: number;
  readonly yM: number;
  readonly widthM: number;
  /** Height over width. */
  readonly shape: number;
  /** Turned about its upper left corner, anticlockwise, radians. */
  readonly turnRad: number;
}

/** Draws a circuit: places along its middle, on an empty sheet or over a picture whose scale is set by two places. */
@Component({
  selector: 'jl-draw-circuit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, NumberField, InputText],
  templateUrl: './draw-circuit.html',
  styleUrl: './draw-circuit.scss',
})
export class DrawCircuit {
  readonly open = model(false);
  readonly read = output<Circuit>();
  private readonly sheet = viewChild<ElementRef<SVGSVGElement>>('sheet');
  protected readonly name = signal('');
  protected readonly widthM = signal(10);
  protected readonly points = signal<readonly DrawnPoint[]>([]);
  /** Place that is being moved. */
  private readonly held = signal<number | undefined>(undefined);
  protected readonly zoom = signal(1);
  protected readonly middle = signal<DrawnPoint>({ xM: SHEET.widthM / 2, yM: -SHEET.heightM / 2 });
  protected readonly ground = signal<Ground | undefined>(undefined);
  /** The places whose distance is known, while the picture's scale is being set. */
  protected readonly known = signal<readonly DrawnPoint[] | undefined>(undefined);
  protected readonly knownM = signal(100);
  /** Where the two places lie on the globe, as typed: `latitude, longitude`. */
  protected readonly onGlobe = signal<readonly [string, string]>(['', '']);
  /** Of the plane, once the picture lies where it does on the globe. */
  private readonly origin = signal<Origin | undefined>(undefined);

  protected readonly view = computed(() => {
    const [widthM, heightM] = [SHEET.widthM / this.zoom(), SHEET.heightM / this.zoom()];
    const { xM, yM } = this.middle();
    return { x: xM - widthM / 2, y: -yM - heightM / 2, widthM, heightM, unit: widthM / SHEET.widthM };
  });
  protected readonly grid = computed(() => {
    const { x, y, widthM, heightM } = this.view();
    const lines = (from: number, length: number) =>
      Array.from({ length: Math.ceil(length / GRID_M) + 1 }, (_, i) => (Math.ceil(from / GRID_M) + i) * GRID_M);
    // To the edges of the sheet, which may be wider than what has to be seen of it.
    return { across: lines(x - widthM / 2, 2 * widthM), down: lines(y, heightM) };
  });
  protected readonly circuit = computed(() =>
    circuitOfDrawing({
      name: this.name(),
      points: this.points(),
      widthM: this.widthM() || 10,
      origin: this.origin(),
    }),
  );
  protected readonly drawn = computed(() => {
    const circuit = this.circuit();
    if (!circuit) return undefined;
    const centre = centreLineOf(circuit.line, 4);
    const path = `M${Array.from(centre.xM, (xM, i) => `${xM.toFixed(1)} ${(-centre.yM[i]!).toFixed(1)}`).join('L')}Z`;
    return { path, words: `${Math.round(centre.lengthM)} m, ${bendsWords(centre)}` };
  });
  protected readonly fault = computed(() => {
    const circuit = this.circuit();
    return circuit && circuitFaults(circuit)[0]?.message;
  });
  protected readonly says = computed(() => {
    const known = this.known();
    if (known) {
      return known.length < 2
        ? `Tap ${known.length === 0 ? 'one of' : 'the other of'} two places of the picture whose distance you know.`
        : 'How far are these two apart, or where on the globe do they lie?';
    }
    const left = FEWEST_DRAWN - this.points().length;
    if (this.points().length === 0) return 'Tap where the start line is, then along the road in driving direction.';
    return left > 0 ? `${left} more, then it is a ring.` : 'Tap on, move a place by dragging it, or take it over.';
  });

  /** On the sheet, south is down: what turns one way on the ground turns the other way in the picture. */
  protected turn({ turnRad, xM, yM }: Ground): string {
    return `rotate(${(-turnRad * 180) / Math.PI} ${xM} ${yM})`;
  }

  protected tap(event: PointerEvent): void {
    if (event.button !== 0) return;
    const at = this.placeOf(event);
    const known = this.known();
    if (known) return void (known.length < 2 && this.known.set([...known, at]));
    this.points.update((points) => [...points, at]);
  }

  protected hold(event: PointerEvent, place: number): void {
    event.stopPropagation();
    (event.target as Element).setPointerCapture(event.pointerId);
    this.held.set(place);
  }

  protected drag(event: PointerEvent): void {
    const held = this.held();
    if (held !== undefined) this.put(held, this.placeOf(event));
  }

  protected letGo(): void {
    this.held.set(undefined);
  }

  protected key(event: KeyboardEvent, place: number): void {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    const point = this.points()[place]!;
    if (by) this.put(place, { xM: point.xM + by[0]! * NUDGE_M, yM: point.yM + by[1]! * NUDGE_M });
    else if (event.key === 'Delete' || event.key === 'Backspace') this.remove(place);
    else return;
    event.preventDefault();
  }

  protected remove(place: number): void {
    this.points.update((points) => points.filter((_, at) => at !== place));
  }

  protected takeBack(): void {
    this.remove(this.points().length - 1);
  }

  /** Driven the other way round, from the same start line. */
  protected turnRound(): void {
    this.points.update(([first, ...others]) => (first ? [first, ...others.reverse()] : []));
  }

  protected nearer(by: 1 | -1): void {
    this.zoom.update((zoom) => Math.min(MOST_ZOOM, Math.max(0.2, zoom * ZOOM ** by)));
  }

  protected move(acrossShare: number, downShare: number): void {
    const { widthM, heightM } = this.view();
    this.middle.update(({ xM, yM }) => ({ xM: xM + acrossShare * widthM, yM: yM - downShare * heightM }));
  }

  protected async lay(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    const { width, height } = await createImageBitmap(file);
    const { x, y, widthM } = this.view();
    this.clearGround();
    this.ground.set({ href: URL.createObjectURL(file), xM: x, yM: y, widthM, shape: height / width, turnRad: 0 });
    this.origin.set(undefined);
    this.known.set([]);
  }

  /** The picture becomes as large as the distance of its two places says; the first of them stays where it is. */
  protected setScale(): void {
    const [a, b] = this.known() ?? [];
    if (!a || !b || !(this.knownM() > 0)) return;
    const factor = this.knownM() / Math.max(0.1, Math.hypot(b.xM - a.xM, b.yM - a.yM));
    this.layBy({ scale: factor, turnRad: 0, from: a, to: a });
  }

  protected readonly places = computed(() => {
    const [a, b] = this.known() ?? [];
    const [onA, onB] = this.onGlobe().map(twoNumbers);
    if (!a || !b || !onA || !onB) return undefined;
    return placingOnGlobe([
      { ...a, latDeg: onA[0], lonDeg: onA[1] },
      { ...b, latDeg: onB[0], lonDeg: onB[1] },
    ]);
  });

  /** The picture comes to lie, turned to the north, where its two places do on the globe. */
  protected setPlaces(): void {
    const places = this.places();
    if (!places) return;
    this.layBy(places.placing);
    this.origin.set(places.origin);
  }

  protected typePlace(place: 0 | 1, text: string): void {
    this.onGlobe.update(([a, b]) => (place === 0 ? [text, b] : [a, text]));
  }

  /** Lays the picture, and what has been drawn on it, anew. */
  private layBy(placing: Placing): void {
    const ground = this.ground();
    if (!ground) return;
    const corner = placed({ xM: ground.xM, yM: -ground.yM }, placing);
    this.ground.set({
      ...ground,
      xM: corner.xM,
      yM: -corner.yM,
      widthM: ground.widthM * placing.scale,
      turnRad: ground.turnRad + placing.turnRad,
    });
    this.points.update((points) => points.map((point) => placed(point, placing)));
    this.known.set(undefined);
    this.whole();
  }

  /** Everything that lies on the sheet. */
  protected whole(): void {
    const ground = this.ground();
    const points = this.points();
    const seen = [...points, ...(ground ? cornersOfPicture(ground) : [])];
    const [xs, ys] = [seen.map(({ xM }) => xM), seen.map(({ yM }) => yM)];
    if (xs.length === 0) return;
    const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    this.middle.set({ xM: (left + right) / 2, yM: (low + high) / 2 });
    const share = Math.max((right - left) / SHEET.widthM, (high - low) / SHEET.heightM, 0.1);
    this.zoom.set(0.92 / share);
  }

  protected takeOver(): void {
    const circuit = this.circuit();
    if (!circuit || this.fault()) return;
    this.read.emit(circuit);
    this.close();
  }

  protected close(): void {
    this.clearGround();
    this.points.set([]);
    this.known.set(undefined);
    this.onGlobe.set(['', '']);
    this.open.set(false);
  }

  private clearGround(): void {
    const ground = this.ground();
    if (ground) URL.revokeObjectURL(ground.href);
    this.ground.set(undefined);
    this.origin.set(undefined);
  }

  private put(place: number, point: DrawnPoint): void {
    this.points.update((points) => points.map((one, at) => (at === place ? point : one)));
  }

  private placeOf({ clientX, clientY }: PointerEvent): DrawnPoint {
    const sheet = this.sheet()!.nativeElement;
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(sheet.getScreenCTM()!.inverse());
    return { xM: Math.round(x * 10) / 10, yM: Math.round(-y * 10) / 10 };
  }
}

/** The corners of a picture as it lies. */
function cornersOfPicture({ xM, yM, widthM, shape, turnRad }: Ground): DrawnPoint[] {
  const corner = { xM, yM: -yM };
  const lie = { scale: 1, turnRad, from: corner, to: corner };
  return [
    [0, 0],
    [widthM, 0],
    [widthM, widthM * shape],
    [0, widthM * shape],
  ].map(([right, down]) => placed({ xM: xM + right!, yM: -yM - down! }, lie));
}
