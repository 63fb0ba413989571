import type { Drive, Guest } from '../../day';
import { lapEstimateOf, type DayContext, type DayState, type DriveState } from '../../journal';
import { analyseLaps } from './laps';
import { cured, oneThing, seenFaults, type OneThing } from './marks';
import type { FaultEntry } from './fault-entry';

/** What the next instructor should know before the guest sits down. */
export interface Handover {
  readonly drive: Drive;
  readonly guest: Guest;
  readonly car: string | undefined;
  /** The car driven before today, if there was one. */
  readonly lastCar: string | undefined;
  readonly drivesBefore: number;
  /** As driven last, else as booked. */
  readonly gearbox: 'auto' | 'paddle' | undefined;
  /** Expected lap, seconds. */
  readonly lapS: number;
  /** What was good, in the words of those who marked it. */
  readonly worked: readonly string[];
  /** How much quicker the last drive got, seconds; nothing where it did not. */
  readonly gainedS: number | undefined;
  readonly oneThing: OneThing | undefined;
  readonly cured: readonly FaultEntry[];
  readonly ready: DriveState['marked'][number]['ready'];
  readonly account: string | undefined;
  readonly favourite: string | undefined;
  readonly notes: readonly string[];
  readonly interventions: number;
  /** Who taught the guest before, the last one first. */
  readonly taughtBefore: readonly string[];
  /** Friends of the same party who drive today. */
  readonly friends: readonly string[];
  readonly seenBy: string | undefined;
}

/** Less is chance. */
const LEAST_GAIN_S = 0.5;

/** Drives of a guest that have been driven, in order of their release. */
export function drivenBy(state: DayState, guest: string): DriveState[] {
  return [...state.drives.values()]
    .filter((drive) => drive.guest.id === guest && drive.releasedS !== undefined)
    .sort((a, b) => a.releasedS! - b.releasedS!);
}

/** The card for a drive that has not begun; nothing where the day does not know it. */
export function handover(
  context: DayContext,
  state: DayState,
  driveId: string,
  vocabulary: ReadonlyMap<string, FaultEntry>,
): Handover | undefined {
  const drive = state.drives.get(driveId);
  if (!drive) return undefined;
  const { guest } = drive;
  const before = drivenBy(state, guest.id).filter((one) => one !== drive);
  const last = before.at(-1);
  const seen = before.map((one) => seenFaults(one, vocabulary));
  const marked = before.flatMap((one) => one.marked);
  const names = context.schedule.index.instructors;
  const nameOf = (id: string | undefined) => (id === undefined ? undefined : (names.get(id)?.name ?? id));
  const driven = marked.findLast(({ gearbox }) => gearbox)?.gearbox?.driven;
  const gain = last && analyseLaps(context, last).gainedS;
  return {
    drive: drive.drive,
    guest,
    car: drive.car,
    lastCar: last?.car,
    drivesBefore: before.length,
    gearbox: driven ?? drive.drive.gearbox,
    lapS: lapEstimateOf(context, drive).lapS,
    worked: [...new Set(marked.flatMap(({ good }) => (good ? [good] : [])))],
    gainedS: gain !== undefined && gain > LEAST_GAIN_S ? gain : undefined,
    oneThing: oneThing(seen),
    cured: cured(seen),
    ready: marked.findLast(({ ready }) => ready)?.ready,
    account: marked.findLast(({ account }) => account)?.account,
    favourite: marked.findLast(({ favourite }) => favourite)?.favourite,
    notes: marked.flatMap(({ note }) => (note ? [note] : [])),
    interventions: before.reduce((sum, { interventions }) => sum + interventions.length, 0),
    taughtBefore: [
      ...new Set(before.map(({ instructor }) => nameOf(instructor)).filter((name) => name !== undefined)),
    ].reverse(),
    friends: context.day.guests
      .filter(({ id, party }) => party !== undefined && party === guest.party && id !== guest.id)
      .map(({ name }) => name),
    seenBy: drive.handoverSeenBy,
  };
}
