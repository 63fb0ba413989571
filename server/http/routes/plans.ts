import { randomUUID } from 'node:crypto';
import { listLapPrice } from '@core/venue/fleet';
import type { BookingFields } from '@core/venue/booking';
import type { OfferedPlace, OneMoreDrive, plansEndpoints } from '@core/api';
import { cents, fact } from '@core/values';
import { holdsAround, indexDay, type Day, type Plan } from '@core/day';
import { lapsOwed, owedFrom, owedId, type EntryOf, type OwedWish, type PlanningSnapshot } from '@core/journal';
import { insertions, offersOf, remedied, type Insertion, type RemedyChange, type RevisionReason } from '@core/planner';
import { namesOf, wordsIn } from '@words';
import { acceptPlan, planningTimeS, withOverdue } from '../../services/planning/accept';
import { notFound, refusalOf } from '../../base/refusal';
import type { Services } from '../services';
import type { Enter } from '../../services/journal-writer';
import type { Handlers } from '../mount';

/** Characters that the reason of a revision has at most. */
const MOST_REASON = 200;

/** What a change of the plan may enter besides. */
type Changing =
  WithoutHead<EntryOf<'owedAgreed'>> | WithoutHead<EntryOf<'closingMoved'>> | WithoutHead<EntryOf<'crewHours'>>;
type LapsOrRide = Pick<OneMoreDrive, 'laps' | 'ride'>;
type WithoutHead<E> = Omit<E, keyof EntryHead>;
interface EntryHead {
  readonly id: string;
  readonly at: number;
  readonly by: string;
}

