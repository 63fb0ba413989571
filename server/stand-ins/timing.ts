import { contract, storedCircuit, type DayView, type DeviceBody } from '@core/api';
import { wallClock } from '@core/values';
import { lapShapeOf } from '@core/live/traffic';
import { CREW_SEED } from '../../demo/larkmere';
import { signatureOf } from '../services/devices/signature';
import { asTaught, type AsTaught } from './as-taught';
import { CircuitTraffic } from './circuit-traffic';
import { every, logger, Venue } from './venue';

/**
 * A timing loop and car trackers without hardware: follows the journal of the venue's day and drives the cars round that
 * are let out. `JOYLAP_URL` is the server, `JOYLAP_DEVICE_KEY` the key of both devices, `JOYLAP_LOOP` and
 * `JOYLAP_TRACKERS` their ids; `JOYLAP_MISSED` and `JOYLAP_DOUBLE` are shares of the crossings that go wrong. It ends with
 * the process `JOYLAP_UNTIL`, where one is given.
 */
const key = process.env['JOYLAP_DEVICE_KEY'] ?? '';
const loop = process.env['JOYLAP_LOOP'] ?? 'loop';
const trackers = process.env['JOYLAP_TRACKERS'] ?? 'trackers';
const rates = {
  missed: Number(process.env['JOYLAP_MISSED'] ?? 0.02),
  double: Number(process.env['JOYLAP_DOUBLE'] ?? 0.01),
};

/** How often lines are sent. */
const TICK_MS = 200;
/** Trackers tell where cars are five times a second of venue time, however fast the demo's clock runs. */
const POSITION_EVERY_S = 0.2;
const ALIVE_MS = 2000;
/** More than so many real seconds at once: the clock has been set, not run on. */
const JUMP_REAL_S = 5;

let traffic: CircuitTraffic | undefined;
let shape: string | undefined;
let lastS: number | undefined;
let seq = Date.now();
let aliveMs = 0;
/** Lines that could not be sent: crossings wait, positions are out of date by then. */
const unsent: string[] = [];

const venue = new Venue(takeDay, (what) => {
  if (what === 'reset') traffic?.forget();
});

async function takeDay(view: DayView): Promise<void> {
  const map = JSON.stringify(view.map);
  if (traffic && map === shape) return;
  shape = map;
  const seed = Number(process.env['JOYLAP_SEED'] ?? CREW_SEED);
  const taught = await taughtFor(view);
  const { lapLengthM } = view.day.circuit;
  const laps = lapShapeOf(taught?.map ?? view.map ?? undefined);
  traffic = new CircuitTraffic(laps, lapLengthM, rates, seed, taught?.leftM);
}

/** How laps are driven, as far as the venue has a circuit. */
async function taughtFor({ map }: DayView): Promise<AsTaught | undefined> {
  const { circuit } = storedCircuit.parse(await venue.call(contract.readCircuit));
  if (!circuit || !map) return undefined;
  const { cars } = await venue.call(contract.listCars);
  const fleet = cars.flatMap(({ id, fields: { name, number, level, model } }) =>
    model ? [{ id, name, number, level, model }] : [],
  );
  return asTaught(circuit, map, fleet);
}

function signed(date: string, atS: number, body: DeviceBody): string {
  // Thousandths first, so that 59.9996 becomes the next minute and not second 60.
  const ms = Math.round(atS * 1000);
  const text = wallClock(Math.floor(ms / 1000));
  const time = `${date}T${text.length === 5 ? `${text}:00` : text}.${String(ms % 1000).padStart(3, '0')}`;
  const line = { time, seq: ++seq, body: JSON.stringify(body) };
  return JSON.stringify({ ...line, mac: signatureOf(key, line) });
}

async function send(device: string, lines: readonly string[]): Promise<void> {
  const body = new TextEncoder().encode(lines.join('\n'));
  const { refused } = await venue.call(contract.receiveLines, { params: { id: device }, body });
  for (const { reason } of refused) logger.info({ device, reason }, 'refused');
}

async function tick(): Promise<void> {
  await venue.keepUp();
  const now = venue.now();
  const day = now && venue.day(now.nowS);
  if (!day || !traffic) return;
  const { nowS, date, rate } = now;
  const fromS = lastS;
  lastS = nowS;
  if (fromS === undefined || nowS < fromS || nowS - fromS > JUMP_REAL_S * Math.max(1, rate)) return traffic.forget();
  const positions: string[] = [];
  const steps = Math.max(1, Math.round((nowS - fromS) / POSITION_EVERY_S));
  for (let step = 1; step <= steps; step++) {
    const [beginS, endS] = [step - 1, step].map((end) => fromS + ((nowS - fromS) * end) / steps) as [number, number];
    for (const { atS, body } of traffic.drive(day.context, day.state, beginS, endS)) {
      unsent.push(signed(date, Math.min(atS, nowS), body));
    }
    const cars = traffic.positions();
    if (cars.length > 0) positions.push(signed(date, endS, { kind: 'positions', cars }));
  }
  const alive = performance.now() - aliveMs > ALIVE_MS;
  if (alive) aliveMs = performance.now();
  if (unsent.length > 0 || alive) {
    const lines = [...unsent, ...(alive ? [signed(date, nowS, { kind: 'alive' })] : [])];
    await send(loop, lines);
    unsent.length = 0;
  }
  if (alive && positions.length === 0) positions.push(signed(date, nowS, { kind: 'alive' }));
  if (positions.length > 0) await send(trackers, positions);
}

await venue.follow();
every(TICK_MS, tick);
process.stdout.write(`Timing loop and trackers (stand-ins) report to ${venue.url}\n`);
