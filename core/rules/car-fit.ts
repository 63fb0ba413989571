import { activityOf, type Activity, type Car, type Drive, type Guest, type CarMisfit } from '../day';
import { fact } from '../values';
import { rule, type Broken } from './rule';

/** Why this car can't be driven by this guest on this drive, or nothing where it can. */
export function carMisfit(car: Car, drive: Drive, guest: Guest): CarMisfit | undefined {
  const subjects = { car: car.id, guest: guest.id };
  if (drive.ride) return rideMisfit(car, drive.ride.seats, drive, guest);
  if (!drive.cars.includes(car.id)) return fact('notBooked', subjects);
  if (drive.gearbox && !car.gearboxes.includes(drive.gearbox)) {
    return fact('gearbox', subjects, { wanted: drive.gearbox });
  }
  return misfitOfSize(car, guest);
}

/** Beside the driver no pedal is out of reach. */
function rideMisfit(car: Car, wanted: number, drive: Drive, guest: Guest): CarMisfit | undefined {
  const subjects = { car: car.id, guest: guest.id };
  if (!drive.cars.includes(car.id)) return fact('notBooked', subjects);
  if (!car.ride) return fact('noRides', subjects);
  return car.ride.seats < wanted ? fact('rideSeats', subjects, { wanted, seats: car.ride.seats }) : undefined;
}

/** Why a guest is too large or too small to drive this car; nothing where either side does not state it. */
export function misfitOfSize(car: Car, guest: Guest): CarMisfit | undefined {
  const subjects = { car: car.id, guest: guest.id };
  const { minHeightCm, maxHeightCm, maxWeightKg } = car.fit ?? {};
  const { heightCm, weightKg } = guest;
  if (heightCm !== undefined && maxHeightCm !== undefined && heightCm > maxHeightCm) {
    return fact('tooTall', subjects, { heightCm, mostCm: maxHeightCm });
  }
  if (heightCm !== undefined && minHeightCm !== undefined && heightCm < minHeightCm) {
    return fact('tooShort', subjects, { heightCm, leastCm: minHeightCm });
  }
  if (weightKg !== undefined && maxWeightKg !== undefined && weightKg > maxWeightKg) {
    return fact('tooHeavy', subjects, { weightKg, mostKg: maxWeightKg });
  }
  return undefined;
}

export type CarFitBroken = Broken<'misfit', { activity: Activity }, { misfit: CarMisfit }>;

/** The car is one the drive allows, offers its gearbox, and fits the guest where both sides state the size. */
export const carFit = rule('CAR_FIT', function* ({ drives }): Iterable<CarFitBroken> {
  for (const occupancy of drives) {
    const { car, drive, guests } = occupancy;
    if (!car || !drive) continue;
    const misfit = carMisfit(car, drive, guests[0]!);
    if (misfit) yield { detail: 'misfit', subjects: { activity: activityOf(occupancy) }, values: { misfit } };
  }
});
