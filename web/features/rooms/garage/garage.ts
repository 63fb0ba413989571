import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { clockMinute, DAY_S } from '@core/values';
import { GAUGE_LEVELS } from '@core/venue/garage';
import { servicePart, type ServicePart } from '@core/journal';
import { Button } from 'primeng/button';
import { NumberField } from '../../../shared/forms/number-field';
import { Select } from 'primeng/select';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { Refuelling } from '../../../shared/data/refuelling';
import { GarageService } from '../../../shared/data/garage.service';
import { Ask } from '../../../shared/frame/ask';
import { carViews, type CarView } from './car-view';
import { FaultForm } from './fault-form';
import { StallPlan } from './stall-plan';
import { WalkRound } from './walk-round';
import { UsageChart } from './usage-chart';

/** The garage: which car stands where, what each has done, has left and will need. Everything comes from the journal. */
@Component({
  selector: 'jl-garage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FaultForm, FormsModule, NumberField, Select, StallPlan, UsageChart, WalkRound],
  templateUrl: './garage.html',
  styleUrl: './garage.scss',
  host: { class: 'screen' },
})
export class Garage {
  protected readonly data = inject(DayService);
  protected readonly refuelling = inject(Refuelling);
  private readonly garage = inject(GarageService);
  private readonly circuit = inject(CircuitService);
  private readonly ask = inject(Ask);
  protected readonly chosen = signal<string | undefined>(undefined);
  /** Cars that have been found while somebody goes round with the sheet; nothing while nobody does. */
  protected readonly counting = signal<ReadonlySet<string> | undefined>(undefined);
  protected readonly faultOpen = signal(false);
  protected readonly walking = signal<'start' | 'end' | undefined>(undefined);
  protected readonly litres = signal<number | null>(null);
  protected readonly levels = GAUGE_LEVELS;
  protected readonly parts = servicePart.options.map((value) => ({ value, label: value }));
  protected readonly clock = clockMinute;

  constructor() {
    this.garage.refresh();
    this.circuit.refresh();
  }

