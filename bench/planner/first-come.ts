import type { Day, Plan } from '@core/day';
import {
  briefingOccupancy,
  refuelOccupancy,
  type Occupancy,
  classroomShift,
  crewShift,
  guestGaps,
  problemOf,
  cheapestDrive,
  putIn,
  earliestFor,
  withGuests,
  BRIEFING,
  SIGHTING,
  isReady,
  tidyGuest,
  Timetable,
} from '@core/planner';

const EVERY_S = 45 * 60;

/**
 * What a careful desk does without a computer, first come, first served: classes at fixed times every 45 minutes for
 * whoever is there, sighting runs as guests leave the class, then each drive in order of arrival at its earliest feasible
 * release with the first qualified instructor who is free, refuelling when needed, meals and rests kept.
 */
export function firstCome(day: Day): Plan {
  const problem = problemOf(day);
  const timetable = new Timetable(problem);
  const byArrival = problem.guests
    .map((_, guest) => guest)
    .sort((a, b) => problem.guests[a]!.arrivesS - problem.guests[b]!.arrivesS);

  const needClass = byArrival.filter(
    (guest) => problem.guests[guest]!.needsBriefing && problem.guests[guest]!.drives.length > 0,
  );
  let waiting = [...needClass];
  for (let startS = day.opens; startS + day.rules.briefing.durationS <= day.closes; startS += EVERY_S) {
    for (let room = 0; room < day.rules.briefing.rooms; room++) {
      const there = waiting.filter((guest) =>
        guestGaps(timetable, guest, BRIEFING).some(
          (gap) => gap.fromS <= startS && startS + day.rules.briefing.durationS <= gap.toS,
        ),
      );
      if (there.length === 0) continue;
      const endS = startS + day.rules.briefing.durationS;
      const teacher = problem.crew.findIndex(
        ({ instructor }, who) =>
          instructor.brief &&
          crewShift(timetable, who, startS, endS) === 0 &&
          there.some((guest) => problem.guests[guest]!.mayHave[who] === 1),
      );
      if (teacher < 0 || classroomShift(timetable, startS, endS) > 0) continue;
      const seated = there
        .filter((guest) => problem.guests[guest]!.mayHave[teacher] === 1)
        .slice(0, day.rules.briefing.seats);
      timetable.add(briefingOccupancy(problem, teacher, seated, startS));
      waiting = waiting.filter((guest) => !seated.includes(guest));
    }
  }

  waiting = byArrival.filter(
    (guest) => problem.guests[guest]!.needsSighting && problem.guests[guest]!.drives.length > 0,
  );
  const ready = (guest: number) => guestGaps(timetable, guest, SIGHTING).at(-1)?.fromS ?? Infinity;
  waiting = waiting
    .filter((guest) => !problem.guests[guest]!.needsBriefing || timetable.guestOccupancies[guest]!.length > 0)
    .sort((a, b) => ready(a) - ready(b));
  while (waiting.length > 0) {
    const first = waiting[0]!;
    const gap = guestGaps(timetable, first, SIGHTING).at(-1);
    let best: Occupancy | undefined;
    if (gap) {
      problem.vehicles.forEach((_, vehicle) => {
        problem.crew.forEach(({ instructor }, who) => {
          if (!instructor.sighting || problem.guests[first]!.mayHave[who] === 0) return;
          const occupancy = earliestFor(timetable, SIGHTING, vehicle, who, { guest: first, gap }, gap.fromS);
          if (occupancy && (!best || occupancy.startS < best.startS)) best = occupancy;
        });
      });
    }
    const run = best;
    if (!run) {
      waiting = waiting.slice(1);
      continue;
    }
    const seated = waiting
      .filter(
        (guest) =>
          problem.guests[guest]!.mayHave[run.crew] === 1 &&
          guestGaps(timetable, guest, SIGHTING).some((other) => other.fromS <= run.startS && run.endS <= other.toS),
      )
      .slice(0, problem.vehicles[run.car]!.vehicle.seats);
    timetable.add(withGuests(timetable, run, seated));
    waiting = waiting.filter((guest) => !seated.includes(guest));
  }

  for (const guest of byArrival) {
    if (!isReady(timetable, guest)) continue;
    for (const drive of problem.guests[guest]!.drives) {
      const found = earliestDrive(timetable, drive);
      if (!found) continue;
      putIn(timetable, found);
      // Once it is written down, a person does not move it again.
      for (const refuel of found.refuels.in) {
        timetable.remove(refuel);
        timetable.add(refuelOccupancy(problem, refuel.car, refuel.startS, true));
      }
    }
  }
  byArrival.forEach((guest) => tidyGuest(timetable, guest));
  return timetable.toPlan(
    problem.drives.flatMap(({ drive }, number) =>
      timetable.driveOccupancy[number] ? [] : [{ drive: drive.id, reason: 'no place' }],
    ),
  );
}

/** The earliest release over all cars; of instructors free then, the first in the list. */
function earliestDrive(timetable: Timetable, drive: number) {
  let best: ReturnType<typeof cheapestDrive>;
  for (const { car, crew } of timetable.problem.drives[drive]!.options) {
    for (const who of crew) {
      const found = cheapestDrive(timetable, drive, {
        car,
        crew: who,
        stepS: 86_400,
        toS: best ? best.occupancy.releaseS - 1 : Infinity,
      });
      if (found) best = found;
    }
  }
  return best;
}
