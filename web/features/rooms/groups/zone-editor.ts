import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { ZONE_KINDS, type Surface, type Zone, type ZoneKind } from '@core/programmes';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { sizeOf, ZonePlan } from './zone-plan';

const NEW_ZONE = { xM: 4, yM: 4, widthM: 30, heightM: 14 };
const KIND_LABELS: Readonly<Record<ZoneKind, string>> = {
  slick: 'Slick',
  loose: 'Loose',
  safety: 'Safety zone',
  gate: 'Start gate',
};

/** The zones of a surface, drawn to scale: dragged and stretched by pointer, or by the arrow keys, with Shift to stretch. */
@Component({
  selector: 'jl-zone-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, InputText, ZonePlan],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      [header]="'Zones of ' + surface().name"
      [visible]="open()"
      (visibleChange)="open.set($event)"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '46rem', maxWidth: '94vw' }"
    >
      <div class="row" role="group" aria-label="Add a zone">
        @for (kind of kinds; track kind.value) {
          <p-button [label]="kind.label" icon="pi pi-plus" size="small" [outlined]="true" (onClick)="add(kind.value)" />
        }
      </div>
      <div
        #plan
        class="plan"
        tabindex="0"
        role="application"
        aria-label="Plan of the zones: arrow keys move the chosen one, with Shift they stretch it, Delete takes it away"
        (pointermove)="drag($event)"
        (pointerup)="held = undefined"
        (pointercancel)="held = undefined"
        (keydown)="key($event)"
      >
        <jl-zone-plan [across]="110" [zones]="zones()" [chosen]="chosen()" (pressed)="press($event)" />
      </div>
      @if (zone(); as it) {
        <div class="row">
          <label for="zone-station">Station there</label>
          <input
            pInputText
            id="zone-station"
            placeholder="none"
            [ngModel]="it.station ?? ''"
            (ngModelChange)="change({ station: $event.trim() || undefined })"
          />
          <span class="muted">{{ it.widthM }} × {{ it.heightM }} m</span>
          <p-button label="Take this zone away" size="small" [text]="true" (onClick)="remove()" />
        </div>
      } @else {
        <p class="muted">Add a zone, or press one to move it.</p>
      }
      <div class="row end">
        <p-button label="Cancel" [text]="true" (onClick)="open.set(false)" />
        <p-button label="Save" (onClick)="saved.emit(zones())" />
      </div>
    </p-dialog>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
      margin: 0.6rem 0;
    }
    .end {
      justify-content: flex-end;
    }
    .plan {
      touch-action: none;
      cursor: grab;
    }
  `,
})
export class ZoneEditor {
  readonly surface = input.required<Surface>();
  readonly open = model(false);
  readonly saved = output<readonly Zone[]>();
  private readonly plan = viewChild<ElementRef<HTMLElement>>('plan');
  protected readonly kinds = ZONE_KINDS.map((value) => ({ value, label: KIND_LABELS[value] }));
  protected readonly zones = signal<readonly Zone[]>([]);
  protected readonly chosen = signal<number | undefined>(undefined);
  protected readonly zone = computed(() => this.zones()[this.chosen() ?? -1]);
  /** The zone under the pointer, as it was when it was pressed, and where. */
  protected held: { readonly zone: Zone; readonly corner: boolean; readonly x: number; readonly y: number } | undefined;

  constructor() {
    effect(() => {
      if (!this.open()) return;
      this.zones.set(this.surface().zones ?? []);
      this.chosen.set(undefined);
    });
  }

  protected add(kind: ZoneKind): void {
    const narrow = kind === 'gate' ? { widthM: 2 } : {};
    this.zones.update((zones) => [...zones, { kind, ...NEW_ZONE, ...narrow }]);
    this.chosen.set(this.zones().length - 1);
    this.plan()?.nativeElement.focus();
  }

  protected change(change: Partial<Zone>): void {
    const at = this.chosen();
    this.zones.update((zones) => zones.map((zone, place) => (place === at ? { ...zone, ...change } : zone)));
  }

  protected remove(): void {
    const at = this.chosen();
    this.zones.update((zones) => zones.filter((_, place) => place !== at));
    this.chosen.set(undefined);
  }

  protected press({ index, corner, event }: { index: number; corner: boolean; event: PointerEvent }): void {
    this.chosen.set(index);
    this.held = { zone: this.zones()[index]!, corner, x: event.clientX, y: event.clientY };
    this.plan()?.nativeElement.setPointerCapture(event.pointerId);
  }

  protected drag(event: PointerEvent): void {
    const { held } = this;
    const svg = this.plan()?.nativeElement.querySelector('svg');
    if (!held || !svg) return;
    const mPerPx = sizeOf(this.zones()).width / svg.clientWidth;
    const [dx, dy] = [(event.clientX - held.x) * mPerPx, (event.clientY - held.y) * mPerPx];
    this.move(held.zone, held.corner, dx, dy);
  }

  protected key(event: KeyboardEvent): void {
    const zone = this.zone();
    if (!zone) return;
    const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? [
      0, 0,
    ];
    if (event.key === 'Delete') this.remove();
    else if (dx === 0 && dy === 0) return;
    else this.move(zone, event.shiftKey, dx!, dy!);
    event.preventDefault();
  }

  /** By whole metres, and not out of the plan on the side where it begins. */
  private move({ xM, yM, widthM, heightM }: Zone, stretched: boolean, dx: number, dy: number): void {
    const whole = (valueM: number, leastM: number) => Math.max(leastM, Math.round(valueM));
    this.change(
      stretched
        ? { widthM: whole(widthM + dx, 1), heightM: whole(heightM + dy, 1) }
        : { xM: whole(xM + dx, 0), yM: whole(yM + dy, 0) },
    );
  }
}
