import type { PracticeStatus } from '@core/api';
import { fact } from '@core/values';
import type { JournalEntry } from '@core/journal';
import { isByCrew, postOf, samePost, type CrewStation, type Post } from '@core/live/practice';
import { CREW_SEED } from '../../../demo/larkmere';
import { refusalOf } from '../../base/refusal';
import type { Common } from '../common';

/** The crew tells more often than this that it is there. */
const GONE_AFTER_MS = 6000;
/** What somebody has taken over goes back when it has not been touched for so long, real time. */
const TAKEN_FOR_MS = 3 * 60_000;
/** What was tapped just before giving back may come in so much later, by a clock that is a little ahead. */
const JUST_GIVEN_BACK_MS = 5000;
const WATCH_MS = 1000;

interface Taken {
  readonly post: Post;
  readonly by: string;
  readonly entry: string;
  readonly untilMs: number;
}

/**
 * Knows what the simulated crew plays: it keeps off days of real guests, and off whatever people have taken over by
 * entering something there. Kept in memory, as the crew itself is.
 */
export class PracticeService {
  private readonly off = new Set<CrewStation>();
  private taken: Taken[] = [];
  /** When posts were given back last: what was entered before and comes late takes none of them over again. */
  private readonly givenBack = new Map<string, { readonly atS: number; readonly atMs: number }>();
  private seed = CREW_SEED;
  private thereMs = -Infinity;
  private told = '';
  private readonly watch = setInterval(() => this.tellIfChanged(), WATCH_MS);

  constructor(
    private readonly services: Pick<Common, 'store' | 'clock' | 'hub' | 'dayCache'>,
    /** In the demo every day is made up. */
    private readonly demo: boolean,
    private readonly nowMs: () => number = Date.now,
  ) {
    this.watch.unref();
    this.told = this.lasting();
  }

  close(): void {
    clearInterval(this.watch);
  }

  /** As at the beginning, but for the crew being there. */
  forget(): void {
    this.off.clear();
    this.taken = [];
    this.givenBack.clear();
    this.seed = CREW_SEED;
    this.tellIfChanged();
  }

  status(): PracticeStatus {
    const nowMs = this.nowMs();
    this.taken = this.taken.filter(({ untilMs }) => untilMs > nowMs);
    return {
      there: nowMs - this.thereMs < GONE_AFTER_MS && this.mayPlay(this.services.clock.read().date),
      seed: this.seed,
      off: [...this.off],
      taken: this.taken.map(({ post, by, entry, untilMs }) => ({
        ...{ post, by, entry },
        secondsLeft: (untilMs - nowMs) / 1000,
      })),
    };
  }

  crewIsThere(): PracticeStatus {
    this.thereMs = this.nowMs();
    return this.tellIfChanged();
  }

  switchStation(station: CrewStation, on: boolean): PracticeStatus {
    if (!on) this.off.add(station);
    else {
      this.off.delete(station);
      this.taken = this.taken.filter(({ post }) => post.station !== station);
    }
    return this.tellIfChanged();
  }

  giveBack(post: Post): PracticeStatus {
    this.taken = this.taken.filter((taken) => !samePost(taken.post, post));
    this.givenBack.set(keyOf(post), { atS: this.services.clock.read().secondsOfDay, atMs: this.nowMs() });
    return this.tellIfChanged();
  }

  seedWith(seed: number): PracticeStatus {
    this.seed = seed;
    return this.tellIfChanged();
  }

  /** @throws Refusal 403 where the crew would enter something on a day of real guests */
  mayEnter(date: string, entry: JournalEntry): void {
    if (isByCrew(entry) && !this.mayPlay(date)) throw refusalOf(fact('practiceOnly', {}));
  }

  /** Somebody has entered something: where that was not the crew, its post is theirs for a while. */
  entered(date: string, entry: JournalEntry): void {
    if (isByCrew(entry) || !this.status().there || date !== this.services.clock.read().date) return;
    const { entries, journal } = this.services.dayCache.of(date);
    const meant =
      entry.kind === 'correction' ? entries.find((other) => other.entry.id === entry.corrects)?.entry : entry;
    const post = meant && postOf({ ...meant, by: entry.by }, journal.now());
    if (!post || this.wasGivenBackSince(post, entry.at)) return;
    const others = this.taken.filter((taken) => !samePost(taken.post, post));
    const untilMs = this.nowMs() + TAKEN_FOR_MS;
    this.taken = [...others, { post, by: entry.by, entry: entry.id, untilMs }];
    this.tellIfChanged();
  }

  private wasGivenBackSince(post: Post, enteredS: number): boolean {
    const back = this.givenBack.get(keyOf(post));
    // A clock that was set back begins anew.
    if (!back || back.atS > this.services.clock.read().secondsOfDay) return false;
    return enteredS <= back.atS || this.nowMs() - back.atMs < JUST_GIVEN_BACK_MS;
  }

  private mayPlay(date: string): boolean {
    return this.demo || this.services.store.days.isPractice(date);
  }

  private tellIfChanged(): PracticeStatus {
    const now = this.lasting();
    if (now !== this.told) {
      this.told = now;
      this.services.hub.changed('practice');
    }
    return this.status();
  }

  /** What of the status is worth telling when it changes. */
  private lasting(): string {
    const { taken, ...others } = this.status();
    return JSON.stringify([others, taken.map(({ post, entry }) => [post, entry])]);
  }
}

const keyOf = ({ station, instructor }: Post): string => `${station} ${instructor ?? ''}`;
