import * as z from 'zod';
import { faultEntry } from '../people/coaching/at-start';
import { rosterEntry } from '../people/crew/at-start';
import { version } from './endpoint';

/** Roster, vocabulary and the manager's access, as web and server exchange them. */

export const storedFault = z.object({ id: z.string(), version, fields: faultEntry });

export const storedRosterEntry = z.object({ version, fields: rosterEntry });
export type StoredRosterEntry = z.output<typeof storedRosterEntry>;

/** Whether the manager has a code, and whether this browser is let in by it. */
export const managerAccess = z.object({ set: z.boolean(), open: z.boolean() });
export type ManagerAccess = z.output<typeof managerAccess>;

export const managerCode = z.strictObject({
  code: z
    .string()
    .min(6, 'expected a code of at least 6 characters')
    .max(72, 'expected a code of at most 72 characters'),
});

/** A calendar file as it would be taken in: nothing is saved yet. */
export const rosterPreview = z.object({
  added: z.array(rosterEntry),
  changed: z.array(rosterEntry),
  unchanged: z.number().int(),
  /** Of entries that the file cancels. */
  cancelled: z.array(z.string()),
  /** Events that cannot be taken in, and why. */
  faults: z.array(z.object({ line: z.number().int(), event: z.string(), message: z.string() })),
});
export type RosterPreview = z.output<typeof rosterPreview>;

/** Why a guest should have an instructor, or should not; the manager alone sees it. */
export const pairingReason = z.strictObject({
  instructor: z.string().min(1).max(64),
  reason: z.string().trim().min(1).max(500),
});
export type PairingReason = z.output<typeof pairingReason>;
