import { crewOf } from '../../day';
import type { DayContext } from '../../journal';
import type { Drift, Expected, Occupancy } from './expected';

/** Nobody waits at the exit for longer than this for a good moment. */
const MOST_S = 10 * 60;

/**
 * How long something may still be held before it is let out, seconds, until something after it begins later: the next of
 * its guests, of its instructor with the meal and the rest that lie between, of its car or vehicle; and until it would run
 * into a closure or past the closing.
 *
 * @param key of a drive, a run or a group that has not been let out; 0 for what the drift does not know
 */
export function slackOf({ day }: DayContext, drift: Drift, key: string): number {
  const own = drift.expected.get(key);
  if (!own) return 0;
  const next = [...drift.expected.values()].filter(
    ({ phase, occupancy }) => phase === 'toCome' && occupancy.startS >= own.occupancy.endS,
  );
  let slackS = MOST_S;
  const before = (limitS: number, freeS: number) => (slackS = Math.min(slackS, Math.max(0, limitS - freeS)));
  const follower = (shares: (occupancy: Occupancy) => boolean, restOf: (next: Expected) => number) => {
    const after = next.filter(({ occupancy }) => shares(occupancy)).sort((a, b) => a.startS - b.startS)[0];
    if (after) before(after.startS, own.endS + restOf(after));
  };
  const { rules } = day;
  for (const guest of guestsOf(own.occupancy)) {
    const rests = own.occupancy.kind === 'drive' ? rules.guestRestS : 0;
    follower(
      (other) => guestsOf(other).includes(guest),
      ({ occupancy }) => (occupancy.kind === 'drive' ? rests : 0),
    );
  }
  for (const thing of thingsOf(own.occupancy)) {
    const turnS = own.occupancy.kind === 'drive' ? rules.turnaroundS : 0;
    follower(
      (other) => thingsOf(other).includes(thing),
      ({ occupancy }) => (occupancy.kind === 'drive' ? turnS : 0),
    );
  }
  for (const { id, meal, restS } of crewIn(own.occupancy)) {
    // What the plan has room for between the two keeps it.
    follower(
      (other) => crewIn(other).some((instructor) => instructor.id === id),
      ({ occupancy: { startS } }) => {
        const gapS = startS - own.occupancy.endS;
        const eats = Math.min(startS, meal.to) - Math.max(own.occupancy.endS, meal.from) >= meal.durationS;
        return eats ? meal.durationS : gapS >= restS ? restS : 0;
      },
    );
  }
  const shutS = day.circuit.closures.map(({ from }) => from).filter((from) => from >= own.trackEndS);
  before(Math.min(day.closes, ...shutS), own.trackEndS);
  return slackS;
}

function guestsOf(occupancy: Occupancy): string[] {
  return 'guests' in occupancy ? occupancy.guests.map(({ id }) => id) : [];
}

function crewIn(occupancy: Occupancy) {
  return occupancy.kind === 'refuel' ? [] : crewOf(occupancy);
}

function thingsOf(occupancy: Occupancy): string[] {
  switch (occupancy.kind) {
    case 'drive':
      return [`car ${occupancy.planned.car}`];
    case 'refuel':
      return [`car ${occupancy.refuel.car}`];
    case 'group':
      return [...occupancy.cars].map(({ id }) => `car ${id}`);
    case 'sighting':
      return [`vehicle ${occupancy.sighting.vehicle}`];
    case 'briefing':
      return [];
  }
}
