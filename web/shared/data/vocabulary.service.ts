import { computed, inject, Injectable } from '@angular/core';
import { vocabularyOf } from '@core/people/coaching';
import { DayService } from './day.service';

/** What instructors can mark, by id: the common faults and those of the venue. */
@Injectable({ providedIn: 'root' })
export class VocabularyService {
  private readonly data = inject(DayService);
  readonly faults = computed(() => vocabularyOf(this.data.view()?.faults ?? []));
}
