import { studyCircuit, type FleetCar } from '@core/track/car';
import type { Circuit, CircuitMap } from '@core/track/circuit';
import { leftAt } from '@core/people/coaching';

/** How the circuit would be driven by guests who do what they are told: braking at the cone, on the line that is taught. */
export interface AsTaught {
  /** The map, with the speeds of such a lap. */
  readonly map: CircuitMap;
  /** How far to the left of the centre line, metres, by the share of the lap. */
  readonly leftM: (share: number) => number;
}

/** The map takes no more speeds than this. */
const MOST_SPEEDS = 1900;

/** Takes a second or so. Between brake cone and turn-in the speed falls evenly in its square, and is kept to the apex. */
export function asTaught(circuit: Circuit, map: CircuitMap, fleet: readonly FleetCar[]): AsTaught {
  const { centre, teaching, corners, shown } = studyCircuit(circuit, fleet, [1]);
  const { lengthM } = centre;
  const leftM = (share: number) => leftAt(teaching, lengthM, share * lengthM);
  if (!shown) return { map, leftM };
  const free = Array.from(shown.speedKmh);
  const kmh = [...free];
  const ahead = (fromM: number, toM: number) => (toM - fromM + lengthM) % lengthM;
  for (const { taught, brake } of corners) {
    const apexM = taught.apexesM.at(-1)!;
    const fromM = brake?.coneM ?? taught.turnInM;
    const toTurnM = ahead(fromM, taught.turnInM) || 1;
    const wholeM = toTurnM + ahead(taught.turnInM, apexM);
    const inside = (i: number) => ahead(fromM, teaching.centreM[i]!) <= wholeM;
    const stations = free.map((_, i) => i).filter(inside);
    const slowest = Math.min(...stations.map((i) => free[i]!));
    const fastest = free[stations.find((i) => ahead(fromM, teaching.centreM[i]!) < 4) ?? stations[0]!]!;
    for (const i of stations) {
      const share = Math.min(1, ahead(fromM, teaching.centreM[i]!) / toTurnM);
      kmh[i] = Math.min(kmh[i]!, Math.sqrt(fastest ** 2 + share * (slowest ** 2 - fastest ** 2)));
    }
  }
  const every = Math.ceil(kmh.length / MOST_SPEEDS);
  const speeds = kmh
    .map((speed, i) => ({ atM: teaching.centreM[i]!, kmh: speed }))
    .filter((_, i) => i % every === 0)
    .sort((a, b) => a.atM - b.atM);
  return { map: { ...map, speeds }, leftM };
}
