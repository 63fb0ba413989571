import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { addressOf, contract } from '@core/api';
import { guestResult } from '@core/people/coaching';
import { progressOf } from '@core/journal';
import { driveFigures, GUEST_LANGUAGES, guestWords, learnedWords, wordsFor } from '@words/guests';
import { Button } from 'primeng/button';
import { of } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { GainChart } from './gain-chart';
import { LapLines } from './lap-lines';
import { MarkMap } from './mark-map';
import { openDay } from './open-day';
import { known } from '../../../shared/data/reading';

/** What a guest takes home: cars, laps, what got better, what was learned; made to be shown around. */
@Component({
  selector: 'jl-results',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, GainChart, LapLines, MarkMap, RouterLink],
  templateUrl: './results.html',
  styleUrl: './results.scss',
})
export class Results {
  private readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  private readonly api = inject(Api);
  /** The guest, from the address. */
  readonly id = input.required<string>();
  /** The day of the drives, from the address; the one that is open where not given. */
  readonly day = input<string>();
  /** From the address; the guest's own where not given. */
  readonly language = input<string>();

  protected readonly result = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    return context && state && guestResult(context, state, this.id(), this.vocabulary.faults());
  });
  protected readonly told = computed(() => wordsFor(this.result()?.guest.languages ?? [], this.language()));
  protected readonly languages = GUEST_LANGUAGES.map((code) => ({ code, name: guestWords(code).language }));
  /** Earlier days of a guest who has come back, once they are read. */
  private readonly read = rxResource({
    params: () => ({ date: this.data.date(), id: this.id() }),
    stream: ({ params: { date, id } }) =>
      date ? this.api.call(contract.readBefore, { params: { date, id } }) : of({ days: [] }),
  });
  protected readonly before = computed(() => known(this.read)?.days ?? []);
  protected readonly map = computed(() => this.data.view()?.map ?? undefined);
  protected readonly head = computed(() => {
    const day = this.data.day();
    return day ? `${day.venue} · ${day.circuit.name} · ${this.told().numbers.date(day.date)}` : '';
  });
  protected readonly occasion = computed(() => this.data.bookings().get(this.id())?.fields.occasion);
  protected readonly party = computed(() => this.result()?.guest.party);
  protected readonly pdf = computed(() => {
    const date = this.data.date();
    return date && addressOf(contract.resultSheet, { date, id: this.id() }, { language: this.language() });
  });
  protected readonly learned = computed(() => {
    const result = this.result();
    return result ? learnedWords(result, this.told().results) : [];
  });
  protected readonly drives = computed(() => {
    const [result, context] = [this.result(), this.data.context()];
    if (!result || !context) return [];
    const told = this.told().results;
    return result.drives.map(({ drive, car, instructor, analysis, index, good, workedOn, owed }) => ({
      id: drive.drive.id,
      car,
      instructor,
      beads: beadsOf(drive, progressOf(context, drive).done),
      isTimed: analysis.bestS !== undefined,
      figures: driveFigures({ analysis, index }, this.told()).join(' · '),
      good: good.map(told.goodThing),
      workedOn: workedOn.map((fault) => told.fault(fault).name),
      owed: owed > 0 ? told.lapsOwed(owed) : '',
    }));
  });

  constructor() {
    openDay(this.day);
  }

  protected print(): void {
    window.print();
  }
}
