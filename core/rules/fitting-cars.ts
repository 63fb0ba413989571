import type { Car, Day, Drive, Guest, CarMisfit } from '../day';
import { carMisfit } from './car-fit';

/** A drive whose car does not fit its guest, and the cars that would. */
export interface DriveMisfit {
  readonly drive: string;
  readonly car: string;
  readonly misfit: CarMisfit;
  /** Those that were booked for the drive as well first, then others, the nearest in level first. */
  readonly offers: readonly { readonly car: Car; readonly booked: boolean }[];
}

/** So many cars are offered. */
const OFFERS = 3;

/**
 * The drives of a guest that cannot be driven in the car they have.
 *
 * @param carOf the car that a drive is planned in, nothing where it has no place: then all that were booked must fail
 */
export function drivesThatDoNotFit(
  day: Pick<Day, 'cars'>,
  guest: Guest,
  carOf: (drive: Drive) => string | undefined,
): DriveMisfit[] {
  return guest.drives.flatMap((drive): DriveMisfit[] => {
    const booked = day.cars.filter(({ id }) => drive.cars.includes(id));
    const fits = (car: Car) => carMisfit(car, drive, guest) === undefined;
    const planned = booked.find(({ id }) => id === carOf(drive));
    const bad = planned ?? (booked.some(fits) ? undefined : booked[0]);
    const misfit = bad && carMisfit(bad, drive, guest);
    if (!misfit) return [];
    const level = bad.level;
    const others = day.cars
      .filter((car) => !booked.includes(car) && fitsOtherwise(car, drive, guest))
      .sort((a, b) => Math.abs(a.level - level) - Math.abs(b.level - level));
    const offers = [
      ...booked.filter(fits).map((car) => ({ car, booked: true })),
      ...others.map((car) => ({ car, booked: false })),
    ];
    return [{ drive: drive.id, car: bad.id, misfit, offers: offers.slice(0, OFFERS) }];
  });
}

/** Whether a car would fit if it had been booked. */
function fitsOtherwise(car: Car, drive: Drive, guest: Guest): boolean {
  return carMisfit(car, { ...drive, cars: [car.id] }, guest) === undefined;
}
