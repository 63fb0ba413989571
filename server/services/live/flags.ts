import type { BodyOf, contract, RunningFlag } from '@core/api';
import type { FlagState } from '@core/journal';
import type { Common } from '../common';

/** Screens say within a moment of each other that they have a flag; whoever called it is told of them together. */
const TOLD_AFTER_MS = 200;

interface Known {
  readonly id: string | null;
  readonly lateS: number;
  /** By page. */
  readonly got: Map<string, RunningFlag['got'][number]>;
}

/**
 * The flag of the day that is running: told to every open screen of the venue, whatever day or time it shows, and which of
 * them have got it.
 */
export class Flags {
  private known: Known | undefined;
  private told = '';
  private soon: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly services: Common) {
    services.journal.onAppended((date) => {
      if (date === this.runningOn().date) this.tell();
    });
    services.hub.greetWith(
      () => this.now(),
      () => this.tellSoon(),
    );
  }

  /** A screen has shown the flag in force; one that is over by now counts no more. Gives how many have. */
  got({ id, page, who, screen }: BodyOf<typeof contract.gotFlag>): number {
    const { date } = this.runningOn();
    const known = this.knownOf(date, this.flagOf(date));
    if (known.id === id) known.got.set(page, { who, screen });
    this.tellSoon();
    return known.got.size;
  }

  /** Tells every screen, unless nothing has changed. */
  tell(): void {
    const flag = this.now();
    const text = JSON.stringify(flag);
    if (text === this.told) return;
    this.told = text;
    this.services.hub.flag(flag);
  }

  close(): void {
    clearTimeout(this.soon);
  }

  private tellSoon(): void {
    clearTimeout(this.soon);
    this.soon = setTimeout(() => this.tell(), TOLD_AFTER_MS).unref();
  }

  private now(): RunningFlag {
    const { date } = this.runningOn();
    const current = this.flagOf(date);
    const { id, lateS, got } = this.knownOf(date, current);
    const { flag, sinceS, by, reason = null, clearedBy = null } = current;
    const { pages, screens } = this.services.hub;
    return {
      ...{ date, flag, id, sinceS, by, reason, clearedBy, lateS },
      got: [...got].filter(([page]) => pages.has(page)).map(([, screen]) => screen),
      screens,
    };
  }

  /** What is known of the flag in force; a call that has just come in is as late as its time says. */
  private knownOf(date: string, { id: calledBy, sinceS }: FlagState): Known {
    const id = calledBy ?? null;
    if (this.known?.id !== id) {
      const isNew = this.known !== undefined && id !== null;
      const lateS = isNew ? Math.max(0, Math.round(this.services.dayCache.nowS(date) - sinceS)) : 0;
      this.known = { id, lateS, got: new Map() };
    }
    return this.known;
  }

  private flagOf(date: string): FlagState {
    const { store, dayCache } = this.services;
    return store.days.has(date) ? dayCache.of(date).journal.now().flag : NO_FLAG;
  }

  private runningOn(): { readonly date: string } {
    const { date, secondsOfDay } = this.services.clock.read();
    return this.services.dayCache.eventDayAt(date, secondsOfDay);
  }
}

const NO_FLAG: FlagState = {
  ...{ id: undefined, flag: 'green', sinceS: 0 },
  ...{ by: '', reason: undefined, clearedBy: undefined },
};
