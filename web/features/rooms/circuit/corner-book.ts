import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { CornerBook } from '@core/track/circuit';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { CircuitMapView } from './circuit-map';

const APEXES = [
  { label: 'late (where the book is silent)', value: undefined },
  { label: 'late', value: 'late' },
  { label: 'middle', value: 'middle' },
  { label: 'early', value: 'early' },
  { label: 'double', value: 'double' },
];
const KERBS = [
  { label: 'nothing said', value: undefined },
  { label: 'ride them', value: 'ride' },
  { label: 'leave them alone', value: 'leave' },
];
const THROTTLES = [
  { label: "the venue's custom", value: undefined },
  { label: 'a light one in mid-corner', value: 'maintenance' },
  { label: 'none until the wheel unwinds', value: 'none' },
];
const SIDES = [
  { label: 'not called', value: undefined },
  { label: 'the left', value: 'left' },
  { label: 'the right', value: 'right' },
];
/** How a corner is gone into, lap by lap. */
const STEPS: readonly { readonly label: string; readonly value: CornerBook['steps'] }[] = [
  { label: 'braked fully from the first lap on', value: undefined },
  {
    label: 'lightly on lap 1, then fully',
    value: [
      { fromLap: 1, brake: 'light' },
      { fromLap: 2, brake: 'full' },
    ],
  },
  {
    label: 'lift on lap 1, lightly on 2, then fully',
    value: [
      { fromLap: 1, brake: 'lift' },
      { fromLap: 2, brake: 'light' },
      { fromLap: 3, brake: 'full' },
    ],
  },
];
const TEXTS: readonly { readonly key: 'lookAt' | 'roadMarks' | 'slippery' | 'mistakes'; readonly label: string }[] = [
  { key: 'lookAt', label: 'What to look at, where looking through fails' },
  { key: 'roadMarks', label: 'Marks on the road that mislead or help' },
  { key: 'slippery', label: 'Slippery where, and when' },
  { key: 'mistakes', label: 'What people get wrong here' },
];
const YES: readonly { readonly key: 'givenAway' | 'noGearChange' | 'passing'; readonly label: string }[] = [
  { key: 'givenAway', label: 'Given away for the next straight' },
  { key: 'noGearChange', label: 'No gear change here' },
  { key: 'passing', label: 'Passing is fine' },
];

