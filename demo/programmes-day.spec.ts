import { plannedCar } from '@core/api';
import { plannedInstructor } from '@core/crew';
import { checkPlan, type Day } from '@core/day';
import { inEnglish } from '@core/testing/in-english';
import { TRUSTED_WITH } from './crew-days';
import { PlayedDay } from './crew/play';
import { CREW, FLEET, LARKMERE } from './larkmere';
import { programmesBookings, PROGRAMMES_DATE, PROGRAMMES_GROUPS } from './programmes-day';
import { firstPlan } from './seed';

function programmesDay(): Day {
  const { paces, name, timeZone, opens, closes, condition, circuit, rules, sightingVehicles, surfaces } = LARKMERE;
  const fleet = FLEET.map(({ id }) => id);
  return {
    ...{ timeZone, opens, closes, condition, circuit, rules, sightingVehicles, surfaces },
    ...{ format: 'joylap-day', version: 2, venue: name, date: PROGRAMMES_DATE },
    cars: FLEET.map(plannedCar),
    instructors: CREW.map((who) => plannedInstructor({ ...who, ...TRUSTED_WITH[who.id] }, [], PROGRAMMES_DATE, fleet)),
    guests: programmesBookings().map(({ reference, pace, ...booking }) => ({
      ...{ id: reference.toLowerCase(), name: booking.name, arrives: booking.arrives, languages: booking.languages },
      ...{ pace: paces[pace], briefed: booking.briefed, sighted: booking.sighted, drives: booking.drives },
    })),
    groups: [...PROGRAMMES_GROUPS],
  };
}

describe('Larkmere’s day of other ways to drive', () => {
  const day = programmesDay();
  const plan = firstPlan(day);

  it('has a place for every group, ride and drive, and breaks no rule', () => {
    expect(checkPlan(day, plan).violations.map(inEnglish(day).violation)).toEqual([]);
    expect([plan.unplanned, plan.unplannedGroups]).toEqual([[], []]);
    expect(plan.groups!.map(({ group }) => group).sort()).toEqual(['demo-convoy', 'demo-oval', 'demo-pan']);
    expect(plan.drives.filter(({ drive }) => drive.startsWith('P-R')).length).toBe(6);
  });

  it('can be played to its end', () => {
    const it = new PlayedDay(day, plan, { seed: 5 }, day.opens - 1800);
    while (it.nowS < day.closes + 1800) it.step();
    const state = it.state();
    expect([...state.groups.values()].map(({ stage }) => stage)).toEqual(['over', 'over', 'over']);
    const left = [...state.drives.values()].filter(
      ({ stage, guest }) => stage !== 'done' && !state.guests.get(guest.id)!.gone,
    );
    expect(left.map(({ drive }) => drive.id)).toEqual([]);
  });
});
