import { fact } from '../../values';
import type { Day, Drive, Plan } from '../../day';
import { progressOf, type DayContext } from './context';
import type { DayState, DriveState } from './day-state';

/** Laps that were paid for and not driven, as a drive of their own that waits for a place. */
export interface OwedDrive {
  /** The drive that was broken off. */
  readonly from: string;
  readonly guest: string;
  readonly drive: Drive;
  /** By the guest's word it is not driven today. */
  readonly notToday: boolean;
  /** Since when it waits. */
  readonly sinceS: number;
}

const ENDS = '+owed';

/** Id of the drive in which laps owed from another one are driven. */
export function owedId(drive: string): string {
  return `${drive.slice(0, 64 - ENDS.length)}${ENDS}`;
}

/** The drive from which the laps of a drive are owed; nothing where it is an ordinary one. */
export function owedFrom(drives: ReadonlyMap<string, unknown>, id: string): string | undefined {
  if (!id.endsWith(ENDS)) return undefined;
  for (const other of drives.keys()) if (owedId(other) === id) return other;
  return undefined;
}

/** Laps left of a drive that was broken off, whatever became of them since. */
function lapsLeft(context: DayContext, drive: DriveState): number {
  if (!drive.brokenOff || drive.madeUpIn !== undefined) return 0;
  const { done, due } = progressOf(context, drive);
  return Math.max(0, due - done);
}

/** Laps that the guest has paid for, has not driven and does not sit down to drive: of a drive that was broken off. */
export function lapsOwed(context: DayContext, state: DayState, drive: DriveState): number {
  const own = state.drives.get(owedId(drive.drive.id));
  return own && own.stage !== 'planned' ? 0 : lapsLeft(context, drive);
}

/** The drives of laps that are owed on a day, in the order in which they came to be. */
export function owedDrives(context: DayContext, state: DayState): OwedDrive[] {
  return [...state.drives.values()]
    .flatMap((broken): OwedDrive[] => {
      const laps = lapsLeft(context, broken);
      if (laps === 0) return [];
      const { drive, guest, owedWish, brokenOff } = broken;
      const { pin: _, extraLaps: __, notBefore: ___, ...own } = drive;
      return [
        {
          from: drive.id,
          guest: guest.id,
          notToday: owedWish?.notToday ?? false,
          sinceS: brokenOff!.atS,
          drive: {
            ...own,
            id: owedId(drive.id),
            laps,
            cars: owedWish?.cars ?? drive.cars,
            ...(owedWish?.notBefore !== undefined && { notBefore: owedWish.notBefore }),
            ...(owedWish?.place && { pin: owedWish.place }),
          },
        },
      ];
    })
    .sort((a, b) => a.sinceS - b.sinceS);
}

/** The day with the drives that are owed, so that they are planned with everything else. */
export function withOwed(day: Day, owed: readonly OwedDrive[]): Day {
  if (owed.length === 0) return day;
  return {
    ...day,
    guests: day.guests.map((guest) => {
      const own = owed.filter((one) => one.guest === guest.id && !one.notToday).map(({ drive }) => drive);
      return own.length === 0 ? guest : { ...guest, drives: [...guest.drives, ...own] };
    }),
  };
}

/** A plan in which the drives that are owed and have no place yet wait for one, so that none is lost from sight. */
export function withOwedWaiting(plan: Plan, owed: readonly OwedDrive[]): Plan {
  const known = new Set([...plan.drives, ...plan.unplanned].map(({ drive }) => drive));
  const gone = new Set(owed.filter(({ notToday }) => notToday).map(({ drive }) => drive.id));
  const waiting = owed.filter(({ drive, notToday }) => !notToday && !known.has(drive.id));
  if (waiting.length === 0 && gone.size === 0) return plan;
  return {
    ...plan,
    drives: plan.drives.filter(({ drive }) => !gone.has(drive)),
    unplanned: [
      ...plan.unplanned.filter(({ drive }) => !gone.has(drive)),
      ...waiting.map(({ drive, sinceS }) => ({ drive: drive.id, reason: fact('owed', {}, { since: sinceS }) })),
    ],
  };
}