/** The corner book: what is known of each corner, beside its picture and what was computed. */
@Component({
  selector: 'jl-corner-book',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, CircuitMapView, FormsModule, InputText, Select],
  templateUrl: './corner-book.html',
  styles: `
    :host {
      display: block;
      flex: 1;
      min-height: 0;
    }
    .book {
      display: grid;
      grid-template-columns: 15rem minmax(0, 1fr);
      height: 100%;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0.5rem;
      overflow: auto;
      border-right: 1px solid var(--p-jl-line);
    }
    li button {
      display: grid;
      grid-template-columns: 1.6rem 1fr;
      width: 100%;
      padding: 0.4rem 0.5rem;
      border: 0;
      border-radius: 5px;
      background: none;
      color: var(--p-jl-ink);
      text-align: left;
      cursor: pointer;
    }
    li button .muted {
      grid-column: 2;
      font-size: 12.5px;
    }
    li button.here {
      background: var(--p-jl-lake-soft);
    }
    section {
      overflow: auto;
      padding: 0.7rem 1rem;
    }
    section header {
      display: flex;
      align-items: center;
      min-height: 38px;
    }
    .push {
      margin-left: auto;
    }
    h2 {
      font-size: 18px;
    }
    .page {
      display: grid;
      grid-template-columns: minmax(0, 1.25fr) minmax(16rem, 1fr);
      gap: 1.2rem;
    }
    figure {
      margin: 0;
    }
    figure jl-circuit-map {
      height: 23rem;
      border: 1px solid var(--p-jl-line);
      background: var(--p-jl-panel);
    }
    figcaption {
      padding: 0.4rem 0;
      font-weight: 620;
    }
    figure p {
      margin: 0 0 0.4rem;
    }
    .fields {
      display: grid;
      gap: 0.6rem;
      align-content: start;
    }
    label {
      display: grid;
      gap: 0.15rem;
      font-size: 13px;
      color: var(--p-jl-muted);
    }
    details summary {
      cursor: pointer;
    }
    .orders {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0.2rem 0.8rem;
      align-items: center;
      padding: 0.3rem 0;
    }
    .yes {
      display: flex;
      gap: 0.5rem;
      color: var(--p-jl-ink);
    }
    @media (max-width: 900px) {
      .book,
      .page {
        grid-template-columns: minmax(0, 1fr);
        height: auto;
      }
      ol {
        border-right: 0;
      }
    }
  `,
})
export class CornerBookScreen {
  private readonly data = inject(DayService);
  protected readonly circuit = inject(CircuitService);
  protected readonly apexes = APEXES;
  protected readonly kerbs = KERBS;
  protected readonly throttles = THROTTLES;
  protected readonly texts = TEXTS;
  protected readonly yes = YES;
  protected readonly sides = SIDES;
  protected readonly steps = computed(() => {
    const own = this.book().steps;
    const known = STEPS.some(({ value }) => sameSteps(value, own));
    return known ? [...STEPS] : [...STEPS, { label: 'in steps of its own', value: own }];
  });
  /** The one of the choices that the book has. */
  protected readonly step = computed(
    () => this.steps().find(({ value }) => sameSteps(value, this.book().steps))?.value,
  );
  /** Every car that the lap model knows, with the gear that is ordered for it here. */
  protected readonly ordered = computed(() =>
    this.circuit.fleet().map(({ id, name, number, model }) => ({
      id,
      label: `${number} ${name}`,
      gear: this.book().gears?.[id],
      gears: model.gears.map((_, place) => place + 1),
    })),
  );
  protected readonly number = signal(1);
  protected readonly saving = signal(false);
  protected readonly corners = computed(() => this.circuit.study()?.corners ?? []);
  protected readonly corner = computed(
    () => this.corners().find(({ taught }) => taught.corner.number === this.number()) ?? this.corners()[0],
  );
  private readonly place = computed(() => {
    const named = this.corner()?.taught.named;
    return named ? (this.circuit.draft()?.corners.findIndex(({ name }) => name === named.name) ?? -1) : -1;
  });
  protected readonly book = computed<CornerBook>(() => this.circuit.draft()?.corners[this.place()]?.book ?? {});
  protected readonly around = computed(() => {
    const taught = this.corner()?.taught;
    return taught && { fromM: taught.turnInM - 90, toM: taught.exitM + 40 };
  });
  protected readonly facts = computed(() => {
    const it = this.corner();
    if (!it) return '';
    const { radiusM, angleDeg, shape, direction } = it.taught.corner;
    const apexes = it.taught.apexesM.map((atM) => `${Math.round(atM)} m`).join(' and ');
    return `${Math.round(angleDeg)}° to the ${direction}, radius ${Math.round(radiusM)} m, ${shape}; turn in at ${Math.round(it.taught.turnInM)} m, apex at ${apexes}`;
  });
  protected readonly brakeWords = computed(() => {
    const brake = this.corner()?.brake;
    if (!brake) return 'Nobody needs to brake here.';
    const { decidedBy, spreadM, coneM, deepM, deepBy } = brake;
    if (spreadM < 1)
      return `One brake cone at ${Math.round(coneM)} m, the same for all: as soon as the corner before is left.`;
    const pace = decidedBy.pace === 1 ? 'a quick guest' : `a guest at pace ${decidedBy.pace}`;
    return (
      `One brake cone for the whole fleet at ${Math.round(coneM)} m: ${this.circuit.carName(decidedBy.car)} with ${pace} decides it. ` +
      `The places are spread over ${Math.round(spreadM)} m; the deeper one, for guests who are ready, is ${Math.round(deepM)} m (${this.circuit.carName(deepBy)}).`
    );
  });
  protected readonly gap = computed(() => {
    const omitted = this.circuit.study()?.cones.omitted ?? [];
    const found = omitted.find(({ corner, kind }) => kind === 'exit' && corner === this.corner()?.name);
    return found ? PLAIN_WORDS.omitted(found.reason) : '';
  });

  protected set<K extends keyof CornerBook>(key: K, value: CornerBook[K]): void {
    const [draft, place] = [this.circuit.draft(), this.place()];
    if (!draft || place < 0 || this.book()[key] === value) return;
    const corners = draft.corners.map((corner, index) =>
      index === place ? { ...corner, book: { ...corner.book, [key]: value } } : corner,
    );
    this.circuit.change({ ...draft, corners });
  }

  /** The gear in which this corner is taken in a car; nothing leaves it to the lap model. */
  protected order(car: string, gear: number | undefined): void {
    const { [car]: _, ...others } = this.book().gears ?? {};
    const gears = gear === undefined ? others : { ...others, [car]: gear };
    this.set('gears', Object.keys(gears).length > 0 ? gears : undefined);
  }

  protected nameIt(): void {
    const [draft, it] = [this.circuit.draft(), this.corner()];
    if (!draft || !it) return;
    const named = { name: it.name, atM: Math.round(it.taught.corner.apexM), book: {} };
    this.circuit.change({ ...draft, corners: [...draft.corners, named].sort((a, b) => a.atM - b.atM) });
  }

  protected save(): void {
    this.saving.set(true);
    this.circuit.save().subscribe({
      next: () => {
        this.saving.set(false);
        this.data.say('The corner book is saved.');
      },
      error: (error: Error) => {
        this.saving.set(false);
        this.data.refuse(error.message);
      },
    });
  }
}

function sameSteps(one: CornerBook['steps'], other: CornerBook['steps']): boolean {
  return JSON.stringify(one ?? []) === JSON.stringify(other ?? []);
}
