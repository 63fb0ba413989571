import { ChangeDetectionStrategy, Component, inject, linkedSignal, model, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { COST_TERMS, type TermName } from '@core/cost';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Slider } from 'primeng/slider';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { known, sayUnread } from '../../../shared/data/reading';

const STOPS: readonly { readonly factor: number; readonly words: string }[] = [
  { factor: 0, words: 'never mind' },
  { factor: 0.5, words: 'a little' },
  { factor: 1, words: 'as usual' },
  { factor: 2, words: 'more' },
  { factor: 4, words: 'matters a lot' },
];
const USUAL = 2;

const WISHES: readonly { readonly term: TermName; readonly wish: string; readonly does: string }[] = [
  {
    term: 'waiting',
    wish: 'Guests wait little',
    does: 'each minute between arrival, class and drives; long waits count more',
  },
  {
    term: 'continuity',
    wish: 'Keep the same instructor',
    does: 'each change of instructor between two drives of a guest',
  },
  {
    term: 'preference',
    wish: 'Give the instructor asked for',
    does: 'each drive with another one than the guest prefers',
  },
  { term: 'ladder', wish: 'From tame cars to fierce ones', does: 'each drive in a tamer car than the one before' },
  { term: 'passes', wish: 'Little passing', does: 'each time that one car is expected to pass another' },
  {
    term: 'balance',
    wish: 'Even work for the crew',
    does: 'each minute that an instructor works more or less than a fair share',
  },
  { term: 'party', wish: 'Parties finish together', does: 'each minute between the first and the last of a party' },
  {
    term: 'friends',
    wish: 'Friends as they wish',
    does: 'each drive that is not at the same time, in turn or with the same instructor where two friends wish it',
  },
  {
    term: 'moved',
    wish: 'Keep times once they are told',
    does: 'in a repair, each drive that moves by more than 5 minutes',
  },
  {
    term: 'reassigned',
    wish: 'Keep car and instructor once told',
    does: 'in a repair, each drive with another car or instructor',
  },
];

/** The weights of the cost, as wishes that matter more or less. */
@Component({
  selector: 'jl-what-matters',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule, Slider],
  templateUrl: './what-matters.html',
  styles: `
    .wishes {
      display: grid;
      grid-template-columns: 1fr 9rem 6.2rem;
      gap: 0.75rem 1.2rem;
      align-items: center;
    }
    .wishes > span:first-child,
    .wishes > span:nth-child(3n + 1) {
      display: grid;
      line-height: 1.25;
    }
    .muted {
      font-size: 12.5px;
    }
    .word {
      font-weight: 620;
      font-size: 13px;
    }
    .buttons {
      display: flex;
      gap: 0.5rem;
      margin-top: 1.2rem;
    }
    .push {
      flex: 1;
    }
  `,
})
export class WhatMatters {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  readonly open = model(false);
  protected readonly wishes = WISHES;
  protected readonly most = STOPS.length - 1;
  private readonly read = rxResource({
    params: () => this.open() || undefined,
    stream: () => this.api.call(contract.readVenue),
  });
  /** As stored, until somebody moves one. */
  protected readonly stops = linkedSignal(() => {
    const venue = known(this.read);
    if (!venue) return undefined;
    const own = venue.fields.rules.weights ?? {};
    return Object.fromEntries(WISHES.map(({ term }) => [term, nearestStop(term, own[term])]));
  });
  protected readonly saving = signal(false);

  constructor() {
    sayUnread(this.read);
  }

  protected words(stop = USUAL): string {
    return STOPS[stop]!.words;
  }

  protected set(term: TermName, stop: number): void {
    this.stops.update((stops) => ({ ...stops, [term]: stop }));
  }

  protected usual(): void {
    this.stops.set(Object.fromEntries(WISHES.map(({ term }) => [term, USUAL])));
  }

  protected save(): void {
    const [venue, stops] = [known(this.read), this.stops()];
    if (!venue || !stops) return;
    const { fields, version } = venue;
    const weights = { ...fields.rules.weights };
    for (const { term } of WISHES) {
      // A weight that somebody has set exactly stays exact where its wish is not touched.
      if (nearestStop(term, weights[term]) !== stops[term])
        weights[term] = STOPS[stops[term]!]!.factor * usualWeight(term);
    }
    this.saving.set(true);
    const body = { version, fields: { ...fields, rules: { ...fields.rules, weights } } };
    this.api.call(contract.changeVenue, { body }).subscribe({
      next: () => {
        this.saving.set(false);
        this.open.set(false);
        this.data.say('Saved. Plan again to use it.');
      },
      error: (error: Error) => {
        this.saving.set(false);
        this.data.refuse(error.message);
      },
    });
  }
}

function usualWeight(term: TermName): number {
  return COST_TERMS.find(({ name }) => name === term)!.weight;
}

function nearestStop(term: TermName, weight: number | undefined): number {
  if (weight === undefined) return USUAL;
  const factor = weight / usualWeight(term);
  const distances = STOPS.map((stop) => Math.abs(stop.factor - factor));
  return distances.indexOf(Math.min(...distances));
}
