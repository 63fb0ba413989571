import { computed, inject, Injectable } from '@angular/core';
import { namesOf, wordsIn, type Words } from '@core/words';
import { DayService } from './day.service';
import { carLabel } from './names';

const NOBODY = { guests: [], cars: [], instructors: [], sightingVehicles: [] };

/** How the facts of the open day are told on screen: cars with their number, as two may have the same name. */
@Injectable({ providedIn: 'root' })
export class DayWords {
  private readonly data = inject(DayService);
  readonly tell = computed<Words>(() => {
    const view = this.data.view();
    const names = namesOf(this.data.day() ?? NOBODY);
    return wordsIn('en', { ...names, car: (id) => carLabel(view, id) });
  });
}