/** Plans: looked for, accepted, compared, remedied, and with one more drive. */
export function plansRoutes(services: Services): Handlers<typeof plansEndpoints> {
  const { store, dayCache, planJobs, slides, bounds, admit } = services;
  return {
    listPlans: ({ params: { date } }) => {
      dayCache.of(date);
      return { revisions: store.days.revisions(date) };
    },
    readPlan: ({ params: { date, revision } }) => {
      const accepted = store.days.planOf(date, revision);
      if (!accepted) throw notFound('plan', String(revision), date);
      return accepted;
    },
    acceptPlan: ({ params: { date }, body, request }) => {
      if (body.despiteRules) admit('manager', request);
      return acceptPlan(services, date, body);
    },
    readBound: ({ params: { date } }) => bounds.of(date),
    startPlanning: ({ params: { date }, body }) => planJobs.start(date, body),
    readPlanning: ({ params: { date } }) => ({ job: planJobs.read(date) ?? null }),
    stopPlanning: ({ params: { date } }) => {
      dayCache.of(date);
      return { stopping: planJobs.stop(date) };
    },
    dropPlanning: ({ params: { date } }) => {
      dayCache.of(date);
      return { dropped: planJobs.drop(date) };
    },
    slideTimes: ({ params: { date }, body: { author } }) => {
      dayCache.of(date);
      return { slid: slides.agree(date, author) };
    },
    applyRemedy: ({ params: { date, id }, body: { author, change } }) => {
      if ('drive' in change && change.drive !== id) throw refusalOf(fact('otherDrive', {}));
      const snapshot = current(date);
      const { day, from, repair } = snapshot;
      const found = remedied(day, from.previous, id, change, repair);
      if (!found) throw refusalOf(fact('noLongerHelps', {}));
      const { guest } = indexDay(day).drives.get(id)!;
      return acceptPlan(
        services,
        date,
        {
          base: dayCache.of(date).revision!.revision,
          plan: withOverdue(snapshot, found.plan),
          asOf: from.nowS,
          author,
          reason: reasonWords(fact('remedied', { guest: guest.id }, { change }), day),
        },
        (enter) => makeChange(date, change, author, enter),
      );
    },
    findPlaces: ({ params: { date }, body: { guest: id, cars, laps, ride, makesUpFor } }) => {
      if (makesUpFor !== undefined) owes(date, makesUpFor, id, laps);
      const snapshot = current(date);
      const drive = { id: makesUpFor === undefined ? randomUUID() : owedId(makesUpFor), cars, laps, ride };
      const { day, plan: previous } = withoutDrive(snapshot.day, snapshot.from.previous, drive.id);
      const guest = day.guests.find((coming) => coming.id === id);
      if (!guest) throw refusalOf(fact('guestGone', {}));
      const { gearbox } = store.bookings.get(date, id)!.fields;
      const found = insertions(day, previous, guest, { ...drive, gearbox }, snapshot.from.nowS);
      const offered = (place: Insertion) => offeredPlace(place, { laps, ride }, snapshot);
      const { slots, better } = found;
      return {
        asOf: snapshot.from.nowS,
        base: dayCache.of(date).revision!.revision,
        drive: drive.id,
        slots: offersOf(slots, day).map(offered),
        better: better ? offered(better) : null,
      };
    },
    takePlace: ({ params: { date }, body }) => {
      const { guest: id, cars, laps, ride, drive, base, asOf, plan, author, makesUpFor } = body;
      const booking = store.bookings.get(date, id);
      if (!booking) throw notFound('booking', id, date);
      const { context } = dayCache.of(date);
      const planned = plan.drives.find((one) => one.drive === drive);
      if (!planned) throw refusalOf(fact('noPlaceSent', {}));
      const { fields, version } = booking;
      const accept = (why: RevisionReason, alongside: (enter: Enter) => void) => {
        const reason = reasonWords(why, context.day);
        // Everything that taking the place means is stored together, or nothing of it.
        return acceptPlan(services, date, { base, plan, asOf, author, reason }, alongside);
      };
      if (makesUpFor !== undefined) {
        owes(date, makesUpFor, id, laps);
        const { release, car, instructor } = planned;
        const place = { release, car, instructor };
        return accept(fact('lapsOwedTo', { guest: id, cars }, { laps }), (enter) =>
          enter(entryNow(date, author, { kind: 'owedAgreed', drive: makesUpFor, cars, place })),
        );
      }
      if (context.schedule.index.drives.has(drive)) throw refusalOf(fact('placeTaken', {}));
      const extended: BookingFields = {
        ...fields,
        price: cents(fields.price + (priceOf(planned.car, { laps, ride }) ?? 0)),
        drives: [...fields.drives, { id: drive, cars, laps, ride }],
      };
      const why = ride ? ('oneRideFor' as const) : ('oneMoreDriveFor' as const);
      return accept(fact(why, { guest: id, cars }, { laps }), () => {
        const change = store.bookings.change(date, id, version, extended);
        if (change.outcome !== 'changed') throw refusalOf(fact('noMoreDrives', {}));
      });
    },
  };

  /** The snapshot from which a change of the current plan is made now. */
  function current(date: string): PlanningSnapshot {
    if (!dayCache.of(date).plan) throw refusalOf(fact('noPlanYet', {}));
    return dayCache.snapshot(date, planningTimeS(dayCache.nowS(date)));
  }

  function offeredPlace(
    { planned, plan, costs, moved }: Insertion,
    wish: LapsOrRide,
    snapshot: PlanningSnapshot,
  ): OfferedPlace {
    const { drives } = indexDay(snapshot.day);
    return {
      planned,
      seat: planned.release - holdsAround(snapshot.day, wish).setUpS,
      costs,
      price: priceOf(planned.car, wish) ?? null,
      moved: moved.map((one) => ({ ...one, guest: drives.get(one.drive)!.guest.id })),
      plan: withOverdue(snapshot, plan),
    };
  }

  /** Why a plan was accepted; cars that share a name are told with their number. */
  function reasonWords(reason: RevisionReason, day: Day): string {
    const fleet = store.cars.list().map(({ fields }) => fields);
    const car = (id: string) => {
      const known = fleet.find((one) => one.id === id);
      const namesake = fleet.some((other) => other.id !== id && other.name === known?.name);
      return known ? (namesake ? `${known.number} ${known.name}` : known.name) : id;
    };
    return wordsIn('en', { ...namesOf(day), car })
      .revisionReason(reason)
      .slice(0, MOST_REASON);
  }

  /** What laps in a car cost by the venue's list; nothing where the list has no price for it. */
  function priceOf(car: string, { laps, ride }: LapsOrRide): number | undefined {
    const each = listLapPrice(store.cars.get(car)?.fields ?? {}, ride);
    return each === undefined ? undefined : cents(each * laps);
  }

  /** @throws Refusal 409 where just so many laps are not owed to the guest from this drive */
  function owes(date: string, drive: string, guest: string, laps: number): void {
    const { context } = dayCache.of(date);
    const state = dayCache.stateAt(date);
    const broken = state.drives.get(drive);
    const owed = broken?.guest.id === guest ? lapsOwed(context, state, broken) : 0;
    if (laps === owed) return;
    throw refusalOf(fact('otherLapsOwed', {}, { owed, laps }));
  }

  /** Something that is entered because somebody changes the plan now. */
  function entryNow<E extends Changing>(date: string, by: string, what: E): E & EntryHead {
    return { id: randomUUID(), at: dayCache.nowS(date), by, ...what };
  }

  /** The drive from which the laps of a drive are owed, with what was agreed on them. */
  function owedOf(date: string, drive: string): { drive: string } & OwedWish {
    const { drives } = dayCache.stateAt(date);
    const from = owedFrom(drives, drive)!;
    return { ...drives.get(from)!.owedWish, drive: from };
  }

  /** Makes the change where it is set up, or enters it in the journal where it holds for this day only. */
  function makeChange(date: string, change: RemedyChange, author: string, enter: Enter): void {
    const agree = (what: { drive: string } & OwedWish) =>
      void enter(entryNow(date, author, { kind: 'owedAgreed', ...what }));
    const isOwed = 'drive' in change && dayCache.of(date).owed.some(({ drive }) => drive.id === change.drive);
    switch (change.kind) {
      case 'car':
        if (isOwed) {
          return agree({ ...owedOf(date, change.drive), cars: [change.car], place: undefined });
        }
        return changeBooking(date, change.drive, (fields) =>
          withDrive(fields, change.drive, ({ pin, ...drive }) => ({
            ...drive,
            cars: [change.car],
            ...(pin && { pin: { ...pin, car: undefined } }),
          })),
        );
      case 'unpin':
        if (isOwed) return agree({ ...owedOf(date, change.drive), place: undefined });
        return changeBooking(date, change.drive, (fields) =>
          withDrive(fields, change.drive, ({ pin: _, ...drive }) => drive),
        );
      case 'stays': {
        const booking = store.bookings.get(date, change.guest)!;
        store.bookings.change(date, booking.id, booking.version, { ...booking.fields, leavesBy: change.until });
        return;
      }
      case 'closes':
        return void enter(entryNow(date, author, { kind: 'closingMoved', to: change.to }));
      case 'crew':
        return void enter(entryNow(date, author, { ...change, kind: 'crewHours' }));
    }
  }

  function changeBooking(date: string, drive: string, change: (fields: BookingFields) => BookingFields): void {
    const booking = store.bookings.list(date).find(({ fields }) => fields.drives.some(({ id }) => id === drive))!;
    store.bookings.change(date, booking.id, booking.version, change(booking.fields));
  }
}

/** Day and plan without a drive that waits for a place, which is then looked for as for one that is new. */
function withoutDrive(day: Day, plan: Plan, id: string): { day: Day; plan: Plan } {
  const guests = day.guests.map((guest) => ({ ...guest, drives: guest.drives.filter((drive) => drive.id !== id) }));
  const unplanned = plan.unplanned.filter(({ drive }) => drive !== id);
  return { day: { ...day, guests }, plan: { ...plan, unplanned } };
}

function withDrive(
  fields: BookingFields,
  id: string,
  change: (drive: BookingFields['drives'][number]) => BookingFields['drives'][number],
): BookingFields {
  return { ...fields, drives: fields.drives.map((drive) => (drive.id === id ? change(drive) : drive)) };
}
