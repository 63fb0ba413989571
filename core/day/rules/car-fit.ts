import type { Car, Drive, Guest } from '../day-file';
import { rule } from './rule';

/** Why this car can't be driven by this guest on this drive, or nothing where it can. */
export function carMisfit(car: Car, drive: Drive, guest: Guest): string | undefined {
  if (!drive.cars.includes(car.id)) return `${car.name} is not among the cars that ${guest.name} booked`;
  if (drive.gearbox && !car.gearboxes.includes(drive.gearbox)) {
    return `${car.name} has no ${drive.gearbox === 'auto' ? 'automatic' : 'paddle'} gearbox, as ${guest.name} wants`;
  }
  const { minHeightCm, maxHeightCm, maxWeightKg } = car.fit ?? {};
  const { heightCm, weightKg } = guest;
  if (heightCm !== undefined && maxHeightCm !== undefined && heightCm > maxHeightCm) {
    return `${guest.name} is ${heightCm} cm tall, ${car.name} takes up to ${maxHeightCm} cm`;
  }
  if (heightCm !== undefined && minHeightCm !== undefined && heightCm < minHeightCm) {
    return `${guest.name} is ${heightCm} cm tall, ${car.name} needs at least ${minHeightCm} cm`;
  }
  if (weightKg !== undefined && maxWeightKg !== undefined && weightKg > maxWeightKg) {
    return `${guest.name} weighs ${weightKg} kg, ${car.name} takes up to ${maxWeightKg} kg`;
  }
  return undefined;
}

/** The car is one the drive allows, offers its gearbox, and fits the guest where both sides state the size. */
export const carFit = rule('CAR_FIT', function* ({ drives }) {
  for (const { car, drive, guests, label } of drives) {
    if (!car || !drive) continue;
    const misfit = carMisfit(car, drive, guests[0]!);
    if (misfit) yield `${label}: ${misfit}`;
  }
});
