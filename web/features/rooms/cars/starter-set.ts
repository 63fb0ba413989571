import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { CAR_KINDS, starterSet, venueOfCars, type CarFields, type CarKind } from '@core/venue/fleet';
import { contract } from '@core/api';
import { CAR_KIND_WORDS } from '@words/en/first-steps';
import { Button } from 'primeng/button';
import { concatMap, from, last } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';

const MOST_OF_A_KIND = 20;

/** Whole cars to begin with: so many of each kind, to be renamed and corrected one by one. */
@Component({
  selector: 'jl-starter-set',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <p class="muted">
      How many of which kind? They come with lap times, tank, price and what is said of them, all assumed: each number
      says so, and where a better one would come from.
    </p>
    <ul>
      @for (kind of kinds; track kind) {
        <li>
          <span
            ><b>{{ words[kind].name }}</b
            >&ngsp;<span class="muted">{{ words[kind].like }}</span></span
          >
          <button type="button" [attr.aria-label]="'One less: ' + words[kind].name" (click)="change(kind, -1)">
            −
          </button>
          <output [attr.aria-label]="words[kind].name">{{ counts()[kind] ?? 0 }}</output>
          <button type="button" [attr.aria-label]="'One more: ' + words[kind].name" (click)="change(kind, 1)">+</button>
        </li>
      }
    </ul>
    <p-button [label]="label()" [disabled]="total() === 0" [loading]="adding()" (onClick)="add()" />
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(21rem, 1fr));
      gap: 0.3rem 1.6rem;
      margin: 0.4rem 0 0.8rem;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 44px 2rem 44px;
      align-items: center;
      border-bottom: 1px solid var(--p-jl-line);
    }
    li button {
      min-height: 44px;
      border: 0;
      background: none;
      color: inherit;
      font-size: 20px;
      cursor: pointer;
    }
    output {
      text-align: center;
      font-weight: 700;
    }
    p {
      margin: 0 0 0.4rem;
    }
  `,
})
export class StarterSet {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly done = output();
  protected readonly kinds = CAR_KINDS;
  protected readonly words = CAR_KIND_WORDS;
  protected readonly counts = signal<Partial<Record<CarKind, number>>>({});
  protected readonly adding = signal(false);
  protected readonly total = computed(() => Object.values(this.counts()).reduce((sum, count) => sum + count, 0));
  protected readonly label = computed(() => {
    const total = this.total();
    return total === 0 ? 'Add cars' : total === 1 ? 'Add this car' : `Add these ${total} cars`;
  });

  protected change(kind: CarKind, by: number): void {
    this.counts.update((counts) => ({
      ...counts,
      [kind]: Math.min(MOST_OF_A_KIND, Math.max(0, (counts[kind] ?? 0) + by)),
    }));
  }

  protected add(): void {
    const day = this.data.day();
    if (!day) return;
    this.adding.set(true);
    const names = Object.fromEntries(CAR_KINDS.map((kind) => [kind, CAR_KIND_WORDS[kind].name])) as Record<
      CarKind,
      string
    >;
    const at = venueOfCars(day, this.data.currency());
    // Numbered on from the fleet as it is now, whoever has changed it meanwhile.
    this.api
      .call(contract.listCars)
      .pipe(
        concatMap(({ cars }) =>
          from(
            starterSet(
              this.counts(),
              names,
              cars.map(({ fields }): CarFields => fields),
              at,
            ),
          ),
        ),
        concatMap((car) => this.api.call(contract.addCar, { body: car })),
        last(),
      )
      .subscribe({
        next: () => {
          this.adding.set(false);
          this.counts.set({});
          this.data.reload();
          this.done.emit();
        },
        error: (error: Error) => {
          this.adding.set(false);
          this.data.reload();
          this.data.refuse(error.message);
        },
      });
  }
}
