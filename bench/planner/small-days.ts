import { driveTrackS, indexDay, ORDINARY_RULES, type Day, type Guest, type Instructor } from '@core/day';
import type { Random } from '@core/planner';
import loadHighs from 'highs';

const MINUTE_S = 60;
/** Waits over this count threefold. */
const LONG_WAIT_MIN = 40;

/**
 * A small day whose optimum a solver can prove: all cars lap alike, so that nobody passes anybody, and fuel, cooling, rests
 * and room on the circuit are ample.
 */
export function smallDay(random: Random, drives: number): Day {
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const guests: Guest[] = [];
  for (let left = drives; left > 0;) {
    const count = Math.min(left, between(1, 3));
    left -= count;
    const id = `g${guests.length + 1}`;
    guests.push({
      id,
      name: id,
      party: guests.length < 2 ? 'p' : undefined,
      arrives: 9 * 3600 + between(0, 60) * MINUTE_S,
      languages: ['en'],
      pace: 1,
      briefed: true,
      sighted: true,
      preferInstructors: random() < 0.3 ? ['i2'] : undefined,
      sequence: random() < 0.3 ? 'asListed' : 'any',
      drives: Array.from({ length: count }, (_, i) => ({
        id: `${id}-${i}`,
        cars: [`c${between(1, 4)}`],
        laps: between(5, 8),
      })),
    });
  }
  const available = [{ from: 8 * 3600, to: 18 * 3600 }];
  return {
    format: 'joylap-day',
    version: 1,
    venue: 'Test field',
    date: '2027-05-22',
    timeZone: 'Atlantic/Faroe',
    opens: 8 * 3600,
    closes: 18 * 3600,
    condition: { name: 'dry', paceFactor: 1 },
    circuit: { name: 'Test loop', lapLengthM: 2000, closures: [] },
    rules: { ...ORDINARY_RULES, releaseGapS: MINUTE_S, maxCarsOnTrack: 8 },
    cars: [1, 2, 3, 4].map((n) => ({
      id: `c${n}`,
      name: `Car ${n}`,
      level: n,
      lapTimeS: MINUTE_S,
      gearboxes: ['auto'],
      available,
      fuel: { capacityL: 500, startL: 500, reserveL: 0, perLapL: 1, refuelS: 480 },
      cooling: { afterLaps: 1000, restS: 900 },
    })),
    sightingVehicles: [],
    instructors: [1, 2, 3].map((n): Instructor => ({
      id: `i${n}`,
      name: `Instructor ${n}`,
      cars: 'all',
      languages: ['en'],
      available,
      maxSeatS: 86_400,
      restS: 0,
      meal: { from: 18 * 3600 - 1, to: 18 * 3600, durationS: 0 },
      maxLaps: 1000,
      brief: false,
      sighting: false,
    })),
    guests,
  };
}

/** A horizon in minutes that no sensible plan of a small day passes; it keeps the solver's numbers small. */
const HORIZON_MIN = 420;

/**
 * The cost of the cheapest plan of a small day, proven by a mixed integer program (HiGHS): starts are continuous, who goes
 * before whom, who teaches whom and which of a guest's drives follows which are yes or no. All drives are planned.
 *
 * @returns the cost, or nothing where the solver has not finished within its time
 */
