import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { rxResource, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { contract } from '@core/api';
import { venueFields, type VenueFields } from '@core/venue/settings';
import { clockMinute, type Json } from '@core/values';
import { conditionAt } from '@core/day';
import { combineLatest, debounceTime, switchMap } from 'rxjs';
import * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { focusOnceThere } from '../../../shared/forms/focus';
import { conflictOf, RecordForm, type Conflict } from '../../../shared/forms/record-form';
import { RULES_FIELDS } from './rules-fields';
import { known } from '../../../shared/data/reading';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { Unread } from '../../../shared/frame/unread';
import { RuleEffects } from './rule-effects';

/** Somebody who types is not asked after each digit. */
const PAUSE_MS = 350;

/** The venue and the rules by which its days are planned. */
@Component({
  selector: 'jl-rules',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RecordForm, Unread],
  template: `
    <div class="body">
      <p class="muted">
        They hold for every plan that is made from now on. Local law and the marshal’s word come first. Change a number,
        and what it does to {{ dayWords() }} stands behind it.
      </p>
      @if (conditionToday(); as words) {
        <p class="muted">{{ words }}</p>
      }
      @if (record(); as fields) {
        <jl-record-form
          [fields]="formFields"
          [schema]="schema"
          [record]="fields"
          [conflict]="conflict()"
          [saving]="saving()"
          [effects]="effects()"
          (typed)="typed.set($event)"
          saveLabel="Save rules"
          (saved)="save($event, version())"
          (overwrite)="save($event, latest())"
          (cancelled)="reset()"
        />
      } @else if (stored.isLoading()) {
        <p class="empty" role="status">Reading the rules…</p>
      } @else {
        <jl-unread what="The rules" [of]="stored" />
      }
    </div>
  `,
  styles: `
    jl-record-form {
      display: block;
      max-width: 66rem;
      --form-ground: var(--p-jl-paper);
    }
  `,
  host: { class: 'screen' },
})
export class RulesScreen {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly ruleEffects = inject(RuleEffects);
  protected readonly formFields = RULES_FIELDS;
  protected readonly schema = venueFields;
  protected readonly conflict = signal<Conflict | undefined>(undefined);
  protected readonly saving = signal(false);
  protected readonly latest = signal(0);
  protected readonly stored = rxResource({ stream: () => this.api.call(contract.readVenue) });
  protected readonly version = computed(() => known(this.stored)?.version ?? 0);
  protected readonly record = computed(() => {
    const stored = known(this.stored);
    return stored && z.encode(venueFields, stored.fields);
  });

  protected readonly dayWords = computed(() => PLAIN_WORDS.date(this.data.day()?.date ?? ''));
  /** The record as it is typed, until it is saved or read anew. */
  protected readonly typed = linkedSignal<Json | undefined, Json | undefined>({
    source: () => this.record(),
    computation: () => undefined,
  });
  protected readonly effects = toSignal(
    combineLatest([toObservable(this.record), toObservable(this.typed)]).pipe(
      debounceTime(PAUSE_MS),
      switchMap(([stored, typed]) => this.ruleEffects.of(stored, typed)),
    ),
    { initialValue: new Map<string, string>() },
  );

  constructor() {
    this.ruleEffects.prepare();
    // Whoever comes for one field is put into it.
    const { fragment } = inject(ActivatedRoute).snapshot;
    effect(() => {
      if (this.record() && fragment) untracked(() => focusOnceThere(fragment));
    });
  }

  /** What was entered today stands over what the rules begin a day with. */
  protected readonly conditionToday = computed(() => {
    const day = this.data.day();
    const now = day && conditionAt(day, this.data.shownS());
    if (now?.sinceS === undefined) return undefined;
    return `Today it is ${now.name} since ${clockMinute(now.sinceS)}, laps × ${now.paceFactor}: entered under "What happened?".`;
  });

  protected save(fields: unknown, version: number): void {
    this.saving.set(true);
    this.api.call(contract.changeVenue, { body: { version, fields: fields as VenueFields } }).subscribe({
      next: () => {
        this.saving.set(false);
        this.reset();
        this.data.reload();
        this.data.say('The rules are saved. Plan again to use them.');
      },
      error: (error: unknown) => {
        this.saving.set(false);
        const conflict = conflictOf(error);
        if (!conflict) return this.data.refuse((error as Error).message);
        this.conflict.set(conflict);
        this.latest.set(conflict.version);
      },
    });
  }

  protected reset(): void {
    this.conflict.set(undefined);
    this.stored.reload();
  }
}
