import type { Day } from '../../day';
import { type Fact, fact } from '../../values';
import { isInFleet, type CarFields } from '../fleet';
import type { Introduction, PutOff } from '../settings';

/** What a venue needs for its first plan, in the order in which it is best set up. */
const STEPS = ['venue', 'circuit', 'cars', 'crew', 'introduction', 'bookings', 'plan', 'phones'] as const;
export type StepName = (typeof STEPS)[number];

/** What keeps guests of a day from a place in the plan, or makes the plan worse than it could be. */
export type Missing =
  | Fact<'venueUnnamed' | 'zoneNotChosen' | 'noCircuit' | 'noCars' | 'noCarToday' | 'noCrew' | 'noCrewToday'>
  | Fact<
      | 'introductionNotChosen'
      | 'noClassGiver'
      | 'noRunDriver'
      | 'noVehicle'
      | 'noVehicleToday'
      | 'noBookings'
      | 'noPlan'
      | 'noPhones'
    >
  | Fact<'carsAssumed', object, { count: number; of: number }>
  | Fact<'carUntaught', { car: string }>
  | Fact<'languageUnspoken', object, { language: string; guests: number }>
  | Fact<'guestsWithoutDrives', object, { count: number }>;

interface MissingPart {
  readonly what: Missing;
  /** Whether there is no plan, or none for some guests, without it. */
  readonly needed: boolean;
}

export interface Step {
  readonly name: StepName;
  /** `done`: the planner can use it; `putOff`: it works without, and somebody has said later. */
  readonly state: 'done' | 'open' | 'putOff';
  readonly missing: readonly MissingPart[];
}

/** What the steps are judged by: the venue as it is set up, and one of its days. */
export interface StepsSource {
  readonly day: Day;
  readonly introduction: Introduction;
  readonly putOff: readonly PutOff[];
  readonly fleet: readonly CarFields[];
  readonly hasCircuit: boolean;
  readonly planned: boolean;
  /** Phones and tablets beside the one that this is seen on. */
  readonly phones: number;
}

/** What a venue is called before somebody has named it. */
export const UNNAMED_VENUE = 'New venue';

const need = (what: Missing): MissingPart => ({ what, needed: true });
const better = (what: Missing): MissingPart => ({ what, needed: false });

/** The steps to a plan of a day; each is done when the planner can use it, not when a form was saved. */
export function firstSteps(source: StepsSource): Step[] {
  const parts: Record<StepName, MissingPart[]> = {
    venue: [
      ...(source.day.venue === UNNAMED_VENUE ? [need(fact('venueUnnamed', {}))] : []),
      ...(source.day.timeZone === 'UTC' ? [better(fact('zoneNotChosen', {}))] : []),
    ],
    circuit: source.hasCircuit ? [] : [better(fact('noCircuit', {}))],
    cars: carsOf(source),
    crew: crewOf(source),
    introduction: introductionOf(source),
    bookings: bookingsOf(source.day),
    plan: source.planned ? [] : [need(fact('noPlan', {}))],
    phones: source.phones > 0 ? [] : [better(fact('noPhones', {}))],
  };
  return STEPS.map((name): Step => {
    const missing = parts[name];
    if (missing.some(({ needed }) => needed)) return { name, state: 'open', missing };
    if (missing.length === 0 || name === 'venue' || name === 'cars') return { name, state: 'done', missing };
    const isPutOff = (source.putOff as readonly StepName[]).includes(name);
    return { name, state: isPutOff ? 'putOff' : 'open', missing };
  });
}

/** Everything that keeps guests of the day from a place, one list, in the order of the steps. */
export function missingForPlan(steps: readonly Step[]): { readonly step: StepName; readonly what: Missing }[] {
  return steps
    .filter(({ name }) => name !== 'plan')
    .flatMap(({ name, missing }) => missing.flatMap(({ what, needed }) => (needed ? [{ step: name, what }] : [])));
}

function carsOf({ day, fleet }: StepsSource): MissingPart[] {
  const own = fleet.filter((car) => isInFleet(car, day.date));
  if (own.length === 0) return [need(fact('noCars', {}))];
  const assumed = own.filter((car) => car.assumed?.includes('lapTimeS'));
  return [
    ...(day.cars.every(({ available }) => available.length === 0) ? [need(fact('noCarToday', {}))] : []),
    ...(assumed.length > 0 ? [better(fact('carsAssumed', {}, { count: assumed.length, of: own.length }))] : []),
  ];
}

function crewOf({ day }: StepsSource): MissingPart[] {
  if (day.instructors.length === 0) return [need(fact('noCrew', {}))];
  const there = day.instructors.filter(({ available }) => available.length > 0);
  if (there.length === 0) return [need(fact('noCrewToday', {}))];
  const driven = new Set(day.guests.flatMap(({ drives }) => drives.flatMap(({ cars }) => cars)));
  const untaught = day.cars.filter(
    ({ id }) => driven.has(id) && !there.some(({ cars }) => cars === 'all' || cars.includes(id)),
  );
  const spoken = new Set(there.flatMap(({ languages }) => languages));
  const unspoken = new Map<string, number>();
  for (const { languages } of day.guests) {
    if (languages.some((language) => spoken.has(language))) continue;
    const [first = ''] = languages;
    unspoken.set(first, (unspoken.get(first) ?? 0) + 1);
  }
  return [
    ...(day.guests.some(({ briefed }) => !briefed) && !there.some(({ brief }) => brief)
      ? [need(fact('noClassGiver', {}))]
      : []),
    ...(day.guests.some(({ sighted }) => !sighted) && !there.some(({ sighting }) => sighting)
      ? [need(fact('noRunDriver', {}))]
      : []),
    ...untaught.map(({ id }) => need(fact('carUntaught', { car: id }))),
    ...[...unspoken].map(([language, guests]) => need(fact('languageUnspoken', {}, { language, guests }))),
  ];
}

function introductionOf({ day, introduction: { circuit, assumed } }: StepsSource): MissingPart[] {
  const open = assumed ? [better(fact('introductionNotChosen', {}))] : [];
  if (circuit !== 'vehicle') return open;
  if (day.sightingVehicles.length === 0) return [...open, need(fact('noVehicle', {}))];
  return day.sightingVehicles.every(({ available }) => available.length === 0)
    ? [...open, need(fact('noVehicleToday', {}))]
    : open;
}

function bookingsOf({ guests, groups = [] }: Day): MissingPart[] {
  if (guests.length === 0) return [need(fact('noBookings', {}))];
  const grouped = new Set(groups.flatMap(({ members }) => members));
  const without = guests.filter(({ id, drives }) => drives.length === 0 && !grouped.has(id)).length;
  return without > 0 ? [better(fact('guestsWithoutDrives', {}, { count: without }))] : [];
}