export async function optimumOf(day: Day): Promise<number | undefined> {
  const highs = await loadHighs();
  const { rules } = day;
  const index = indexDay(day);
  const drives = day.guests.flatMap((guest, g) =>
    guest.drives.map((drive, place) => {
      const car = index.cars.get(drive.cars[0]!)!;
      const lengthMin = (rules.setUpS + driveTrackS(day, drive, car, guest, 0) + rules.wrapUpS) / MINUTE_S;
      return { guest, g, place, car, lengthMin };
    }),
  );
  const gapMin = rules.releaseGapS / MINUTE_S;
  const restMin = rules.guestRestS / MINUTE_S;
  const turnMin = rules.turnaroundS / MINUTE_S;
  const M = HORIZON_MIN;
  const crew = day.instructors.map((_, i) => i);
  const rows: string[] = [];
  const objective: string[] = [];
  const binaries = new Set<string>();
  const bin = (name: string) => {
    binaries.add(name);
    return name;
  };
  /** 1 where a is released before b, as an expression `sign·o + constant`. */
  const afterBy = (a: number, b: number, leastMin: number, extra = '', relaxed = 0) => {
    // s_b - s_a >= least - M (1 - before) - (relaxation), with before = o_ab, or 1 - o_ba.
    const forward = a < b;
    const o = bin(forward ? `o${a}_${b}` : `o${b}_${a}`);
    const bound = leastMin - (forward ? M : 0) - relaxed;
    rows.push(`s${b} - s${a} ${forward ? '-' : '+'} ${M} ${o}${extra} >= ${bound}`);
  };
  for (let a = 0; a < drives.length; a++) {
    for (let b = 0; b < drives.length; b++) {
      if (a === b) continue;
      const [first, second] = [drives[a]!, drives[b]!];
      let leastMin = gapMin;
      if (first.car === second.car) leastMin = Math.max(leastMin, first.lengthMin + turnMin);
      if (first.g === second.g) leastMin = Math.max(leastMin, first.lengthMin + restMin);
      afterBy(a, b, leastMin);
      for (const i of crew) afterBy(a, b, first.lengthMin, ` - ${M} y${a}_${i} - ${M} y${b}_${i}`, 2 * M);
    }
  }
  const totalMin = drives.reduce((sum, { lengthMin }) => sum + lengthMin, 0);
  drives.forEach(({ guest, g, place, car }, b) => {
    const arrivesMin = (guest.arrives - day.opens) / MINUTE_S;
    rows.push(`s${b} >= ${arrivesMin}`, `s${b} <= ${M}`);
    rows.push(`${crew.map((i) => bin(`y${b}_${i}`)).join(' + ')} = 1`);
    const others = drives.flatMap((other, a) => (a !== b && other.g === g ? [a] : []));
    rows.push(`${[bin(`f${b}`), ...others.map((a) => bin(`p${a}_${b}`))].join(' + ')} = 1`);
    if (others.length > 0) rows.push(`${others.map((c) => `p${b}_${c}`).join(' + ')} <= 1`);
    rows.push(`m${b} - s${b} - ${M} f${b} >= ${-arrivesMin - M}`);
    for (const a of others) {
      const before = drives[a]!;
      rows.push(`m${b} - s${b} + s${a} - ${M} p${a}_${b} >= ${-before.lengthMin - restMin - M}`);
      rows.push(a < b ? `p${a}_${b} - o${a}_${b} <= 0` : `p${a}_${b} + o${b}_${a} <= 1`);
      for (const i of crew) rows.push(`z${b} - y${a}_${i} + y${b}_${i} - p${a}_${b} >= -1`);
      if (car.level < before.car.level) objective.push(`10 p${a}_${b}`);
      if (guest.sequence === 'asListed' && before.place > place) rows.push(a < b ? `o${a}_${b} = 0` : `o${b}_${a} = 1`);
    }
    rows.push(`w${b} - m${b} >= 0`, `w${b} - 3 m${b} >= ${-2 * LONG_WAIT_MIN}`);
    objective.push(`w${b}`, `15 z${b}`);
    const preferred = guest.preferInstructors ?? [];
    if (preferred.length > 0) {
      crew.forEach((i) => preferred.includes(day.instructors[i]!.id) || objective.push(`10 y${b}_${i}`));
    }
  });
  for (const i of crew) {
    const held = drives.map(({ lengthMin }, d) => `${lengthMin} y${d}_${i}`).join(' + ');
    const fair = totalMin / crew.length;
    rows.push(`b${i} - ${held.replaceAll(' + ', ' - ')} >= ${-fair}`, `b${i} + ${held} >= ${fair}`);
    objective.push(`0.25 b${i}`);
  }
  const members = day.guests.flatMap(({ party }, g) => (party === undefined ? [] : [g]));
  drives.forEach(({ g, lengthMin }, b) => {
    const followers = drives.flatMap((other, c) => (c !== b && other.g === g ? [`p${b}_${c}`] : []));
    rows.push(`e${g} - s${b} >= ${lengthMin}`);
    const last = followers.map((name) => ` - ${M} ${name}`).join('');
    rows.push(`e${g} - s${b}${last} <= ${lengthMin}`);
  });
  for (const g of members) for (const h of members) if (g !== h) rows.push(`q - e${g} + e${h} >= 0`);
  if (members.length > 1) objective.push('0.5 q');
  const model = [
    'Minimize',
    ` obj: ${objective.join(' + ')}`,
    'Subject To',
    ...rows.map((row, n) => ` r${n}: ${row}`),
    'Binary',
    ` ${[...binaries].join(' ')}`,
    'End',
  ].join('\n');
  const solved = highs.solve(model, { time_limit: 120, output_flag: false, mip_rel_gap: 0, mip_abs_gap: 1e-4 });
  return solved.Status === 'Optimal' ? solved.ObjectiveValue : undefined;
}