  protected readonly failure = this.garage.failure;
  /** Before the cars are read, nothing can be said of them; before earlier days are, nothing of what there is to do. */
  protected readonly carsRead = computed(() => this.circuit.stored() !== undefined || this.circuit.cars().length > 0);
  protected readonly isRead = computed(() => this.garage.isRead() && this.carsRead());
  protected readonly views = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const heat = new Map(
      (this.circuit.study()?.laps ?? [])
        .filter(({ pace }) => pace === 1)
        .map(({ car, brakeHeatMJ }) => [car, brakeHeatMJ]),
    );
    return carViews(context, state, this.circuit.cars(), this.garage.earlier(), heat, this.circuit.coaching().lock);
  });
  protected readonly dates = computed(() => {
    const dates = new Set(this.garage.earlier().map(({ date }) => date));
    const today = this.data.date();
    if (today) dates.add(today);
    return [...dates].sort();
  });
  protected readonly view = computed(
    () =>
      this.views().find(({ id }) => id === this.chosen()) ??
      this.views().find(({ refuel, openFaults }) => refuel || openFaults.length > 0) ??
      this.views()[0],
  );
  protected readonly counted = computed(() => {
    const counted = this.data.state()?.garage.counted;
    const missing =
      counted &&
      this.views()
        .filter(({ id }) => !counted.cars.includes(id))
        .map(({ fields }) => `${fields.number} ${fields.name}`);
    return counted && { atS: counted.atS, by: counted.by, of: counted.cars.length, missing: missing ?? [] };
  });
  /** What somebody in the garage should do, the most pressing first. */
  protected readonly jobs = computed(() => {
    const jobs = this.views().flatMap(({ id, fields, state, refuel, wear, openFaults, leftFaults, inGarage }) => {
      const name = `${fields.number} ${fields.name}`;
      const list: { car: string; atS: number; text: string }[] = [];
      if (refuel) {
        list.push({
          car: id,
          atS: refuel.before.startS,
          text: `${name}: refuel before ${refuel.before.guest} at ${clockMinute(refuel.before.releaseS)}, or it drops below the reserve.`,
        });
      }
      for (const { part, reachedBy } of wear) {
        if (reachedBy)
          list.push({
            car: id,
            atS: reachedBy.atS,
            text: `${name}: ${part} reach their limit in the drive at ${clockMinute(reachedBy.atS)}.`,
          });
      }
      for (const fault of [...openFaults, ...leftFaults].filter(({ severity }) => severity !== 'note')) {
        list.push({ car: id, atS: DAY_S, text: `${name}: keep an eye on it: ${fault.where}, ${fault.what}.` });
      }
      if (state.radio?.works === false) {
        const when = clockMinute(state.radio.atS);
        list.push({
          car: id,
          atS: DAY_S - 1,
          text: `${name}: the radio did not answer at ${when}: battery, or the set.`,
        });
      }
      if (inGarage?.card && !inGarage.card.charged) {
        list.push({ car: id, atS: DAY_S - 1, text: `${name}: the camera is not charged.` });
      }
      return list;
    });
    // The same fault found on two days is one thing to do.
    const once = new Map(jobs.map((job) => [job.text, job]));
    return [...once.values()].sort((a, b) => a.atS - b.atS);
  });
  protected readonly walkRound = computed(() => this.circuit.coaching().walkRound);

  protected figures(view: CarView): { label: string; today: string; all: string }[] {
    const { today, inAll } = view;
    const hours = (seconds: number) => `${(seconds / 3600).toFixed(1)} h`;
    return [
      { label: 'Laps', today: `${today?.laps ?? 0}`, all: `${inAll.laps}` },
      { label: 'Distance', today: `${(today?.km ?? 0).toFixed(0)} km`, all: `${inAll.km.toFixed(0)} km` },
      { label: 'Driven', today: hours(today?.drivenS ?? 0), all: hours(inAll.drivenS) },
      { label: 'Drives', today: `${today?.drives ?? 0}`, all: `${inAll.drives}` },
      { label: 'Guests', today: `${today?.guests ?? 0}`, all: `${inAll.guests}` },
      { label: 'Fuel used', today: `${(today?.fuelL ?? 0).toFixed(0)} l`, all: `${inAll.fuelL.toFixed(0)} l` },
      { label: 'Faults', today: `${today?.faults.length ?? 0}`, all: `${inAll.faults}` },
    ];
  }

  protected percent(used: number, limit: number | undefined): number {
    return limit === undefined ? 0 : Math.min(100, (100 * used) / limit);
  }

  protected pick(id: string): void {
    if (!this.counting()) return this.chosen.set(id);
    this.counting.update((known) => {
      const next = new Set(known);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected beginCounting(): void {
    this.counting.set(new Set());
  }

  protected endCounting(): void {
    const cars = [...(this.counting() ?? [])];
    this.counting.set(undefined);
    this.data.record({ kind: 'carsCounted', cars });
  }

  protected readGauge({ fields }: CarView, share: number, within: number): void {
    const { capacityL } = fields.fuel;
    this.data.record({
      kind: 'fuelRead',
      car: fields.id,
      litres: Math.round(share * capacityL * 10) / 10,
      withinL: Math.round(within * capacityL * 10) / 10,
    });
  }

  protected readLitres({ id }: CarView): void {
    const litres = this.litres();
    if (litres === null) return this.data.refuse('How many litres? Type them first.');
    if (this.data.record({ kind: 'fuelRead', car: id, litres })) this.litres.set(null);
  }

  protected moveCard({ id, inGarage }: CarView, change: 'card' | 'power'): void {
    const card = inGarage?.card?.where ?? 'out';
    const charged = inGarage?.card?.charged ?? false;
    const next =
      change === 'card'
        ? { card: card === 'in' ? ('out' as const) : ('in' as const), charged }
        : { card, charged: !charged };
    this.data.record({ kind: 'cardMoved', car: id, ...next });
  }

  protected async moveStall({ id, stall, fields }: CarView): Promise<void> {
    const text = await this.ask.for(
      `Where does ${fields.name} stand?`,
      'Stall',
      stall === undefined ? '' : String(stall),
    );
    if (text === undefined) return;
    const number = Number(text);
    if (!Number.isInteger(number) || number < 1 || number > 999)
      return this.data.refuse(`"${text}" is no stall; type its number.`);
    this.data.record({ kind: 'carStalled', car: id, stall: number });
  }

  protected turnWheels({ id, stall, lock }: CarView): void {
    if (stall === undefined) return this.data.refuse('Say first in which stall it stands.');
    this.data.record({ kind: 'carStalled', car: id, stall, lock: lock === 'left' ? 'right' : 'left' });
  }

  protected async serviced({ id, fields }: CarView, what: ServicePart): Promise<void> {
    const note = await this.ask.for(`${fields.name}: ${what}`, 'What was done', 'replaced');
    if (note !== undefined) this.data.record({ kind: 'serviced', car: id, what, note });
  }

  protected repaired(fault: string): void {
    this.data.record({ kind: 'faultMended', fault });
  }

  protected async takeOut({ id, fields }: CarView): Promise<void> {
    const reason = await this.ask.for(`Hold ${fields.name}`, 'Why?');
    if (reason) this.data.record({ kind: 'carHeld', car: id, reason });
  }
}
