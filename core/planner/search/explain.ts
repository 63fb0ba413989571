import { carMisfit } from '../../rules';
import { fact } from '../../values';
import type { LeftOutReason, Plan, UnplacedReason } from '../../day';
import { BRIEFING, DRIVE, SIGHTING } from '../place/occupancy';
import { guestGaps } from '../place/fits';
import { cheapestDrive } from '../place/place-drive';
import { has, mayGo } from './rebuild';
import type { Timetable } from '../place/timetable';
import { whyGroupUnplanned } from './explain-group';

/**
 * The plan of a timetable, each drive and group without a place with the reason.
 *
 * @param known reasons that still hold, by drive; finding one takes a while
 */
export function withReasons(timetable: Timetable, known: ReadonlyMap<string, LeftOutReason> = new Map()): Plan {
  const { drives, groups } = timetable.problem;
  return timetable.toPlan(
    drives.flatMap(({ drive }, number) =>
      timetable.driveOccupancy[number]
        ? []
        : [{ drive: drive.id, reason: known.get(drive.id) ?? whyUnplanned(timetable, number) }],
    ),
    groups.flatMap(({ group }, number) =>
      timetable.groupOccupancy[number] ? [] : [{ group: group.id, reason: whyGroupUnplanned(timetable, number) }],
    ),
  );
}

/** Why a drive found no place: the tightest rule, with what a manager could change. */
function whyUnplanned(timetable: Timetable, number: number): UnplacedReason {
  return fromTheStart(timetable, number) ?? beforeTheDrive(timetable, number) ?? inTheWay(timetable, number);
}

/** What rules the drive out whatever else is planned. */
function fromTheStart(timetable: Timetable, number: number): UnplacedReason | undefined {
  const { index, drives, guests } = timetable.problem;
  const { drive, options } = drives[number]!;
  const { guest } = guests[drives[number]!.guest]!;
  const { pin } = drive;
  if (options.length > 0) return undefined;
  const present = drive.cars.flatMap((id) => index.cars.get(id) ?? []);
  if (present.length === 0) {
    return fact('carsGone', { cars: drive.cars });
  }
  if (pin?.car !== undefined && !present.some(({ id }) => id === pin.car)) {
    return fact('pinnedCar', { car: pin.car });
  }
  const fitting = present.filter((car) => !carMisfit(car, drive, guest) && (pin?.car ?? car.id) === car.id);
  if (fitting.length === 0) {
    const misfit = carMisfit(present[0]!, drive, guest);
    return misfit ? fact('misfit', {}, { misfit }) : fact('noCar', {});
  }
  const of = { guest: guest.id, cars: fitting.map(({ id }) => id) };
  if (pin?.instructor !== undefined) return fact('pinnedInstructor', { ...of, instructor: pin.instructor });
  return fact('noInstructor', of, { languages: guest.languages });
}

/** What is missing before the guest may drive at all. */
function beforeTheDrive(timetable: Timetable, number: number): UnplacedReason | undefined {
  const { day, nowS, guests, drives } = timetable.problem;
  const { guest: guestNumber } = drives[number]!;
  if (mayGo(timetable, number)) return undefined;
  const { guest, needsBriefing, mayHave } = guests[guestNumber]!;
  const noClass = needsBriefing && !has(timetable, guestNumber, BRIEFING);
  const able = day.instructors.some((who, i) => (noClass ? who.brief : who.sighting) && mayHave[i] === 1);
  const of = { guest: guest.id };
  if (!able) return fact(noClass ? 'noBriefer' : 'noSightingDriver', of, { languages: guest.languages });
  // Guests whose drives found no place are taken out of class and run again: then the drive itself is what does not fit.
  const kind = noClass ? BRIEFING : SIGHTING;
  if (guestGaps(timetable, guestNumber, kind).length > 0 && timetable.problem.drives[number]!.options.length > 0) {
    return inTheWay(timetable, number);
  }
  const stay = { from: Math.max(guest.arrives, Math.ceil(nowS)), to: guest.leavesBy ?? day.closes };
  return fact(noClass ? 'noBriefing' : 'noSighting', of, stay);
}

/** Which kind of resource it is without which the drive would have a place. */
function inTheWay(timetable: Timetable, number: number): UnplacedReason {
  const { day, drives, guests, cars, crew } = timetable.problem;
  const { drive, options, guest: guestNumber, setUpS, wrapUpS } = drives[number]!;
  const { guest } = guests[guestNumber]!;
  const of = { guest: guest.id, cars: options.map(({ car }) => cars[car]!.car.id) };
  const { pin } = drive;
  if (pin?.release !== undefined) return fact('pinTaken', { cars: of.cars }, { release: pin.release });
  const until = guest.leavesBy ?? day.closes;
  const freeWithout = (ignoring: 'circuit' | 'car' | 'crew' | 'order') =>
    cheapestDrive(timetable, number, { ignoring })?.occupancy.releaseS;
  const anyOrder = guest.sequence === 'asListed' ? freeWithout('order') : undefined;
  if (anyOrder !== undefined) return fact('laterOnesFirst', { guest: guest.id }, { from: anyOrder });
  const circuit = freeWithout('circuit');
  if (circuit !== undefined) return fact('circuitFull', of, { from: circuit });
  const car = freeWithout('car');
  if (car !== undefined) return fact('carsTaken', { cars: of.cars }, { until, from: car });
  const instructor = freeWithout('crew');
  if (instructor !== undefined) {
    const able = [...new Set(options.flatMap((option) => option.crew))].map((who) => crew[who]!.instructor.id);
    return fact('crewTaken', { instructors: able, cars: of.cars }, { from: instructor });
  }
  const shortestS = Math.min(...options.flatMap(({ trackS }) => trackS)) + setUpS + wrapUpS;
  if (guestGaps(timetable, guestNumber, DRIVE, number, false).every(({ fromS, toS }) => toS - fromS < shortestS)) {
    return guest.leavesBy === undefined
      ? fact('nothingLeft', { guest: guest.id }, { closes: until })
      : fact('leavesEarly', { guest: guest.id }, { leavesBy: until });
  }
  return fact('dayFull', of, { until });
}
