import { carMisfit, clockMinute, type Plan } from '../day';
import { BRIEFING, DRIVE, SIGHTING } from './engine/hold';
import { guestGaps } from './engine/fits';
import { cheapestDrive } from './engine/place-drive';
import { has, isReady } from './engine/rebuild';
import type { Timetable } from './engine/timetable';

/**
 * The plan of a timetable, each drive without a place with the reason.
 *
 * @param known reasons that still hold, by drive; finding one takes a while
 */
export function withReasons(timetable: Timetable, known: ReadonlyMap<string, string> = new Map()): Plan {
  const { drives } = timetable.problem;
  return timetable.toPlan(
    drives.flatMap(({ drive }, number) =>
      timetable.driveHold[number]
        ? []
        : [{ drive: drive.id, reason: known.get(drive.id) ?? whyUnplanned(timetable, number) }],
    ),
  );
}

/** Why a drive found no place: the tightest rule in a sentence that names what a manager could change. */
export function whyUnplanned(timetable: Timetable, number: number): string {
  return fromTheStart(timetable, number) ?? beforeTheDrive(timetable, number) ?? inTheWay(timetable, number);
}

/** What rules the drive out whatever else is planned. */
function fromTheStart(timetable: Timetable, number: number): string | undefined {
  const { day, index, drives, guests } = timetable.problem;
  const { drive, options } = drives[number]!;
  const { guest } = guests[drives[number]!.guest]!;
  const { pin } = drive;
  if (options.length > 0) return undefined;
  const present = drive.cars.flatMap((id) => index.cars.get(id) ?? []);
  if (present.length === 0) {
    return `No car of this drive (${drive.cars.join(', ')}) is on the day's sheet; offer another car.`;
  }
  if (pin?.car !== undefined && !present.some(({ id }) => id === pin.car)) {
    return `The drive is pinned to the car "${pin.car}", which it does not allow or which is not there; change the pin.`;
  }
  const fitting = present.filter((car) => !carMisfit(car, drive, guest) && (pin?.car ?? car.id) === car.id);
  if (fitting.length === 0) {
    return `${carMisfit(present[0]!, drive, guest) ?? 'No car of this drive can be used'}; offer another car.`;
  }
  const names = fitting.map(({ name }) => name).join(' or ');
  if (pin?.instructor !== undefined) {
    const name = day.instructors.find(({ id }) => id === pin.instructor)?.name ?? `"${pin.instructor}"`;
    return `The drive is pinned to ${name}, who is not there or may not teach ${guest.name} in ${names}; change the pin.`;
  }
  return `No instructor teaches in ${names}, speaks ${guest.languages.join(' or ')} and may be with ${guest.name}; bring in one who does.`;
}

/** What is missing before the guest may drive at all. */
function beforeTheDrive(timetable: Timetable, number: number): string | undefined {
  const { day, nowS, guests, drives } = timetable.problem;
  const { guest: guestNumber } = drives[number]!;
  if (isReady(timetable, guestNumber)) return undefined;
  const { guest, needsBriefing, mayHave } = guests[guestNumber]!;
  const missing = needsBriefing && !has(timetable, guestNumber, BRIEFING) ? 'class' : 'sighting run';
  const able = day.instructors.some((who, i) => (missing === 'class' ? who.brief : who.sighting) && mayHave[i] === 1);
  if (!able) {
    return `No instructor who gives a ${missing} speaks ${guest.languages.join(' or ')} and may be with ${guest.name}; bring in one who does.`;
  }
  const leaves = guest.leavesBy ?? day.closes;
  // Guests whose drives found no place are taken out of class and run again: then the drive itself is what does not fit.
  const kind = missing === 'class' ? BRIEFING : SIGHTING;
  if (guestGaps(timetable, guestNumber, kind).length > 0 && timetable.problem.drives[number]!.options.length > 0) {
    return inTheWay(timetable, number);
  }
  return `No ${missing} with a place for ${guest.name} fits between ${clockMinute(Math.max(guest.arrives, nowS))} and ${clockMinute(leaves)}; add one, or ask for a longer stay.`;
}

/** Which kind of resource it is without which the drive would have a place. */
function inTheWay(timetable: Timetable, number: number): string {
  const { day, drives, guests, cars, crew } = timetable.problem;
  const { drive, options, guest: guestNumber } = drives[number]!;
  const { guest } = guests[guestNumber]!;
  const names = options.map(({ car }) => cars[car]!.car.name).join(' or ');
  const { pin } = drive;
  if (pin?.release !== undefined) {
    return `Something else holds ${names}, the guest, the instructors or the circuit around the pinned ${clockMinute(pin.release)}; move the pin.`;
  }
  const leaves = clockMinute(guest.leavesBy ?? day.closes);
  const freeWithout = (ignoring: 'circuit' | 'car' | 'crew') =>
    cheapestDrive(timetable, number, { ignoring })?.hold.releaseS;
  const circuit = freeWithout('circuit');
  if (circuit !== undefined) {
    return `The circuit is full or closed whenever ${names}, an instructor and ${guest.name} are free; with room on it ${clockMinute(circuit)} would do.`;
  }
  const car = freeWithout('car');
  if (car !== undefined) {
    return `${names} is taken, refuelling, cooling or away until ${leaves}; another car would do from ${clockMinute(car)}.`;
  }
  const instructor = freeWithout('crew');
  if (instructor !== undefined) {
    const able = [...new Set(options.flatMap((option) => option.crew))].map((who) => crew[who]!.instructor.name);
    const who = able.length > 4 ? `${able.slice(0, 3).join(', ')} and ${able.length - 3} more` : able.join(', ');
    return `${who} ${able.length > 1 ? 'are' : 'is'} held, resting or away whenever ${names} is free; one more instructor would do from ${clockMinute(instructor)}.`;
  }
  const shortestS = Math.min(...options.flatMap(({ trackS }) => trackS)) + day.rules.setUpS + day.rules.wrapUpS;
  if (guestGaps(timetable, guestNumber, DRIVE, number).every(({ fromS, toS }) => toS - fromS < shortestS)) {
    return guest.leavesBy === undefined
      ? `Nothing is left of the day for ${guest.name} before closing at ${leaves}; an earlier arrival or longer hours would help.`
      : `${guest.name} leaves by ${leaves}, too early for this drive; ask for a longer stay.`;
  }
  return `The day is too full before ${leaves}: ${names}, the instructors and the circuit are never free together for ${guest.name}; add hours or leave out another drive.`;
}
