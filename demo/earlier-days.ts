import type { BookingFields } from '@core/venue/booking';
import { dateAfter } from '@core/people/crew/at-start';
import type { Day, Plan } from '@core/day';
import type { RecordedEntry } from '@core/journal';
import { planDay, randomOf, seededRandom, type Random } from '@core/planner';
import { garageMorning, garageOfEarlierDay } from './garage-day';
import { DEMO_DATE, DEMO_SEED, FLEET } from './larkmere';
import { playPlan } from './plan-player';

/** Twenty days before the demo day, smaller and quicker to make, so that charts have something to show. */
export const EARLIER_DAYS = 20;

const FIRST = ['Ada', 'Bela', 'Cian', 'Dora', 'Elin', 'Finn', 'Greta', 'Hugo', 'Ilse', 'Jonas', 'Kaja', 'Luca', 'Mina', 'Nils', 'Olga', 'Pia', 'Rune', 'Svea', 'Tove', 'Uwe']; // prettier-ignore
const LAST = ['Aalto', 'Brandt', 'Corvin', 'Dahl', 'Eide', 'Falk', 'Gram', 'Holm', 'Iversen', 'Jahn', 'Krogh', 'Lund', 'Moen', 'Nyberg', 'Oppen', 'Palm', 'Rask', 'Sand', 'Thorn', 'Vik']; // prettier-ignore

/** The date so many days before the demo day. */
export function earlierDate(daysAgo: number): string {
  return dateAfter(DEMO_DATE, -daysAgo);
}

/** Guests of the demo day who have been here before, with the day. */
const COME_BACK: Record<number, readonly [name: string, email: string]> = {
  15: ['Ines Faro', 'ines.faro@example.org'],
  8: ['Piet Verhoeve', 'piet.verhoeve@example.org'],
};

/** The bookings of an earlier day, the same every time. */
export function earlierBookings(daysAgo: number): BookingFields[] {
  const random = randomOf(DEMO_SEED, `bookings ${daysAgo}`);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const count = 11 + Math.floor(random() * 6);
  return Array.from({ length: count }, (_, index): BookingFields => {
    const [least, most] = pick([[1, 3], [2, 4], [3, 5], [4, 5]] as const); // prettier-ignore
    const drives = Array.from({ length: random() < 0.45 ? 2 : 1 }, (__, which) => ({
      id: `e${daysAgo}-${index + 1}-${which + 1}`,
      cars: [driveCar(random, least, most)],
      laps: pick([5, 5, 6, 8]),
    }));
    const price = drives.length * 145;
    const known = index === 0 ? COME_BACK[daysAgo] : undefined;
    return {
      reference: `E${daysAgo}-${index + 1}`,
      ...(known ? { name: known[0], email: known[1] } : { name: `${pick(FIRST)} ${pick(LAST)}` }),
      languages: ['en'],
      arrives: 8.5 * 3600 + Math.floor(index / 4) * 4500,
      pace: pick(['first', 'first', 'before', 'quick'] as const),
      touch: true,
      sequence: 'any',
      price,
      paid: price,
      briefed: false,
      sighted: false,
      avoidInstructors: [],
      preferInstructors: [],
      drives,
    };
  });
}

function driveCar(random: Random, least: number, most: number): string {
  const fitting = FLEET.filter(({ level }) => level >= least && level <= most);
  return fitting[Math.floor(random() * fitting.length)]!.id;
}

/** Plan and journal of an earlier day, played from morning to evening. */
export function playEarlierDay(day: Day, daysAgo: number): { plan: Plan; journal: readonly RecordedEntry[] } {
  const seed = DEMO_SEED + daysAgo;
  const { plan } = planDay(day, { iterations: 0, random: seededRandom(seed) });
  const more = [...garageMorning(day, seed), ...garageOfEarlierDay(day, seed, daysAgo)];
  return { plan, journal: playPlan(day, plan, day.closes, seed, undefined, more).entries };
}
