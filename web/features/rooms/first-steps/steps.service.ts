import { computed, inject, Injectable } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { contract, type StoredVenue } from '@core/api';
import type { PutOff, VenueFields } from '@core/venue/settings';
import { firstSteps, missingForPlan, type Missing, type StepName } from '@core/venue/first-steps';
import { missingWords } from '@words/en/first-steps';
import { forkJoin, tap, type Observable } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { lastKnown } from '../../../shared/data/reading';
import { PhonesService } from '../phones/phones.service';

/** Where each thing that is missing is entered: the address of its screen, and the field where there is one. */
const WHERE: Readonly<Record<Missing['code'], readonly [address: string, fragment?: string]>> = {
  venueUnnamed: ['/rules/venue', 'field-name'],
  zoneNotChosen: ['/rules/venue', 'field-timeZone'],
  noCircuit: ['/circuit'],
  noCars: ['/start', 'cars'],
  noCarToday: ['/cars'],
  carsAssumed: ['/cars'],
  carUntaught: ['/crew/roster'],
  noCrew: ['/start', 'crew'],
  noCrewToday: ['/crew/roster'],
  noClassGiver: ['/crew/roster'],
  noRunDriver: ['/crew/roster'],
  languageUnspoken: ['/crew/roster', 'languages'],
  introductionNotChosen: ['/start', 'introduction'],
  noVehicle: ['/rules/introduction'],
  noVehicleToday: ['/rules/introduction'],
  noBookings: ['/bookings'],
  guestsWithoutDrives: ['/bookings'],
  noPlan: ['/board'],
  noPhones: ['/devices'],
};

/** The steps to the first plan of the day that is open, and what is missing for it. */
@Injectable({ providedIn: 'root' })
export class StepsService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly phones = inject(PhonesService);
  /** Read again with every change of what is set up. */
  private readonly setUp = rxResource({
    params: () => this.data.view(),
    stream: () => forkJoin({ cars: this.api.call(contract.listCars), venue: this.api.call(contract.readVenue) }),
  });
  /** While it is read again the steps stay, with what somebody types in them. */
  private readonly read = lastKnown(this.setUp);
  readonly fleet = computed(() => (this.read()?.cars.cars ?? []).map(({ fields }) => fields));
  readonly venue = computed<StoredVenue | undefined>(() => this.read()?.venue);

  private readonly found = computed(() => {
    const [view, setUp] = [this.data.view(), this.read()];
    if (!view || !setUp) return [];
    const { introduction, putOff } = setUp.venue.fields;
    return firstSteps({
      day: view.day,
      introduction,
      putOff,
      fleet: this.fleet(),
      hasCircuit: Boolean(view.map),
      planned: Boolean(view.plan),
      phones: this.phones.count(),
    });
  });
  readonly steps = computed(() =>
    this.found().map((step) => ({
      ...step,
      missing: step.missing.map(({ what, needed }) => ({ ...this.told(what), needed })),
    })),
  );
  /** Everything that keeps guests of the open day from a place, each with the field where it is mended. */
  readonly missing = computed(() => missingForPlan(this.found()).map(({ what }) => this.told(what)));

  /** Changes the venue as it stands now. */
  change(change: (fields: VenueFields) => VenueFields): Observable<StoredVenue> {
    const { version, fields } = this.venue()!;
    return this.api
      .call(contract.changeVenue, { body: { version, fields: change(fields) } })
      .pipe(tap({ next: () => this.data.reload(), error: (error: Error) => this.data.refuse(error.message) }));
  }

  putOff(step: PutOff, later: boolean): void {
    this.change((fields) => ({
      ...fields,
      putOff: [...fields.putOff.filter((one) => one !== step), ...(later ? [step] : [])],
    })).subscribe({ error: () => undefined });
  }

  private told(what: Missing) {
    const [address, fragment] = WHERE[what.code];
    const name = (id: string) => this.data.view()?.day.cars.find((car) => car.id === id)?.name ?? id;
    return { words: missingWords(what, name), address, fragment };
  }
}

/** A step that somebody may put off. */
export function canPutOff(step: StepName): step is PutOff {
  return step === 'circuit' || step === 'bookings' || step === 'phones';
}
