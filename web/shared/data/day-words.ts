import { computed, inject, Injectable } from '@angular/core';
import type { Words } from '@words';
import { DayService } from './day.service';
import { screenWords } from './screen-words';

/** How the facts of the open day are told. */
@Injectable({ providedIn: 'root' })
export class DayWords {
  private readonly data = inject(DayService);
  readonly tell = computed<Words>(() => screenWords(this.data.view()));
}
