import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { addressOf, contract, type StoredInstructor } from '@core/api';
import { instructorFields } from '@core/people/crew/at-start';
import { instructorId, NEW_INSTRUCTOR } from '@core/people/crew';
import { clockMinute } from '@core/values';
import { CREW_STATUS_WORDS } from '@words';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import * as z from 'zod';
import { ImportDialog } from '../bookings/import-dialog';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { CrewLoad } from './crew-load';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { crewFormFields } from './crew-fields';
import { Slips } from '../../../shared/frame/slips';
import { lastKnown } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

/** What somebody may go to, as the buttons say and read it out. */
const PAUSES = [
  { what: 'rest', label: 'Break', told: ' takes a break' },
  { what: 'meal', label: 'Meal', told: ' goes to the meal' },
  { what: 'off', label: 'Off', told: ' is off' },
] as const;

/** The instructors: what each may do, what each does now, and the sheets to print. */
@Component({
  selector: 'jl-crew',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CrewLoad, ImportDialog, RecordEditor, Slips, TableModule, Unread],
  templateUrl: './crew.html',
  host: { class: 'screen' },
})
export class Crew {
  private readonly api = inject(Api);
  protected readonly data = inject(DayService);
  protected readonly pauses = PAUSES;
  protected readonly importing = signal(false);
  protected readonly edited = signal<Edited | undefined>(undefined);
  protected readonly list = rxResource({
    params: () => this.data.view()?.revision?.revision ?? 0,
    stream: () => this.api.call(contract.listInstructors),
  });
  private readonly stored = lastKnown(this.list);
  protected readonly fields = computed(() => {
    const view = this.data.view();
    const cars = (view?.day.cars ?? []).map(({ id, name }) => ({
      value: id,
      label: `${view?.carNumbers[id] ?? ''} ${name}`,
    }));
    const spoken = (this.stored()?.instructors ?? []).flatMap(({ fields }) => fields.languages);
    return crewFormFields(cars, this.edited()?.fields['cars'] === 'all', spoken);
  });
  protected readonly deskPdf = computed(() => this.ofDay((date) => addressOf(contract.deskSheet, { date })));
  protected readonly dayPdf = computed(() => this.ofDay((date) => addressOf(contract.daySheet, { date })));
  protected readonly rows = computed(() =>
    (this.stored()?.instructors ?? []).map((stored) => {
      const state = this.data.state()?.crew.get(stored.id);
      const { fields } = stored;
      const may = [
        fields.brief && 'class',
        fields.sighting && 'sighting',
        fields.cars === 'all' ? 'all cars' : `${fields.cars.length} cars`,
      ];
      return {
        id: stored.id,
        stored,
        fields,
        name: fields.name,
        now: state ? CREW_STATUS_WORDS[state.status] : '',
        away: state?.pause !== undefined,
        laps: state?.laps ?? 0,
        may: may.filter(Boolean).join(', '),
        available: this.thereOn(stored.id),
      };
    }),
  );

  /** When somebody is there on the day that is open, by the roster. */
  private thereOn(id: string): string {
    const windows = this.data.day()?.instructors.find((one) => one.id === id)?.available ?? [];
    return windows.map(({ from, to }) => `${clockMinute(from)}–${clockMinute(to)}`).join(', ') || 'not there today';
  }

  protected sheet(id: string): string | undefined {
    return this.ofDay((date) => addressOf(contract.instructorSheet, { date, id }));
  }

  private ofDay(address: (date: string) => string): string | undefined {
    const date = this.data.date();
    return date === undefined ? undefined : address(date);
  }

  protected open(stored: StoredInstructor): void {
    this.edited.set(
      editing(instructorFields, {
        title: stored.fields.name,
        fields: z.encode(instructorFields, stored.fields),
        version: stored.version,
        save: (fields, version) =>
          this.api.call(contract.changeInstructor, { params: { id: stored.id }, body: { version: version!, fields } }),
      }),
    );
  }

  protected add(): void {
    const crew = this.stored()?.instructors ?? [];
    this.edited.set(
      editing(instructorFields, {
        title: 'New instructor',
        fields: {
          ...NEW_INSTRUCTOR,
          id: instructorId(new Set(crew.map(({ id }) => id))),
          brief: !crew.some(({ fields }) => fields.brief),
        },
        version: undefined,
        save: (fields) => this.api.call(contract.addInstructor, { body: fields }),
      }),
    );
  }
}
