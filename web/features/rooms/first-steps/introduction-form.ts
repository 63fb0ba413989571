import { ChangeDetectionStrategy, Component, computed, effect, inject, output, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { introductionWay, venueFields, type IntroductionWay, type VenueFields } from '@core/venue/settings';
import {
  clockMinute,
  durationOf,
  durationText,
  faultLine,
  faultsOf,
  wallClock,
  windowsOf,
  windowsText,
} from '@core/values';
import { INTRODUCTION_WORDS } from '@words/en/first-steps';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { NumberField } from '../../../shared/forms/number-field';
import { newId } from '../../../shared/data/new-id';
import { DayService } from '../../../shared/data/day.service';
import { StepsService } from './steps.service';
import * as z from 'zod';

interface VehicleRow {
  readonly id: string;
  readonly name: string;
  readonly seats: number;
  readonly lapTimeS: number;
  readonly hours: string;
}

/** What everybody goes through before the first drive: the class, and how the circuit is shown. */
interface Draft {
  readonly class: boolean;
  readonly takes: string;
  readonly seats: number;
  readonly rooms: number;
  readonly circuit: IntroductionWay;
  readonly laps: number;
  readonly vehicles: readonly VehicleRow[];
}

@Component({
  selector: 'jl-introduction-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, NumberField],
  templateUrl: './introduction-form.html',
  styles: `
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: end;
      margin: 0 0 0.9rem;
      padding: 0;
      border: 0;
    }
    legend {
      padding: 0;
      margin-bottom: 0.3rem;
      font-weight: 700;
    }
    label {
      display: grid;
      gap: 0.15rem;
      font-size: 13px;
    }
    .check {
      display: flex;
      gap: 0.45rem;
      align-items: baseline;
      min-height: 34px;
      font-size: 14px;
    }
    .ways {
      display: grid;
      gap: 0;
    }
    .number {
      width: 5rem;
    }
    p {
      margin: 0.3rem 0;
      font-size: 13px;
    }
  `,
})
export class IntroductionForm {
  private readonly steps = inject(StepsService);
  private readonly data = inject(DayService);
  readonly done = output();
  protected readonly ways = introductionWay.options.map((value) => ({ value, ...INTRODUCTION_WORDS[value] }));
  protected readonly draft = signal<Draft | undefined>(undefined);
  protected readonly saving = signal(false);
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly hours = computed(() => {
    const day = this.data.day();
    return day ? windowsText([{ from: clockMinute(day.opens), to: clockMinute(day.closes) }]) : '';
  });

  constructor() {
    effect(() => {
      const venue = this.steps.venue();
      if (venue && !untracked(this.draft)) this.draft.set(draftOf(venue.fields));
    });
  }

  protected change(change: Partial<Draft>): void {
    this.draft.update((draft) => draft && { ...draft, ...change });
  }

  protected changeVehicle(id: string, change: Partial<VehicleRow>): void {
    this.change({ vehicles: this.draft()!.vehicles.map((one) => (one.id === id ? { ...one, ...change } : one)) });
  }

  protected addVehicle(): void {
    const vehicle = { id: `s-${newId().slice(0, 8)}`, name: '', seats: 4, lapTimeS: 120, hours: this.hours() };
    this.change({ vehicles: [...this.draft()!.vehicles, vehicle] });
  }

  protected removeVehicle(id: string): void {
    this.change({ vehicles: this.draft()!.vehicles.filter((one) => one.id !== id) });
  }

  protected save(event: Event): void {
    event.preventDefault();
    const [draft, venue] = [this.draft(), this.steps.venue()];
    if (!draft || !venue) return;
    const encoded = z.encode(venueFields, venue.fields);
    const read = venueFields.safeParse({
      ...encoded,
      introduction: { class: draft.class, circuit: draft.circuit },
      rules: {
        ...encoded.rules,
        briefing: { durationS: durationOf(draft.takes) ?? draft.takes, seats: draft.seats, rooms: draft.rooms },
        sighting: { ...encoded.rules.sighting, laps: draft.laps },
      },
      // Nobody sees what was begun of a vehicle once the circuit is shown in another way.
      sightingVehicles:
        draft.circuit === 'vehicle'
          ? draft.vehicles.map(({ hours, ...vehicle }) => ({ ...vehicle, available: windowsOf(hours) }))
          : encoded.sightingVehicles,
    });
    this.faults.set(read.success ? [] : faultsOf(read.error).map(faultLine));
    if (!read.success) return;
    const { introduction, rules, sightingVehicles } = read.data;
    this.saving.set(true);
    // Nothing else of the venue, which somebody may have changed meanwhile.
    this.steps
      .change((fields) => ({
        ...fields,
        introduction,
        sightingVehicles,
        rules: { ...fields.rules, briefing: rules.briefing, sighting: { ...fields.rules.sighting, laps: draft.laps } },
      }))
      .subscribe({
        next: () => {
          this.saving.set(false);
          this.draft.set(undefined);
          this.done.emit();
          this.data.say('Class and circuit are as you said. Plan again to use it.');
        },
        error: () => this.saving.set(false),
      });
  }
}

function draftOf({ introduction, rules, sightingVehicles }: VenueFields): Draft {
  return {
    class: introduction.class,
    takes: durationText(rules.briefing.durationS),
    seats: rules.briefing.seats,
    rooms: rules.briefing.rooms,
    circuit: introduction.circuit,
    laps: rules.sighting.laps,
    vehicles: sightingVehicles.map(({ id, name, seats, lapTimeS, available }) => ({
      ...{ id, name, seats, lapTimeS },
      hours: windowsText(
        available.map(({ from, to }) => ({ from: wallClock(from).slice(0, 5), to: wallClock(to).slice(0, 5) })),
      ),
    })),
  };
}
