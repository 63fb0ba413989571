import type { Car } from './car';

const RAD_PER_S = (2 * Math.PI) / 60;
/** Below this share of the highest revolutions the clutch slips in the lowest gear. */
const CLUTCH_SHARE = 0.35;

/** Full throttle torque at the crank, Nm. Constant below the first point of the power curve, constant power above the last. */
function torqueNm(car: Car, rpm: number): number {
  const { power } = car;
  const first = power[0]!;
  const last = power.at(-1)!;
  if (rpm <= first.rpm) return (first.kW * 1000) / (first.rpm * RAD_PER_S);
  if (rpm >= last.rpm) return (last.kW * 1000) / (rpm * RAD_PER_S);
  let i = 1;
  while (power[i]!.rpm < rpm) i += 1;
  const [from, to] = [power[i - 1]!, power[i]!];
  const kW = from.kW + ((rpm - from.rpm) / (to.rpm - from.rpm)) * (to.kW - from.kW);
  return (kW * 1000) / (rpm * RAD_PER_S);
}

/** What engine and gears give at the wheels at any speed, prepared once for a car. */
export interface Gearing {
  /** The speed at which a gear reaches the highest revolutions, m/s; by number of the gear, from 1. */
  readonly topMps: readonly number[];
  /** The gear from the lowest to the top that gives the most at this speed without passing the highest revolutions. */
  readonly best: (mps: number) => number;
  /** Force at the wheels at full throttle in a gear, N; at most that at its highest revolutions. */
  readonly force: (gear: number, mps: number) => number;
}

/** Speeds closer together than the tables below. */
const TABLE_MPS = 0.05;

/** Prepares the gearing of a car: forces are looked up in tables with a value every 0.05 m/s. */
export function gearingOf(car: Car): Gearing {
  const overall = [0, ...car.gears.map((ratio) => ratio * car.finalDrive)];
  const topMps = overall.map((ratio) => (ratio === 0 ? 0 : ((car.maxRpm * RAD_PER_S) / ratio) * car.tyreRadiusM));
  const top = car.gears.length;
  const exact = (gear: number, mps: number): number => {
    const rpm = (Math.min(mps, topMps[gear]!) / car.tyreRadiusM / RAD_PER_S) * overall[gear]!;
    const turning = gear === car.lowestGear ? Math.max(rpm, CLUTCH_SHARE * car.maxRpm) : rpm;
    return (torqueNm(car, turning) * overall[gear]! * car.drivelineEfficiency) / car.tyreRadiusM;
  };
  const tables = overall.map((ratio, gear) =>
    gear < car.lowestGear || ratio === 0
      ? new Float64Array(0)
      : Float64Array.from({ length: Math.ceil(topMps[gear]! / TABLE_MPS) + 2 }, (_, i) => exact(gear, i * TABLE_MPS)),
  );
  const force = (gear: number, mps: number): number => {
    const table = tables[gear]!;
    const place = Math.min(mps, topMps[gear]!) / TABLE_MPS;
    const i = Math.floor(place);
    return table[i]! + (place - i) * (table[i + 1]! - table[i]!);
  };
  const chosen = Uint8Array.from({ length: Math.ceil(topMps[top]! / TABLE_MPS) + 2 }, (_, i) => {
    let gear = top;
    for (let lower = top - 1; lower >= car.lowestGear; lower--) {
      if (i * TABLE_MPS <= topMps[lower]! && exact(lower, i * TABLE_MPS) > exact(gear, i * TABLE_MPS)) gear = lower;
    }
    return gear;
  });
  const best = (mps: number): number => {
    const gear = chosen[Math.min(chosen.length - 1, Math.floor(mps / TABLE_MPS))]!;
    return gear < top && mps > topMps[gear]! ? gear + 1 : gear;
  };
  return { topMps, best, force };
}
