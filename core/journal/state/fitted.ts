import type { Gearbox, Guest } from '../../day';

/** What was told or measured at the gate of what decides which cars a guest can drive. */
export interface Fitted {
  readonly heightCm?: number | undefined;
  readonly gearbox?: Gearbox | undefined;
}

/** A guest as the gate has found it: its height, and the gearbox wanted in all its drives. */
export function guestWithFitting(guest: Guest, { heightCm, gearbox }: Fitted): Guest {
  return {
    ...guest,
    ...(heightCm !== undefined && { heightCm }),
    ...(gearbox && { drives: guest.drives.map((drive) => ({ ...drive, gearbox })) }),
  };
}
