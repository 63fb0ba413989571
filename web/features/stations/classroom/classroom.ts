import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { RouterLink } from '@angular/router';
import { misreadBy } from '@core/people/coaching';
import { clockMinute, spokenDuration } from '@core/values';
import type { BriefingOccupancy, SightingOccupancy } from '@core/day';
import { isCleared, sentFor, type GuestState } from '@core/journal';
import { GUEST_STAGE_WORDS } from '@words';
import { Button } from 'primeng/button';
import { DayService } from '../../../shared/data/day.service';
import { When } from '../../../shared/data/when';
import { ClassAnswers } from './class-answers';

/** A guest on a roster, and whether this one may take part now. */
interface Seat {
  readonly guest: GuestState;
  readonly ticked: boolean;
  readonly ready: boolean;
  readonly words: string;
  /** Set where a class begins soon or is running without this guest: what was done about it. */
  readonly missing?: { readonly words: string; readonly canSend: boolean };
}

/** Who is not there is missed from so long before the class on. */
const MISSED_BEFORE_S = 15 * 60;
/** A class that is over stays on screen so long where wrong hands have no name yet. */
const ASKED_AFTER_S = 30 * 60;

/** The next classes with rosters and attendance, and the sighting runs that follow with their seats. */
@Component({
  selector: 'jl-classroom',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ClassAnswers, NgTemplateOutlet, RouterLink],
  templateUrl: './classroom.html',
  styleUrl: './classroom.scss',
  host: { class: 'screen' },
})
export class Classroom {
  protected readonly data = inject(DayService);
  private readonly when = inject(When);
  /** Ticks that a person has changed, by activity and guest; else everybody who is ready is ticked. */
  private readonly ticks = signal<ReadonlyMap<string, boolean>>(new Map());

