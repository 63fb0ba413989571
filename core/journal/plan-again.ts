import type { Day, Plan, TimeWindow } from '../day';
import type { DayState } from './day-state';

/** A guest who is late is planned as if arriving this long from now. */
const LATE_GRACE_S = 10 * 60;

/**
 * The day as the journal has shown it to be, for planning again from the state's time on: guests who are gone take no
 * more part, late ones come soon, held cars and absent instructors are away from now, and whoever has been briefed or
 * has seen the circuit outside the plan need not be again.
 */
export function dayAsItIs(day: Day, previous: Plan | undefined, state: DayState): Day {
  const nowS = state.timeS;
  const planned = {
    briefing: new Set(previous?.briefings.filter(({ start }) => start < nowS).flatMap(({ guests }) => guests)),
    sighting: new Set(
      previous?.sightings
        .filter(({ release }) => release - day.rules.sighting.setUpS < nowS)
        .flatMap(({ guests }) => guests),
    ),
  };
  /** The windows before now, and those from the return on, if one is expected. */
  const away = (windows: readonly TimeWindow[], backS = Infinity): TimeWindow[] => [
    ...windows.filter(({ from }) => from < nowS).map(({ from, to }) => ({ from, to: Math.min(to, nowS) })),
    ...windows.filter(({ to }) => to > backS).map(({ from, to }) => ({ from: Math.max(from, backS), to })),
  ];
  return {
    ...day,
    guests: day.guests.flatMap((guest) => {
      const now = state.guests.get(guest.id);
      if (!now) return [guest];
      const begun = guest.drives.filter(({ id }) => state.drives.get(id)?.stage !== 'planned');
      if (now.gone !== undefined) return begun.length > 0 ? [{ ...guest, drives: begun }] : [];
      const late = now.arrivedS === undefined && guest.arrives < nowS;
      return [
        {
          ...guest,
          arrives: late ? nowS + LATE_GRACE_S : Math.min(guest.arrives, now.arrivedS ?? guest.arrives),
          briefed: guest.briefed || (now.briefed && !planned.briefing.has(guest.id)),
          sighted: guest.sighted || (now.sighted && !planned.sighting.has(guest.id)),
        },
      ];
    }),
    cars: day.cars.map((car) => {
      const now = state.cars.get(car.id);
      if (now?.heldFor === undefined) return car;
      return { ...car, available: away(car.available, now.backAtS && Math.max(nowS, now.backAtS)) };
    }),
    instructors: day.instructors.map((instructor) =>
      state.crew.get(instructor.id)?.pause === 'off'
        ? { ...instructor, available: away(instructor.available) }
        : instructor,
    ),
  };
}

/** The drives of guests who take no more part stand in the plan as left out, so that no drive is lost from sight. */
export function withGuestsGone(day: Day, known: Day, plan: Plan): Plan {
  const there = new Set(known.guests.flatMap(({ drives }) => drives.map(({ id }) => id)));
  const gone = day.guests.flatMap((guest) =>
    guest.drives
      .filter(({ id }) => !there.has(id))
      .map(({ id }) => ({
        drive: id,
        reason: `${guest.name} is not taking part any more; book another day if wished.`,
      })),
  );
  return { ...plan, unplanned: [...plan.unplanned, ...gone] };
}
