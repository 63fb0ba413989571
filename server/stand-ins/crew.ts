import { randomUUID } from 'node:crypto';
import { contract, type PracticeStatus } from '@core/api';
import type { DayState } from '@core/journal';
import { crewId, postOf, samePost } from '@core/live/practice';
import { lapShapeOf } from '@core/live/traffic';
import { Crew } from '../../demo/crew/crew';
import { byAdvice } from '../../demo/crew/marshal';
import { BY_LOOP, type Deed, type Sight } from '../../demo/crew/scene';
import { CircuitTraffic } from './circuit-traffic';
import { Eyes } from './eyes';
import { every, logger, Refused, Venue } from './venue';

/**
 * The crew of a practice day without people: sees the venue's day like a screen, and enters what people would enter, by
 * the same address. It keeps off what somebody has taken over or switched off. `JOYLAP_URL` is the server; it ends with
 * the process `JOYLAP_UNTIL`, where one is given.
 */
const THERE_EVERY_MS = 2000;
/** It looks so often, at most once a second of venue time. */
const LOOK_EVERY_MS = 50;
/** What was refused is tried again after so much venue time. */
const AGAIN_AFTER_S = 15;

let status: PracticeStatus | undefined;
let crew: Crew | undefined;
let eyes: Eyes | undefined;
let hasLoop = true;
let lookedS = -1;
/** Until when what was refused is left alone, by what it was. */
const refusedUntil = new Map<string, number>();

const venue = new Venue(
  () => undefined,
  (what) => {
    if (what === 'practice') tellThere().catch(notNow);
    if (what === 'reset') beginAnew();
  },
);

function notNow(error: unknown): void {
  logger.info({ error: (error as Error).message }, 'not now');
}

function beginAnew(): void {
  crew = undefined;
  eyes = undefined;
  refusedUntil.clear();
}

async function tellThere(): Promise<void> {
  const seed = status?.seed;
  status = await venue.call(contract.crewIsThere);
  if (status.seed !== seed) beginAnew();
}

/** Without a timing loop the marshal counts what comes past. */
async function findLoop(): Promise<void> {
  const { devices } = await venue.call(contract.listDevices);
  hasLoop = devices.some(({ kind, state }) => kind === 'timing' && state === 'heard');
}

function isOurs(deed: Deed, state: DayState): boolean {
  const post = postOf({ ...deed.fields, by: deed.by }, state);
  if (!post || !status) return true;
  return !status.off.includes(post.station) && !status.taken.some((taken) => samePost(taken.post, post));
}

async function enter({ fields, by, atS }: Deed, date: string, nowS: number): Promise<void> {
  const key = JSON.stringify(fields);
  if ((refusedUntil.get(key) ?? -Infinity) > nowS) return;
  try {
    const body = { ...fields, id: crewId(randomUUID()), at: atS ?? nowS, by };
    venue.take(await venue.call(contract.appendEntry, { params: { date }, body }));
    refusedUntil.delete(key);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    refusedUntil.set(key, nowS + AGAIN_AFTER_S);
    logger.info({ error: error.message, kind: fields.kind }, 'refused');
  }
}

async function look(): Promise<void> {
  if (!status?.there) return;
  await venue.keepUp();
  const now = venue.now();
  const atS = Math.floor(now?.nowS ?? 0);
  const day = now && venue.day(atS);
  if (!day || atS === lookedS || day.state.closed) return;
  if (atS < lookedS) beginAnew();
  const fromS = lookedS < 0 || atS < lookedS ? atS : lookedS;
  lookedS = atS;
  const { context, state } = day;
  crew ??= newCrew(status.seed);
  const sight = hasLoop ? BY_LOOP : sightOf(day, status.seed, fromS, atS);
  for (const deed of crew.look(context, state, atS, sight)) {
    if (isOurs(deed, state)) await enter(deed, now.date, atS);
  }
}

function newCrew(seed: number): Crew {
  const booked = new Map(venue.view!.day.guests.map(({ id, arrives }) => [id, arrives]));
  const corners = venue.view!.map?.corners.map(({ name }) => name) ?? [];
  const letOut = byAdvice(lapShapeOf(venue.view!.map ?? undefined));
  return new Crew({ seed, corners, letOut, bookedS: (guest) => booked.get(guest) ?? 0 });
}

type SeenDay = NonNullable<ReturnType<Venue['day']>>;

function sightOf({ context, state }: SeenDay, seed: number, fromS: number, toS: number): Sight {
  const { map, day } = venue.view!;
  eyes ??= new Eyes(
    new CircuitTraffic(lapShapeOf(map ?? undefined), day.circuit.lapLengthM, { missed: 0, double: 0 }, seed),
  );
  eyes.watch(context, state, fromS, toS);
  return eyes;
}

await venue.follow();
await tellThere().catch(notNow);
every(THERE_EVERY_MS, async () => {
  await Promise.all([tellThere(), findLoop()]);
});
every(LOOK_EVERY_MS, look);
process.stdout.write(`The simulated crew works at ${venue.url}\n`);
