import { inject, Injectable } from '@angular/core';
import { plainCall } from '@core/track/car';
import { drivenBy, soonerCalls, type SoonerCall } from '@core/people/coaching';
import { CircuitService } from './circuit.service';
import { DayService } from './day.service';
import { VocabularyService } from './vocabulary.service';
import { PLAIN_WORDS } from './screen-words';

/** What of a guest's drives changes the calls: faults that came again, and corners at which something was marked. */
@Injectable({ providedIn: 'root' })
export class GuestCalls {
  private readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  private readonly circuit = inject(CircuitService);

  /** The calls that this guest needs sooner. */
  sooner(guest: string): readonly SoonerCall[] {
    const state = this.data.state();
    return state ? soonerCalls(drivenBy(state, guest), this.vocabulary.faults()) : [];
  }

  /** Names of corners at which something was marked. */
  marked(guest: string): ReadonlySet<string> {
    const state = this.data.state();
    const marks = state ? drivenBy(state, guest).flatMap(({ marked }) => marked.flatMap((one) => one.marks)) : [];
    return new Set(marks.flatMap(({ corner }) => (corner === undefined ? [] : [corner])));
  }

  /** "Turn" at Slip, sooner: turns in early, 2 times. */
  soonerWords({ kind, corner, fault, times }: SoonerCall): string {
    const call = PLAIN_WORDS.call(plainCall(kind), this.circuit.coaching().calls);
    return `“${call}” sooner at ${corner}: ${fault.name.toLowerCase()}, ${times} times`;
  }
}
