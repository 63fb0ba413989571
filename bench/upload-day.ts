import type { APIRequestContext } from '@playwright/test';
import { dayFile, type Day } from '@core/day';
import { seededRandom } from '@core/planner';
import * as z from 'zod';
import { ordinaryDay } from './planner/days';

/** Puts a day made by seed into the running server, plans it for some seconds, and accepts the plan; gives its date. */
export async function uploadDay(request: APIRequestContext, drives: number, cars: number): Promise<string> {
  const date = `2027-06-${String(10 + Math.floor(drives / 50)).padStart(2, '0')}`;
  const day = renamed(ordinaryDay(seededRandom(1), { drives, cars, load: 0.8 }), `n${drives}-`);
  const file = z.encode(dayFile, day);
  const send = async (method: 'post' | 'put', path: string, data: unknown) => {
    const response = await request[method](path, { data });
    if (!response.ok()) throw new Error(`${path}: ${await response.text()}`);
    return response.json();
  };
  const venue = await (await request.get('/api/venue')).json();
  await send('put', '/api/venue', { ...venue, fields: { ...venue.fields, rules: file.rules } });
  for (const [place, car] of file.cars.entries()) await send('post', '/api/cars', { ...car, number: 100 + place });
  for (const instructor of file.instructors) await send('post', '/api/instructors', instructor);
  await send('post', '/api/days', { date });
  for (const guest of file.guests) {
    const { id, name, party, arrives, leavesBy, languages, heightCm, briefed, preferInstructors, sequence } = guest;
    await send('post', `/api/days/${date}/bookings`, {
      reference: id,
      name,
      party,
      arrives,
      leavesBy,
      languages,
      heightCm,
      briefed,
      sighted: false,
      preferInstructors: preferInstructors ?? [],
      avoidInstructors: [],
      sequence,
      pace: guest.pace > 1.1 ? 'first' : 'before',
      touch: true,
      price: 0,
      paid: 0,
      drives: guest.drives,
    });
  }
  const author = 'Bench';
  const order = { author, reason: 'First plan', mode: 'improve', seconds: 5 };
  await send('post', `/api/days/${date}/planning`, order);
  for (;;) {
    const { job } = await (await request.get(`/api/days/${date}/planning`)).json();
    if (job.state === 'ready') {
      const { base, asOf, reason, found } = job;
      await send('post', `/api/days/${date}/plans`, { base, asOf, author, reason, plan: found.plan });
      return date;
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
}

/** Ids of their own, so that the day stands beside the demo's cars and crew. */
function renamed(day: Day, prefix: string): Day {
  const own = (id: string) => prefix + id;
  return {
    ...day,
    cars: day.cars.map((car) => ({ ...car, id: own(car.id) })),
    instructors: day.instructors.map((who) => ({
      ...who,
      id: own(who.id),
      cars: who.cars === 'all' ? 'all' : who.cars.map(own),
    })),
    guests: day.guests.map((guest) => ({
      ...guest,
      id: own(guest.id),
      party: guest.party && own(guest.party),
      preferInstructors: guest.preferInstructors?.map(own),
      drives: guest.drives.map((drive) => ({ ...drive, id: own(drive.id), cars: drive.cars.map(own) })),
    })),
  };
}
