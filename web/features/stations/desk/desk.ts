import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { receivedByMeans } from '@core/venue/closing';
import { clockMinute, money } from '@core/values';
import { effectiveEntries, nextOccupancy, sentFor, stationOf, type GuestState } from '@core/journal';
import { GUEST_STAGE_WORDS, lapsText, MONEY_MEANS_WORDS } from '@words';
import { Button } from 'primeng/button';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { occupancyWords } from '../../../shared/data/next-words';
import { When } from '../../../shared/data/when';
import { OneMoreDrive } from '../../rooms/guest-card/one-more-drive';
import { balanceDue } from '../money/money';
import { SellLap } from '../money/sell-lap';
import { TakeMoney } from '../money/take-money';

/** Who is at the desk to finish, who is still out, and what each has next. */
@Component({
  selector: 'jl-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, OneMoreDrive, RouterLink, SellLap, TakeMoney],
  templateUrl: './desk.html',
  styles: `
    .body {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 1.6rem;
      align-items: start;
    }
    article {
      display: grid;
      grid-template-columns: minmax(0, 1fr) repeat(5, auto);
      gap: 0.9rem;
      align-items: center;
      padding: 0.4rem 0;
      min-height: 44px;
      border-bottom: 1px solid var(--p-jl-line);
    }
    .wanted {
      grid-column: 1 / -1;
      padding: 0.5rem 0.9rem;
      border: 1px solid var(--p-jl-amber-mark);
      border-radius: 8px;
      background: var(--p-jl-amber-soft);
    }
    .wanted article {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
      border-bottom: 0;
    }
    .out article {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr) 5.6rem 5.6rem;
    }
    .out b {
      text-align: right;
    }
    p {
      margin: 0;
      font-size: 12.5px;
    }
    a {
      color: inherit;
      font-weight: 640;
      text-decoration: none;
    }
    .next {
      font-size: 13px;
    }
    @media (max-width: 900px) {
      .body {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  host: { class: 'screen' },
})
export class Desk {
  private readonly data = inject(DayService);
  private readonly when = inject(When);
  private readonly guests = computed(() => [...(this.data.state()?.guests.values() ?? [])]);

  /** Whether any car gives rides. */
  protected readonly rides = computed(() => this.data.day()?.cars.some(({ ride }) => ride) ?? false);
  protected readonly riding = signal<string | undefined>(undefined);
  protected readonly rideOpen = signal(false);

  protected readonly at = computed(() => {
    const state = this.data.state();
    return this.guests()
      .filter((guest) => state && stationOf(guest, state) === 'desk')
      .map((guest) => this.row(guest));
  });
  /** Who is missed at a class, the one who was sent for first on top. */
  protected readonly wanted = computed(() => {
    const context = this.data.context();
    return this.guests()
      .flatMap((guest) => {
        const sent = sentFor(guest);
        if (!context || !sent) return [];
        const instructor = context.schedule.index.instructors.get(sent.instructor)?.name ?? sent.instructor;
        const { name, party, id } = guest.guest;
        return [
          {
            id,
            name,
            sentS: sent.atS,
            what: `Class with ${instructor}, sent for ${clockMinute(sent.atS)} by ${sent.by}`,
            last: `${GUEST_STAGE_WORDS[guest.stage]}${guest.sinceS === undefined ? '' : ` since ${clockMinute(guest.sinceS)}`}${party ? `, with ${party}` : ''}`,
            found: sent.foundS === undefined ? undefined : `on the way since ${clockMinute(sent.foundS)}`,
          },
        ];
      })
      .sort((a, b) => a.sentS - b.sentS);
  });
  protected readonly out = computed(() => {
    const state = this.data.state();
    return this.guests()
      .filter((guest) => guest.stage === 'unwell' || (state && ![undefined, 'desk'].includes(stationOf(guest, state))))
      .map((guest) => this.row(guest))
      .sort((a, b) => a.nextS - b.nextS);
  });
  protected readonly summary = computed(() => {
    const finished = this.guests().filter(({ stage }) => stage === 'finished').length;
    return `${this.at().length} at the desk, ${this.out().length} on the way, ${finished} finished`;
  });

  /** The journal is looked through when something is entered, and not with each second of the state. */
  private readonly taken = computed(() => receivedByMeans(effectiveEntries(this.data.entries())));
  /** What was taken today, by how it came in, and what is still due of all who drive today. */
  protected readonly money = computed(() => {
    const inWords = (value: number) => money(value, this.data.currency());
    const taken = this.taken().map(({ means, value }) => `${MONEY_MEANS_WORDS[means]} ${inWords(value)}`);
    const due = this.guests().reduce(
      (sum, guest) => sum + balanceDue(this.data.bookings().get(guest.guest.id)?.fields, guest),
      0,
    );
    return [...(taken.length > 0 ? [`Taken today: ${taken.join(', ')}`] : []), `${inWords(due)} still due`].join(' · ');
  });

  protected found(guest: string): void {
    this.data.record({ kind: 'guestFound', guest });
  }

  /** Before the recording is handed out, so that the ride is on it too. */
  protected sellRide(guest: string): void {
    this.riding.set(guest);
    this.rideOpen.set(true);
    const { recording } = this.data.state()?.guests.get(guest) ?? {};
    if (recording === 'guest') this.data.say('The recording is handed out already: ask for it back before the ride.');
  }

  protected finish(guest: string): void {
    this.data.record({ kind: 'deskDone', guest });
  }

  /** Handed in last, after passenger rides, so that nothing of them is missing. */
  protected move(guest: string, now: 'guest' | 'desk' | undefined): void {
    this.data.record({ kind: 'recordingMoved', guest, to: now === 'guest' ? 'desk' : 'guest' });
  }

  private row({ guest, stage, recording }: GuestState) {
    const [context, state] = [this.data.context()!, this.data.state()!];
    const next = nextOccupancy(context, state, guest.id);
    return {
      id: guest.id,
      name: guest.name,
      recording,
      where: GUEST_STAGE_WORDS[stage],
      drives: guest.drives
        .map(({ id, laps }) => {
          const car = state.drives.get(id)?.car;
          return car === undefined
            ? `${lapsText(laps)} without a place`
            : `${carLabel(this.data.view(), car)}, ${lapsText(laps)}`;
        })
        .join(' · '),
      next: occupancyWords(next, this.data.view(), this.data.stalls(), this.when.words()),
      nextS: next?.startS ?? Infinity,
    };
  }
}
