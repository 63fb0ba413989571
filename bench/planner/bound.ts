import loadHighs from 'highs';
import { carMisfit, driveTrackS, indexDay, lapsDriven, type Car, type Day, type Instructor } from '@core/day';

/** One drive in one of its cars. */
interface Choice {
  readonly drive: string;
  readonly car: Car;
  readonly laps: number;
  readonly trackS: number;
  readonly holdS: number;
  /** Start of the earliest occupancy: the guest has come and has been to class and on the sighting run. */
  readonly fromS: number;
  readonly toS: number;
}

/**
 * The fewest drives that any plan of the day must leave out, by an integer program (HiGHS) that keeps only what adds up
 * and what every valid plan therefore satisfies:
 * - of each car, the time with turnarounds, from the first moment at which each of its guests can be ready (what may only
 *   start after a time must fit between that time and the end), with the refuels that the laps need, and with the cooling
 *   rests that they need;
 * - of the crew, the time less meals and the rests that `maxSeatS` asks for, from each such moment on;
 * - of the circuit, releases and cars at once, from each such moment on.
 *
 * Where the program is not solved in time its relaxation is, which bounds as well, only less tightly.
 */
export async function fewestLeftOut(day: Day): Promise<number> {
  const choices = choicesOf(day);
  const total = day.guests.reduce((sum, guest) => sum + guest.drives.length, 0);
  const { rows, integers } = rowsOf(day, choices);
  const model = (whole: boolean) =>
    [
      `Maximize\n obj: ${choices.map((_, i) => `x${i}`).join(' + ')}`,
      `Subject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}`,
      whole
        ? `General\n ${integers.join(' ')}\nBinary\n ${choices.map((_, i) => `x${i}`).join(' ')}`
        : `Bounds\n${choices.map((_, i) => ` 0 <= x${i} <= 1`).join('\n')}`,
      'End',
    ].join('\n');
  const highs = await loadHighs();
  const solved = highs.solve(model(true), { time_limit: 20, mip_rel_gap: 0, output_flag: false });
  if (solved.Status === 'Optimal') return total - Math.round(solved.ObjectiveValue);
  const relaxed = highs.solve(model(false), { output_flag: false });
  return total - Math.floor(relaxed.ObjectiveValue + 1e-6);
}

function choicesOf(day: Day): Choice[] {
  const index = indexDay(day);
  const { rules } = day;
  const factors = [day.opens, ...(day.condition.changes ?? []).map(({ from }) => from)];
  const pace = Math.min(day.condition.paceFactor, ...(day.condition.changes ?? []).map(({ paceFactor }) => paceFactor));
  const runS =
    rules.sighting.setUpS +
    rules.sighting.wrapUpS +
    rules.sighting.laps * Math.min(...day.sightingVehicles.map(({ lapTimeS }) => Math.round(lapTimeS * pace)));
  return day.guests.flatMap((guest) => {
    const fromS =
      Math.max(day.opens, guest.arrives) +
      (guest.briefed ? 0 : rules.briefing.durationS + rules.guestRestS) +
      (guest.sighted ? 0 : runS + rules.guestRestS);
    return guest.drives.flatMap((drive) =>
      drive.cars.flatMap((id): Choice[] => {
        const car = index.cars.get(id);
        if (!car || carMisfit(car, drive, guest)) return [];
        const trackS = Math.min(...factors.map((at) => driveTrackS(day, drive, car, guest, at)));
        const holdS = rules.setUpS + trackS + rules.wrapUpS;
        const toS = Math.min(day.closes, guest.leavesBy ?? day.closes);
        return [{ drive: drive.id, car, laps: lapsDriven(day, drive), trackS, holdS, fromS, toS }];
      }),
    );
  });
}

function rowsOf(day: Day, choices: readonly Choice[]): { rows: string[]; integers: string[] } {
  const { rules } = day;
  const rows: string[] = [];
  const integers: string[] = [];
  const sum = (weight: (choice: Choice) => number) =>
    choices.flatMap((choice, i) => (weight(choice) > 0 ? [`${weight(choice)} x${i}`] : [])).join(' + ');
  const atMost = (left: string, right: number) => {
    if (left !== '') rows.push(`${left} <= ${right}`);
  };
  const starts = (of: readonly Choice[]) => [...new Set(of.map(({ fromS }) => fromS))];

  for (const drive of new Set(choices.map((choice) => choice.drive))) {
    atMost(
      sum((choice) => (choice.drive === drive ? 1 : 0)),
      1,
    );
  }
  for (const choice of choices) if (choice.toS - choice.fromS < choice.holdS) atMost(`x${choices.indexOf(choice)}`, 0);

  for (const car of day.cars) {
    const own = choices.filter((choice) => choice.car === car);
    if (own.length === 0) continue;
    const time = (fromS: number) =>
      sum((choice) => (choice.car === car && choice.fromS >= fromS ? choice.holdS + rules.turnaroundS : 0));
    // The last turnaround may run past closing.
    const room = (fromS: number) => day.closes + rules.turnaroundS - fromS;
    for (const fromS of starts(own)) atMost(time(fromS), room(fromS));
    const firstS = Math.min(...starts(own));
    const { fuel, cooling } = car;
    const laps = sum((choice) => (choice.car === car ? choice.laps : 0));
    integers.push(`f_${car.id}`, `k_${car.id}`);
    const litres = sum((choice) => (choice.car === car ? choice.laps * fuel.perLapL : 0));
    atMost(`${litres} - ${fuel.capacityL - fuel.reserveL} f_${car.id}`, fuel.startL - fuel.reserveL);
    // A refuel before the first drive is possible, so it counts from opening on.
    atMost(`${time(firstS)} + ${fuel.refuelS} f_${car.id}`, room(firstS) + Math.max(0, firstS - day.opens));
    atMost(`${laps} - ${cooling.afterLaps} k_${car.id}`, cooling.afterLaps);
    atMost(`${time(firstS)} + ${Math.max(0, cooling.restS - rules.turnaroundS)} k_${car.id}`, room(firstS));
  }

  for (const fromS of starts(choices)) {
    const later = (weight: (choice: Choice) => number) => sum((choice) => (choice.fromS >= fromS ? weight(choice) : 0));
    const openS = day.circuit.closures.reduce(
      (left, { from, to }) => left - Math.max(0, Math.min(to, day.closes) - Math.max(from, fromS)),
      day.closes - fromS,
    );
    atMost(
      later(({ holdS }) => holdS),
      day.instructors.reduce((all, who) => all + mostWorkS(who, fromS), 0),
    );
    atMost(
      later(({ trackS }) => trackS),
      openS * rules.maxCarsOnTrack,
    );
    if (rules.releaseGapS > 0) {
      atMost(
        later(() => 1),
        Math.floor(openS / rules.releaseGapS) + 1,
      );
    }
  }
  return { rows, integers };
}

/** The most that an instructor can work from a time on, coming to it rested. */
function mostWorkS({ available, maxSeatS, restS, meal }: Instructor, fromS: number): number {
  const windowS = available.reduce((own, { from, to }) => own + Math.max(0, to - Math.max(from, fromS)), 0);
  const wholeMeal = fromS <= meal.from && available.some(({ from, to }) => from <= meal.from && meal.to <= to);
  const presentS = wholeMeal ? windowS - meal.durationS : windowS;
  const rounds = Math.floor(presentS / (maxSeatS + restS));
  // A meal is a rest as well, so one rest may be saved by it.
  const work = rounds * maxSeatS + Math.min(presentS - rounds * (maxSeatS + restS), maxSeatS);
  return Math.min(presentS, work + (wholeMeal ? restS : 0));
}
