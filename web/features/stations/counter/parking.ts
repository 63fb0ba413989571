import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { CarPlace, DriveState } from '@core/journal';
import { DayService } from '../../../shared/data/day.service';
import type { NewEntry } from '../../../shared/data/open-day';

/** Where a tap on the car's outline falls, from the nose on the left; the wheels lie on top of the sides. */
const OUTLINE: readonly {
  readonly place: CarPlace;
  readonly word: string;
  readonly d: string;
  readonly at: readonly [number, number];
}[] = [
  { place: 'front', word: 'front', d: 'M70 16Q14 22 14 70Q14 118 70 124Z', at: [44, 74] },
  { place: 'left side', word: 'left', d: 'M70 88H230V124H70Z', at: [150, 112] },
  { place: 'right side', word: 'right', d: 'M70 16H230V52H70Z', at: [150, 38] },
  { place: 'roof and glass', word: 'roof, glass', d: 'M70 52H230V88H70Z', at: [150, 74] },
  { place: 'rear', word: 'rear', d: 'M230 16Q286 20 286 70Q286 120 230 124Z', at: [257, 74] },
];
const ELSEWHERE: readonly CarPlace[] = ['wheels and tyres', 'brakes', 'engine and gearbox', 'cockpit'];
const QUARTERS = [0.25, 0.5, 0.75, 1] as const;
const QUARTER_WORDS = { 0.25: '¼', 0.5: '½', 0.75: '¾', 1: 'full' } as const;

/** What is done at a car that has just been parked, with one hand: fuel, a fault, the card, and who comes next. */
@Component({
  selector: 'jl-parking',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Car {{ number() }} is parked</h2>
    <div class="row" role="group" aria-label="Fuel">
      <span>Fuel</span>
      @for (quarter of quarters; track quarter) {
        <button
          type="button"
          [class.on]="read() === quarter"
          [attr.aria-label]="'Fuel ' + quarterWords[quarter]"
          [attr.aria-pressed]="read() === quarter"
          (click)="fuel(quarter)"
        >
          {{ quarterWords[quarter] }}
        </button>
      }
    </div>
    <svg viewBox="0 0 300 140" role="group" aria-label="A fault: tap where it is">
      @for (part of outline; track part.place) {
        <g
          role="button"
          tabindex="0"
          [class.on]="faulty().has(part.place)"
          [attr.aria-label]="'Fault: ' + part.place"
          (click)="fault(part.place)"
          (keydown.enter)="fault(part.place)"
        >
          <path [attr.d]="part.d" />
          <text [attr.x]="part.at[0]" [attr.y]="part.at[1]" text-anchor="middle">{{ part.word }}</text>
        </g>
      }
    </svg>
    <div class="row">
      @for (place of elsewhere; track place) {
        <button
          type="button"
          class="small"
          [class.on]="faulty().has(place)"
          [attr.aria-label]="'Fault: ' + place"
          (click)="fault(place)"
        >
          {{ place }}
        </button>
      }
    </div>
    <div class="row">
      <button type="button" [class.on]="carded()" [attr.aria-pressed]="carded()" (click)="card()">
        {{ carded() ? 'Card is handed over' : 'Hand over the card' }}
      </button>
      <button type="button" (click)="debriefed()">Debriefed</button>
      <button type="button" class="go" (click)="done.emit()">{{ next() }}</button>
    </div>
  `,
  styleUrl: './parking.scss',
})
export class Parking {
  private readonly data = inject(DayService);
  readonly drive = input.required<DriveState>();
  /** Whom this instructor gets next, and where. */
  readonly next = input.required<string>();
  readonly by = input<string>();
  /** The car has been left. */
  readonly done = output();

  protected readonly outline = OUTLINE;
  protected readonly elsewhere = ELSEWHERE;
  protected readonly quarters = QUARTERS;
  protected readonly quarterWords = QUARTER_WORDS;
  /** What has been read of the tank since it was parked, as a share of it. */
  protected readonly read = signal<number | undefined>(undefined);
  private readonly car = computed(() => this.drive().car ?? '');
  protected readonly number = computed(() => this.data.view()?.carNumbers[this.car()] ?? '');
  private readonly garage = computed(() => this.data.state()?.garage.cars.get(this.car()));
  private readonly parkedS = computed(() => this.drive().parkedS ?? Infinity);
  /** Where something was found since the car was parked. */
  protected readonly faulty = computed(
    () => new Set((this.garage()?.faults ?? []).filter(({ atS }) => atS >= this.parkedS()).map(({ where }) => where)),
  );
  protected readonly carded = computed(() => {
    const card = this.garage()?.card;
    return card?.where === 'out' && card.atS >= this.parkedS();
  });

  protected fuel(quarter: number): void {
    const capacityL = this.data.day()?.cars.find(({ id }) => id === this.car())?.fuel.capacityL;
    if (capacityL === undefined) return;
    const litres = Math.round(capacityL * quarter * 10) / 10;
    if (this.enter({ kind: 'fuelRead', car: this.car(), litres, withinL: capacityL / 8 })) this.read.set(quarter);
  }

  /** To be looked at by the garage, which says what it is and how bad. */
  protected fault(where: CarPlace): void {
    if (this.faulty().has(where)) return;
    this.enter({ kind: 'faultFound', car: this.car(), where, what: 'seen at parking, look at it', severity: 'watch' });
  }

  protected card(): void {
    if (!this.carded()) this.enter({ kind: 'cardMoved', car: this.car(), card: 'out', charged: false });
  }

  /** The car is left with it: there is nothing more to do here. */
  protected debriefed(): void {
    if (this.enter({ kind: 'debriefed', drive: this.drive().drive.id })) this.done.emit();
  }

  private enter(entry: NewEntry): boolean {
    return this.data.record(entry, this.by());
  }
}
