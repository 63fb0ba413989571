import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract, type OfferedPlace, type OfferedPlaces } from '@core/api';
import { carMisfit } from '@core/rules';
import { clockMinute, money } from '@core/values';
import { BY_ID, lapsText, namesOf } from '@words';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../../../shared/forms/number-field';
import { MultiSelect } from 'primeng/multiselect';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { Who } from '../../../shared/data/who';

/** A ride is short: out, round and in. */
const RIDE_LAPS = 2;

/** Laps that a guest has paid for and not driven, because the drive was broken off. */
export interface OwedLaps {
  readonly drive: string;
  readonly laps: number;
  readonly cars: readonly string[];
}

/** What the desk asks when a guest wants another car: where one more drive would fit today, and what it costs. */
@Component({
  selector: 'jl-one-more-drive',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, NumberField, MultiSelect],
  templateUrl: './one-more-drive.html',
  styleUrl: './one-more-drive.scss',
})
export class OneMoreDrive {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly currency = inject(DayService).currency;
  readonly open = model(false);
  /** Id of the guest. */
  readonly guest = input.required<string>();
  /** Set where laps owed are to be driven: nothing is charged for them. */
  readonly owed = input<OwedLaps>();
  /** Beside an instructor who drives; asked at once for the cars that give rides. */
  readonly ride = input(false);
  /** What the guest wants, where that is known already. */
  readonly wanted = input<{ readonly cars: readonly string[]; readonly laps: number }>();
  protected readonly title = computed(() => {
    const owed = this.owed();
    return owed ? `Laps owed: ${owed.laps}` : this.ride() ? 'A ride beside an instructor' : 'One more drive';
  });
  protected readonly cars = signal<readonly string[]>([]);
  protected readonly laps = signal(5);
  protected readonly seats = signal(1);
  protected readonly offer = signal<OfferedPlaces | undefined>(undefined);
  protected readonly busy = signal(false);

  /** The cars that fit the guest, by number. */
  protected readonly choices = computed(() => {
    const [view, guest] = [this.data.view(), this.data.state()?.guests.get(this.guest())?.guest];
    if (!view || !guest) return [];
    const wish = { id: '', laps: 1, ...(this.ride() && { ride: { seats: this.seats() } }) };
    return view.day.cars
      .filter((car) => !carMisfit(car, { ...wish, cars: [car.id] }, guest))
      .map(({ id, name }) => ({ value: id, label: `${view.carNumbers[id] ?? ''} ${name}`.trim() }));
  });
  private readonly names = computed(() => {
    const view = this.data.view();
    return view ? namesOf(view.day) : BY_ID;
  });
  protected readonly places = computed(() => {
    const offer = this.offer();
    if (!offer) return [];
    const { better, slots } = offer;
    return [
      ...slots.map((place) => ({ place, better: false })),
      ...(better ? [{ place: better, better: true }] : []),
    ].map(({ place, better: moves }) => ({
      place,
      moves,
      seat: clockMinute(place.seat),
      words: `${this.carWords([place.planned.car])}, with ${this.names().instructor(place.planned.instructor)}`,
      price: this.owed() ? 'paid' : place.price === null ? 'no price in the list' : money(place.price, this.currency()),
      costs: this.costWords(place),
      moved: place.moved
        .map(({ guest, from, to }) => `${this.names().guest(guest)} from ${clockMinute(from)} to ${clockMinute(to)}`)
        .join('; '),
    }));
  });

  /** What is said where there is no place at all. */
  protected readonly none = computed(() => {
    const offer = this.offer();
    if (!offer || offer.better || offer.slots.length > 0) return undefined;
    return `There is no place left today for ${lapsText(this.laps())} in ${this.carWords(this.cars())}; another car, fewer laps or longer hours may help.`;
  });

  constructor() {
    effect(() => {
      const known = this.open() ? (this.owed() ?? this.wanted()) : undefined;
      if (known) this.wish({ cars: known.cars, laps: known.laps });
      else if (this.open() && this.ride()) untracked(() => this.askForRide());
    });
  }

  /** Any car that gives rides will do, until somebody chooses. */
  private askForRide(): void {
    this.wish({ cars: this.choices().map(({ value }) => value), laps: RIDE_LAPS });
    if (this.cars().length > 0) this.find();
  }

  protected wish(change: { cars?: readonly string[]; laps?: number; seats?: number }): void {
    if (change.seats) this.seats.set(change.seats);
    if (change.cars) this.cars.set(change.cars);
    if (change.laps) this.laps.set(change.laps);
    this.offer.set(undefined);
  }

  protected find(): void {
    const makesUpFor = this.owed()?.drive;
    const body = { ...this.asked(), makesUpFor };
    this.busy.set(true);
    this.api.call(contract.findPlaces, { params: { date: this.data.date()! }, body }).subscribe({
      next: (offer) => {
        this.busy.set(false);
        this.offer.set(offer);
      },
      error: (error: Error) => this.failed(error),
    });
  }

  protected take({ plan, planned: { car }, seat }: OfferedPlace): void {
    const offer = this.offer();
    if (!offer) return;
    const { drive, base, asOf } = offer;
    const makesUpFor = this.owed()?.drive;
    const body = { ...this.asked(), makesUpFor, drive, base, asOf, plan, author: this.who.name() };
    this.busy.set(true);
    this.api.call(contract.takePlace, { params: { date: this.data.date()! }, body }).subscribe({
      next: () => {
        this.busy.set(false);
        this.open.set(false);
        this.offer.set(undefined);
        this.data.reload();
        this.data.say(
          `${this.ride() ? 'A ride' : 'One more drive'}: ${this.carWords([car])}, in the seat at ${clockMinute(seat)}.`,
        );
      },
      error: (error: Error) => this.failed(error),
    });
  }

  private asked() {
    const ride = this.ride() ? { ride: { seats: this.seats() } } : {};
    return { guest: this.guest(), cars: [...this.cars()], laps: this.laps(), ...ride };
  }

  private carWords(cars: readonly string[]): string {
    return cars.map((car) => carLabel(this.data.view(), car)).join(' or ');
  }

  private costWords({ costs }: OfferedPlace): string {
    const minutes = Math.round(costs);
    if (minutes === 0) return 'nobody waits longer';
    return minutes > 0 ? `costs others ${minutes} min of waiting` : `saves ${-minutes} min of waiting`;
  }

  private failed(error: Error): void {
    this.busy.set(false);
    this.data.refuse(error.message);
  }
}
