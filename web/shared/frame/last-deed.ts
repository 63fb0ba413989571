import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { wallClock } from '@core/values';
import { effectiveEntries, type DayState, type EntryKind, type JournalEntry } from '@core/journal';
import { DayService } from '../data/day.service';
import type { OpenDay } from '../data/open-day';
import { DayWords } from '../data/day-words';

type Kinds = Partial<Record<EntryKind, number>>;
/** What can be taken back, and for how long it is shown, seconds: counts of a car's laps, and what hands have done. */
const SHOWN_S: Readonly<Record<'counts' | 'steps', Kinds>> = {
  counts: { lapCounted: 10, lineCrossed: 10, lapsSettled: 60 },
  steps: {
    lapCounted: 10,
    lapsSettled: 60,
    lapSpoiled: 60,
    extraLapGranted: 60,
    extraLapRefused: 60,
    intervened: 60,
    lastCheckDone: 60,
    seated: 120,
    unseated: 120,
    released: 120,
    broughtIn: 120,
    brokenOff: 300,
    parked: 120,
    sightingBegan: 120,
    sightingEnded: 120,
    incident: 300,
    groupReleased: 120,
    groupLapCounted: 10,
    groupOrdered: 60,
    memberOut: 120,
    memberBack: 120,
    radioLost: 60,
    groupEnded: 120,
  },
};
const LONGEST_S = 300;

/**
 * What was entered last at the exit and in the cars, whoever and whatever entered it; nothing where it is too long ago.
 *
 * @param effective entries that hold, in order of their time
 * @param only the drive or group that counts; all where not given
 */
function lastDeed(
  effective: readonly JournalEntry[],
  state: DayState,
  kinds: Kinds,
  only?: string,
): { readonly entry: JournalEntry; readonly about: string | undefined } | undefined {
  for (let place = effective.length - 1; place >= 0; place--) {
    const entry = effective[place]!;
    if (entry.at > state.timeS) continue;
    if (entry.at < state.timeS - LONGEST_S) return undefined;
    const shownS = kinds[entry.kind];
    if (shownS === undefined || entry.at < state.timeS - shownS) continue;
    const about = subjectOf(entry, state);
    const isTheirs = about !== undefined || entry.kind !== 'lineCrossed';
    if (isTheirs && (only === undefined || only === about)) return { entry, about };
  }
  return undefined;
}

/** The drive or the group that an entry is about. */
function subjectOf(entry: JournalEntry, state: DayState): string | undefined {
  if ('drive' in entry) return entry.drive;
  if ('group' in entry) return entry.group;
  return entry.kind === 'lineCrossed' ? state.cars.get(entry.car)?.drive : undefined;
}

/**
 * Takes back what was entered; with breaking off a drive, that its car was held for it in the same moment.
 *
 * @returns whether it could be taken back; why not has been said
 */
export function undoDeed(data: OpenDay, entry: JournalEntry): boolean {
  if (!data.undo(entry.id)) return false;
  if (entry.kind !== 'brokenOff') return true;
  const car = data.state()?.drives.get(entry.drive)?.car;
  const isTogether = ({ at, by }: JournalEntry) => by === entry.by && at >= entry.at && at - entry.at < TOGETHER_S;
  const held = effectiveEntries(data.entries()).find(
    (other) => other.kind === 'carHeld' && other.car === car && isTogether(other),
  );
  if (held) data.undo(held.id);
  return true;
}
/** What is entered within so long is one deed. */
const TOGETHER_S = 3;

/** What was entered a moment ago, to be taken back by one tap. */
@Component({
  selector: 'jl-last-deed',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (deed(); as deed) {
      <p>
        <span>{{ deed.words }}</span>
        <button type="button" [attr.aria-label]="'Undo: ' + deed.words" (click)="undo(deed.entry)">Undo</button>
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.25rem;
    }
    p {
      display: flex;
      gap: 0.7rem;
      align-items: center;
      justify-content: space-between;
      margin: 0;
      padding: 0.15rem 0.15rem 0.15rem 0.7rem;
      border-radius: 7px;
      background: var(--p-jl-sunk);
      font-size: 13.5px;
    }
    button {
      min-height: 44px;
      padding: 0 1rem;
      border: 1.5px solid var(--p-jl-muted);
      border-radius: 7px;
      background: var(--p-jl-panel);
      color: inherit;
      font-weight: 650;
      cursor: pointer;
    }
  `,
})
export class LastDeed {
  private readonly data = inject(DayService);
  private readonly tell = inject(DayWords).tell;
  /** Only what is about this drive or group. */
  readonly about = input<string>();
  /** Counts of laps, or everything else; both where not given. */
  readonly of = input<keyof typeof SHOWN_S>();

  /** Told apart from the state, which changes with every second. */
  private readonly effective = computed(() => effectiveEntries(this.data.entries()));
  protected readonly deed = computed(() => {
    const state = this.data.state();
    if (!state || !this.data.live()) return undefined;
    const of = this.of();
    const kinds = of ? SHOWN_S[of] : { ...SHOWN_S.counts, ...SHOWN_S.steps };
    const found = lastDeed(this.effective(), state, kinds, this.about());
    if (!found) return undefined;
    const { entry, about = '' } = found;
    const whose = state.drives.get(about)?.guest.name ?? state.groups.get(about)?.group.name;
    return { entry, words: [`${wallClock(entry.at)} ${this.tell().entry(entry)}`, whose].filter(Boolean).join(', ') };
  });

  protected undo(entry: JournalEntry): void {
    undoDeed(this.data, entry);
  }
}
