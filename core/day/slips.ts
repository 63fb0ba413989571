import type { Day } from './day-file';
import { fact, type Fact } from '../values';
import { FRIEND_WISHES } from './friends';
import { CIRCUIT } from '../programmes';

/** Something in a day file that is no fault and may be a slip: planning goes on with it. */
export interface Slip {
  /** `guests[12].drives[0].cars[0]`. */
  readonly path: string;
  /** Name of the guest or instructor in whose entry it stands. */
  readonly who: string;
  readonly what: SlipFact;
}

export type SlipFact =
  | Fact<'noSuchCar', { car: string }>
  | Fact<'noSuchInstructor', { instructor: string }>
  | Fact<'noSuchGuest', { guest: string }>
  | Fact<'noSuchSurface', { surface: string }>
  | Fact<'leavesFirst', object, { leavesS: number; arrivesS: number }>;

/**
 * What a day file names and does not have: cars of drives and instructors, instructors whom guests avoid or prefer, friends,
 * pins; and guests who leave before they arrive. A withdrawn car leaves the file and lateness happens, so none of it is a
 * fault.
 */
export function slipsOf(day: Day): Slip[] {
  const cars = new Set(day.cars.map(({ id }) => id));
  const crew = new Set(day.instructors.map(({ id }) => id));
  const guests = new Set(day.guests.map(({ id }) => id));
  const slips: Slip[] = [];
  const carIn = (who: string, path: string, id: string) => {
    if (!cars.has(id)) slips.push({ who, path, what: fact('noSuchCar', { car: id }) });
  };
  const crewIn = (who: string, path: string, id: string) => {
    if (!crew.has(id)) slips.push({ who, path, what: fact('noSuchInstructor', { instructor: id }) });
  };
  day.instructors.forEach(({ name, cars: taught }, place) => {
    if (taught !== 'all') taught.forEach((id, i) => carIn(name, `instructors[${place}].cars[${i}]`, id));
  });
  day.guests.forEach((guest, place) => {
    const { name, arrives, leavesBy } = guest;
    const at = `guests[${place}]`;
    if (leavesBy !== undefined && leavesBy < arrives) {
      const what = fact('leavesFirst', {}, { leavesS: leavesBy, arrivesS: arrives });
      slips.push({ who: name, path: `${at}.leavesBy`, what });
    }
    guest.avoidInstructors?.forEach((id, i) => crewIn(name, `${at}.avoidInstructors[${i}]`, id));
    guest.preferInstructors?.forEach((id, i) => crewIn(name, `${at}.preferInstructors[${i}]`, id));
    for (const kind of FRIEND_WISHES) {
      guest[kind]?.forEach((id, i) => {
        if (!guests.has(id) || id === guest.id)
          slips.push({ who: name, path: `${at}.${kind}[${i}]`, what: fact('noSuchGuest', { guest: id }) });
      });
    }
    guest.drives.forEach(({ cars: wanted, pin }, i) => {
      wanted.forEach((id, j) => carIn(name, `${at}.drives[${i}].cars[${j}]`, id));
      if (pin?.car !== undefined) carIn(name, `${at}.drives[${i}].pin.car`, pin.car);
      if (pin?.instructor !== undefined) crewIn(name, `${at}.drives[${i}].pin.instructor`, pin.instructor);
    });
  });
  day.groups?.forEach(({ name, surface, members, cars: driven, leadCars = [], staffCars = [], roles }, place) => {
    const at = `groups[${place}]`;
    const isKnown = surface === CIRCUIT || day.surfaces?.some(({ id }) => id === surface);
    if (!isKnown) slips.push({ who: name, path: `${at}.surface`, what: fact('noSuchSurface', { surface }) });
    members.forEach((guest, i) => {
      if (!guests.has(guest))
        slips.push({ who: name, path: `${at}.members[${i}]`, what: fact('noSuchGuest', { guest }) });
    });
    driven.forEach((id, i) => carIn(name, `${at}.cars[${i}]`, id));
    leadCars.forEach((id, i) => carIn(name, `${at}.leadCars[${i}]`, id));
    staffCars.forEach((id, i) => carIn(name, `${at}.staffCars[${i}]`, id));
    roles.forEach(({ people }, i) => people?.forEach((id, j) => crewIn(name, `${at}.roles[${i}].people[${j}]`, id)));
  });
  return slips;
}
