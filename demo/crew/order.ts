import {
  carsOf,
  crewOf,
  type BriefingOccupancy,
  type DriveOccupancy,
  type GroupOccupancy,
  type Schedule,
  type SightingOccupancy,
} from '@core/day';
import { isCleared, type DayContext, type DayState } from '@core/journal';
import { EARLY_S, INSTRUCTOR_WAITS_S, PATIENCE_S } from './chance';

export type Activity = BriefingOccupancy | SightingOccupancy | DriveOccupancy | GroupOccupancy;

/**
 * What of the plan comes next for everybody whom and everything that it needs, and may begin by the time that was
 * accepted: times that slide tell when something will be, and keep nobody from beginning. An activity has its turn once nothing before it claims its instructor, its car or its guests.
 */
export function turnsNow({ accepted: schedule }: DayContext, state: DayState, nowS: number): Activity[] {
  const claimed = new Set<string>();
  const turns: Activity[] = [];
  for (const activity of inOrder(schedule)) {
    if (activity.startS > nowS + EARLY_S) break;
    if (!isToCome(activity, state) || !canHappen(activity, state, schedule)) continue;
    const needs = needsOf(activity);
    const given = !needs.some((need) => claimed.has(need));
    // An instructor does not wait for ever for a guest who has not come.
    const missing = activity.kind === 'drive' && !activity.guests.every(({ id }) => isHere(state, id));
    if (missing && nowS > activity.startS + INSTRUCTOR_WAITS_S) continue;
    needs.forEach((need) => claimed.add(need));
    if (activity.startS > nowS + (activity.kind === 'drive' ? EARLY_S : 0)) continue;
    if (given) turns.push(activity);
  }
  return turns;
}

const orders = new WeakMap<Schedule, readonly Activity[]>();

function inOrder(schedule: Schedule): readonly Activity[] {
  let order = orders.get(schedule);
  if (!order) {
    const { briefings, sightings, drives, groups } = schedule;
    order = [...briefings, ...sightings, ...drives, ...groups].sort((a, b) => a.startS - b.startS);
    orders.set(schedule, order);
  }
  return order;
}

/** Guests of a class or a run who can take part now; nobody while others are waited for. */
export function gathered(
  { state, nowS }: { readonly state: DayState; readonly nowS: number },
  { guests, startS }: Exclude<Activity, DriveOccupancy>,
  isReady: (guest: string) => boolean,
): string[] {
  const wanted = guests.map(({ id }) => id).filter((id) => state.guests.get(id)?.gone === undefined);
  const there = wanted.filter((id) => isHere(state, id) && isFree(state, id) && isReady(id));
  return there.length === wanted.length || nowS > startS + PATIENCE_S ? there : [];
}

export function isHere(state: DayState, id: string): boolean {
  const guest = state.guests.get(id);
  return (
    guest !== undefined && guest.arrivedS !== undefined && guest.gone === undefined && isCleared(guest) && !guest.unwell
  );
}

export function isFree(state: DayState, id: string): boolean {
  const guest = state.guests.get(id);
  return guest !== undefined && guest.heldBy === undefined && guest.drive === undefined;
}

function isToCome(activity: Activity, { drives, groups, guests }: DayState): boolean {
  if (activity.kind === 'group') return groups.get(activity.planned.group)?.stage === 'planned';
  if (activity.kind === 'drive') return drives.get(activity.planned.drive)?.stage === 'planned';
  const done = activity.kind === 'briefing' ? 'briefed' : 'sighted';
  const open = activity.guests.filter(({ id }) => guests.get(id)?.gone === undefined);
  // A class that has taken place without somebody has taken place.
  return open.length > 0 && open.every(({ id }) => !guests.get(id)?.[done] && !guests.get(id)?.heldBy);
}

/** Whether it can come about at all by this plan, so that others have to wait for it. */
function canHappen(activity: Activity, state: DayState, { briefings, sightings }: Schedule): boolean {
  if (activity.kind !== 'drive') return true;
  const { car, drive, guests } = activity;
  const held = state.cars.get(activity.planned.car);
  if (!car || !drive || (held?.heldFor !== undefined && held.backAtS === undefined)) return false;
  return guests.every(({ id }) => {
    const guest = state.guests.get(id);
    if (!guest || guest.gone) return false;
    if (drive.ride) return true;
    const comes = (list: readonly (BriefingOccupancy | SightingOccupancy)[]) =>
      list.some((one) => one.guests.some((other) => other.id === id) && isToCome(one, state));
    const taught = guest.briefed || guest.heldBy === 'class' || comes(briefings);
    return taught && (guest.sighted || guest.heldBy === 'sighting' || comes(sightings));
  });
}

function needsOf(activity: Activity): string[] {
  const people = activity.guests.map(({ id }) => `guest ${id}`);
  const crew = crewOf(activity).map(({ id }) => `crew ${id}`);
  if (activity.kind === 'group') return [...people, ...crew, ...carsOf(activity).map(({ id }) => `car ${id}`)];
  if (activity.kind === 'drive') return [...people, ...crew, `car ${activity.planned.car}`];
  return activity.kind === 'sighting'
    ? [...people, ...crew, `vehicle ${activity.sighting.vehicle}`]
    : [...people, ...crew];
}
