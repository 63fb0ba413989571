import { normalOf, randomOf, type Random } from '@core/planner';
import { DRIVE_PACE_SD, FIRST_LAP_SD, GAIN_PER_LAP, GUEST_PACE_SD, LAP_SD } from './chance';

/** How the laps of a drive or a run come out, as shares of what car and booking promise. */
export class Laps {
  private readonly random: Random;
  /** What an ordinary lap of it is. */
  readonly pace: number;

  /** @param guest who drives; nothing where an instructor does, as on a sighting run */
  constructor(
    seed: number,
    id: string,
    private readonly guest: string | undefined,
  ) {
    this.random = randomOf(seed, `laps ${id}`);
    const own = guest === undefined ? 0 : GUEST_PACE_SD * normalOf(randomOf(seed, `pace ${guest}`));
    this.pace = 1 + own + (guest === undefined ? 0 : DRIVE_PACE_SD * normalOf(this.random));
  }

  /** @param lap how many were driven before it */
  next(lap: number): number {
    const gain = this.guest === undefined ? 1 : 1 - GAIN_PER_LAP * lap;
    return this.pace * gain * (1 + (lap === 0 ? FIRST_LAP_SD : LAP_SD) * normalOf(this.random));
  }
}