  protected readonly classes = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const upcoming = context.schedule.briefings
      .filter(
        (occupancy) =>
          !this.isRunning(occupancy) && occupancy.guests.some((guest) => !state.guests.get(guest.id)?.briefed),
      )
      .filter((occupancy) => occupancy.endS > state.timeS - 3600)
      .sort((a, b) => a.startS - b.startS);
    const running = [...state.classes].map(([instructor, { guests, sinceS }]) => {
      const id = `class-${instructor}-${sinceS}`;
      const seats = guests.flatMap((guest) => this.seat(id, state.guests.get(guest), () => true));
      return {
        id,
        instructor,
        running: true,
        name: context.schedule.index.instructors.get(instructor)?.name ?? instructor,
        when: `since ${clockMinute(sinceS)}, ends about ${clockMinute(sinceS + context.day.rules.briefing.durationS)}`,
        seats,
        others: this.absent(id, instructor, guests),
        held: { instructor, guests, sinceS },
      };
    });
    const planned = upcoming.map((occupancy, place) => {
      const id = `class-${occupancy.briefing.instructor}-${occupancy.startS}`;
      const wants = (guest: GuestState) =>
        !guest.briefed && isCleared(guest) && guest.heldBy === undefined && !guest.gone;
      const soon = this.when.start()(occupancy).atS - state.timeS <= MISSED_BEFORE_S;
      const seats = occupancy.guests
        .flatMap((guest) => this.seat(id, state.guests.get(guest.id), wants))
        .map((seat) => (soon && !seat.ready ? { ...seat, missing: missing(seat.guest) } : seat));
      return {
        id,
        instructor: occupancy.briefing.instructor,
        running: false,
        name: occupancy.instructor?.name ?? occupancy.briefing.instructor,
        when: `${this.when.words()(occupancy)}, ${spokenDuration(occupancy.endS - occupancy.startS)}`,
        seats,
        others: place === 0 ? this.missed(id, upcoming) : [],
        held: undefined,
      };
    });
    return [...running, ...planned];
  });
  /** Classes that are over, in which hands were wrong and nobody has said whose. */
  protected readonly over = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    return state.taught
      .filter(({ endS }) => endS > state.timeS - ASKED_AFTER_S)
      .filter(({ guests }) => guests.some((guest) => misreadBy(state, guest).some(({ hands }) => hands)))
      .map((held) => ({
        held,
        when: `${clockMinute(held.sinceS)} to ${clockMinute(held.endS)}`,
        name: context.schedule.index.instructors.get(held.instructor)?.name ?? held.instructor,
      }));
  });

  protected readonly runs = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const out = [...state.sightings].map(([vehicle, { guests, instructor, sinceS }]) => ({
      id: `run-${vehicle}-${sinceS}`,
      vehicle,
      instructor,
      out: true,
      name: context.schedule.index.vehicles.get(vehicle)?.name ?? vehicle,
      when: `out since ${clockMinute(sinceS)} with ${context.schedule.index.instructors.get(instructor)?.name ?? instructor}`,
      free: Math.max(0, (context.schedule.index.vehicles.get(vehicle)?.seats ?? 0) - guests.length),
      seats: guests.flatMap((guest) => this.seat('', state.guests.get(guest), () => true)),
    }));
    const planned = context.schedule.sightings
      .filter((occupancy) =>
        occupancy.guests.some((guest) => !state.guests.get(guest.id)?.sighted && !this.isOut(guest.id)),
      )
      .filter((occupancy) => occupancy.endS > state.timeS - 3600)
      .sort((a, b) => a.startS - b.startS)
      .map((occupancy: SightingOccupancy) => {
        const id = `run-${occupancy.sighting.vehicle}-${occupancy.releaseS}`;
        const wants = (guest: GuestState) => guest.stage === 'briefed';
        const seats = occupancy.guests.flatMap((guest) => this.seat(id, state.guests.get(guest.id), wants));
        return {
          id,
          vehicle: occupancy.sighting.vehicle,
          instructor: occupancy.sighting.instructor,
          out: false,
          name: occupancy.vehicle?.name ?? occupancy.sighting.vehicle,
          when: `${this.when.words()(occupancy)} with ${occupancy.instructor?.name ?? ''}`,
          free: Math.max(0, (occupancy.vehicle?.seats ?? 0) - seats.length),
          seats,
        };
      });
    return [...out, ...planned];
  });

  protected ticked(seats: readonly Seat[]): number {
    return seats.filter((seat) => seat.ticked).length;
  }

  protected toggle(id: string, seat: Seat): void {
    this.ticks.update((ticks) => new Map(ticks).set(`${id} ${seat.guest.guest.id}`, !seat.ticked));
  }

  protected begin(shown: { instructor: string; seats: Seat[]; others: Seat[] }): void {
    const guests = [...shown.seats, ...shown.others].filter((it) => it.ticked).map(({ guest }) => guest.guest.id);
    if (guests.length === 0) this.data.refuse('Nobody of this class is ready: clear the guests at the gate first.');
    else this.data.record({ kind: 'classBegan', instructor: shown.instructor, guests });
  }

  protected end(shown: { instructor: string; seats: Seat[] }): void {
    const guests = shown.seats.filter((it) => it.ticked).map(({ guest }) => guest.guest.id);
    this.data.record({ kind: 'classEnded', instructor: shown.instructor, guests });
  }

  protected letOut(run: { vehicle: string; instructor: string; seats: Seat[] }): void {
    const guests = run.seats.filter((it) => it.ticked).map(({ guest }) => guest.guest.id);
    if (guests.length === 0) this.data.refuse('Nobody of this run is briefed yet.');
    else this.data.record({ kind: 'sightingBegan', vehicle: run.vehicle, instructor: run.instructor, guests });
  }

  protected back(vehicle: string): void {
    this.data.record({ kind: 'sightingEnded', vehicle });
  }

  private seat(id: string, guest: GuestState | undefined, wants: (guest: GuestState) => boolean): Seat[] {
    if (!guest) return [];
    const ready = wants(guest);
    const ticked = ready && (this.ticks().get(`${id} ${guest.guest.id}`) ?? true);
    return [{ guest, ready, ticked, words: GUEST_STAGE_WORDS[guest.stage] }];
  }

  /** Guests who wait for a class and stand in none that is still to come. */
  private missed(id: string, upcoming: readonly BriefingOccupancy[]): Seat[] {
    const state = this.data.state()!;
    const listed = new Set(upcoming.flatMap(({ guests }) => guests.map((guest) => guest.id)));
    return [...state.guests.values()]
      .filter((guest) => guest.stage === 'cleared' && !listed.has(guest.guest.id))
      .flatMap((guest) => this.seat(id, guest, () => true));
  }

  /** Those of the plan's class who are not in the room of the one that is running. */
  private absent(id: string, instructor: string, there: readonly string[]): Seat[] {
    const [context, state] = [this.data.context()!, this.data.state()!];
    const planned = context.schedule.briefings.find(
      ({ briefing }) => briefing.instructor === instructor && briefing.guests.some((guest) => there.includes(guest)),
    );
    return (planned?.guests ?? [])
      .map((guest) => state.guests.get(guest.id))
      .filter((guest) => guest && !guest.briefed && !guest.gone && !there.includes(guest.guest.id))
      .flatMap((guest) => this.seat(id, guest, () => false))
      .map((seat) => ({ ...seat, missing: missing(seat.guest) }));
  }

  protected send(instructor: string, { guest }: Seat): void {
    this.data.record({ kind: 'guestSentFor', guest: guest.guest.id, instructor });
  }

  private isRunning(occupancy: BriefingOccupancy): boolean {
    const running = this.data.state()?.classes.get(occupancy.briefing.instructor);
    return running?.guests.some((id) => occupancy.briefing.guests.includes(id)) ?? false;
  }

  private isOut(guestId: string): boolean {
    return this.data.state()?.guests.get(guestId)?.heldBy === 'sighting';
  }
}

/** What was done about somebody who is missing. */
function missing(guest: GuestState): NonNullable<Seat['missing']> {
  const sent = sentFor(guest);
  if (!sent) return { words: '', canSend: true };
  return sent.foundS === undefined
    ? { words: `sent for ${clockMinute(sent.atS)}`, canSend: false }
    : { words: `on the way since ${clockMinute(sent.foundS)}`, canSend: false };
}
