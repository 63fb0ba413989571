/** How much of the car's limits a driver uses, each 0…1. */
export interface Shares {
  readonly lateral: number;
  readonly brake: number;
  readonly drive: number;
  readonly power: number;
}

/** A good guest: pace 1. */
export const GOOD_GUEST: Shares = { lateral: 0.8, brake: 0.7, drive: 0.8, power: 0.92 };
export const PROFESSIONAL: Shares = { lateral: 1, brake: 1, drive: 1, power: 1 };

/** The factor at which the last of a guest's shares reaches 1. */
export const MOST_FACTOR = 1 / GOOD_GUEST.brake;

/** A good guest's shares, scaled together (power by the root of the factor); none passes 1. */
export function sharesAt(factor: number): Shares {
  return {
    lateral: Math.min(1, GOOD_GUEST.lateral * factor),
    brake: Math.min(1, GOOD_GUEST.brake * factor),
    drive: Math.min(1, GOOD_GUEST.drive * factor),
    power: Math.min(1, GOOD_GUEST.power * Math.sqrt(factor)),
  };
}
