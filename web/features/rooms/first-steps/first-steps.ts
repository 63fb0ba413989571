import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { venueFields, type VenueFields } from '@core/venue/settings';
import { UNNAMED_VENUE, type StepName } from '@core/venue/first-steps';
import { STEP_WORDS } from '@words/en/first-steps';
import { Button } from 'primeng/button';
import * as z from 'zod';
import { StarterSet } from '../cars/starter-set';
import { DayService } from '../../../shared/data/day.service';
import { AddPhone } from '../phones/add-phone';
import { RecordForm } from '../../../shared/forms/record-form';
import { RULES_FIELDS } from '../rules/rules-fields';
import { IntroductionForm } from './introduction-form';
import { QuickCrew } from './quick-crew';
import { canPutOff, StepsService } from './steps.service';

const VENUE_FIELDS = RULES_FIELDS.filter(({ path }) =>
  ['name', 'timeZone', 'currency', 'opens', 'closes'].includes(path),
);
const LENGTH_FIELDS = RULES_FIELDS.filter(({ path }) => ['circuit.name', 'circuit.lapLengthM'].includes(path));

/** From an empty folder to the first plan: what is there, what is missing, and the shortest way to it. */
@Component({
  selector: 'jl-first-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddPhone, Button, IntroductionForm, QuickCrew, RecordForm, RouterLink, StarterSet],
  templateUrl: './first-steps.html',
  styleUrl: './first-steps.scss',
  host: { class: 'screen' },
})
export class FirstSteps {
  private readonly service = inject(StepsService);
  protected readonly data = inject(DayService);
  private readonly fragment = toSignal(inject(ActivatedRoute).fragment, { initialValue: null });
  /** The step that is open; it stays so, done or not, until somebody goes on. */
  protected readonly addingPhone = signal(false);
  protected readonly open = signal<StepName | undefined>(undefined);
  private begun = false;
  protected readonly venueFormFields = VENUE_FIELDS;
  protected readonly lengthFields = LENGTH_FIELDS;
  protected readonly schema = venueFields;
  protected readonly canPutOff = canPutOff;
  protected readonly missing = this.service.missing;

  protected readonly summary = computed(() => {
    if (this.steps().length === 0) return 'Reading the venue…';
    const count = this.missing().length;
    if (count === 0) return 'Nothing keeps this day from a plan.';
    return `${count === 1 ? 'One thing keeps' : `${count} things keep`} this day from a whole plan.`;
  });
  protected readonly steps = computed(() =>
    this.service.steps().map((step, place) => ({ ...step, ...STEP_WORDS[step.name], place: place + 1 })),
  );
  /** The venue with what the browser knows offered where nobody has chosen yet; another one fills the forms anew. */
  protected readonly venue = computed(
    () => {
      const stored = this.service.venue();
      if (!stored) return undefined;
      const fields = z.encode(venueFields, stored.fields);
      const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
      return {
        ...fields,
        name: fields.name === UNNAMED_VENUE ? '' : fields.name,
        timeZone: fields.timeZone === 'UTC' && zone ? zone : fields.timeZone,
      };
    },
    { equal: (one, other) => JSON.stringify(one) === JSON.stringify(other) },
  );
  protected readonly cars = computed(() => {
    const count = this.service.fleet().length;
    return count === 0 ? 'No car yet' : count === 1 ? 'One car' : `${count} cars`;
  });

  constructor() {
    effect(() => {
      const fragment = this.fragment();
      if (!fragment || !(fragment in STEP_WORDS)) return;
      this.begun = true;
      untracked(() => this.open.set(fragment as StepName));
    });
    effect(() => {
      const [first] = this.steps().filter(({ state }) => state === 'open');
      if (this.begun || !first) return;
      this.begun = true;
      untracked(() => this.open.set(first.name));
    });
  }

  protected toggle(name: StepName): void {
    this.open.update((open) => (open === name ? undefined : name));
  }

  protected saveVenue(fields: unknown, ...parts: (keyof VenueFields)[]): void {
    const entered = fields as VenueFields;
    const change = Object.fromEntries(parts.map((part) => [part, entered[part]]));
    this.service
      .change((known) => ({ ...known, ...change }))
      .subscribe({
        next: () => this.goOn(),
        error: () => undefined,
      });
  }

  /** On to the next step that is to be done. */
  protected goOn(): void {
    const now = this.open();
    this.open.set(this.steps().find(({ state, name }) => state === 'open' && name !== now)?.name);
  }

  protected putOff(name: StepName, later: boolean): void {
    if (!canPutOff(name)) return;
    this.service.putOff(name, later);
    this.goOn();
  }
}
