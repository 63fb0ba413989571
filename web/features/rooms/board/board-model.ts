import { CIRCUIT } from '@core/programmes';
import { clockMinute, DAY_S, type TimeWindow } from '@core/values';
import {
  layOutDrive,
  layOutGroup,
  takenByCar,
  type DriveOccupancy,
  type PlannedDrive,
  type PlannedGroup,
} from '@core/day';
import { keyOf, NOTICED_S, type Drift } from '@core/live/drift';
import {
  isThrough,
  nextOccupancy,
  progressOf,
  type DayContext,
  type DayState,
  type DriveState,
  type GuestStage,
} from '@core/journal';
import { initials, shortName, surname } from '../../../shared/data/names';
import { beadsOf, type Bead } from '../../../shared/drawing/bead-list';
import {
  awayBlocks,
  coolingBlocks,
  groupBlock,
  mealBlocks,
  refuelBlocks,
  restBlocks,
  sharedBlock,
  sharedBlocks,
} from './other-blocks';
import { type BoardMode, type DriveBlock, type OtherBlock, type Block, type BoardRow, type Ghost } from './blocks';

const BUSY: ReadonlySet<GuestStage> = new Set(['inClass', 'onSighting', 'seated', 'onCircuit']);
/** Shown before the first and after the last of what the day contains. */
const AROUND_S = 900;

/**
 * The rows of the board: cars in the order of the day file, below them the sighting vehicles and the classroom; or the
 * crew; or the guests by what happens next to them.
 *
 * @param withFinished guests as well who have finished or gone
 */
export function boardRows(context: DayContext, state: DayState, mode: BoardMode, withFinished = false): BoardRow[] {
  const { day, schedule } = context;
  // A plan may still hold drives of a booking that has been changed since.
  const drives = schedule.drives
    .filter((occupancy) => state.drives.has(occupancy.planned.drive))
    .map((occupancy) => ({ occupancy, block: driveBlock(context, state, occupancy, mode) }));
  const of = (match: (occupancy: DriveOccupancy) => boolean): Block[] =>
    drives.filter(({ occupancy }) => match(occupancy)).map(({ block }) => block);
  const away = (one: { readonly id: string; readonly available: readonly TimeWindow[] }) =>
    awayBlocks(context, one.id, schedule.index.windows(one), state);
  switch (mode) {
    case 'cars': {
      const byCar = takenByCar(schedule);
      return [
        ...day.cars.map((car): BoardRow => ({
          ...{ id: car.id, name: car.name, takesDrives: true },
          blocks: [
            ...away(car),
            ...held(state, car.id, day.closes),
            ...coolingBlocks(car, byCar.get(car.id) ?? [], state),
            ...of((occupancy) => occupancy.planned.car === car.id),
            ...sharedBlocks(
              (byCar.get(car.id) ?? []).filter(({ kind }) => kind === 'group'),
              state,
            ),
            ...refuelBlocks(context, car.id, state),
          ],
        })),
        ...vehicleRows(context, state),
        ...classroomRows(context, state),
        ...surfaceRows(context, state),
      ];
    }
    case 'crew':
      return day.instructors.map((instructor) => ({
        ...{ id: instructor.id, name: instructor.name, takesDrives: true },
        blocks: [
          ...away(instructor),
          ...mealBlocks(context, instructor, state),
          ...restBlocks(context, instructor, state),
          ...of((occupancy) => occupancy.planned.instructor === instructor.id),
          ...sharedBlocks(schedule.crewOccupancies.get(instructor.id), state),
        ],
      }));
    case 'guests':
      return byWhatIsNext(context, state, withFinished).map((guest) => ({
        ...{ id: guest.id, name: guest.name, takesDrives: true },
        blocks: [
          ...of((occupancy) => occupancy.guests[0]?.id === guest.id),
          ...sharedBlocks(schedule.guestOccupancies.get(guest.id), state),
        ],
      }));
  }
}

function vehicleRows({ day, schedule }: DayContext, state: DayState): BoardRow[] {
  return day.sightingVehicles.map(({ id, name, seats }) => ({
    ...{ id: `vehicle ${id}`, name, note: `sighting runs, ${seats} seats`, takesDrives: false },
    blocks: schedule.sightings.filter((run) => run.vehicle?.id === id).map((run) => sharedBlock(run, state)),
  }));
}

/** A row for each surface beside the circuit, with the groups on it, and one for the groups on the circuit itself. */
function surfaceRows({ day, schedule }: DayContext, state: DayState): BoardRow[] {
  const groups = (day.groups ?? []).length > 0 ? [{ id: CIRCUIT, name: 'Trains', limit: undefined }] : [];
  return [...groups, ...(day.surfaces ?? [])].map(({ id, name, limit }) => ({
    ...{
      id: `surface ${id}`,
      name,
      note: limit === undefined ? 'on the circuit' : `${limit} at once`,
      takesDrives: false,
    },
    blocks: schedule.groups
      .filter(({ group }) => group?.surface === id)
      .map((one) => {
        const block = groupBlock(one, state);
        return state.groups.get(one.planned.group)?.stage === 'planned'
          ? { ...block, moves: one.planned.group }
          : block;
      }),
  }));
}

/** A row for each classroom that is used at once. */
function classroomRows({ day, schedule }: DayContext, state: DayState): BoardRow[] {
  const rooms: { readonly blocks: OtherBlock[]; endS: number }[] = [];
  for (const briefing of [...schedule.briefings].sort((a, b) => a.startS - b.startS)) {
    let room = rooms.find(({ endS }) => endS <= briefing.startS);
    if (!room) rooms.push((room = { blocks: [], endS: 0 }));
    room.blocks.push(sharedBlock(briefing, state));
    room.endS = briefing.endS;
  }
  const note = `${day.rules.briefing.seats} seats`;
  return rooms.map(({ blocks }, i) => ({
    ...{ id: `classroom ${i}`, name: rooms.length > 1 ? `Classroom ${i + 1}` : 'Classroom', note, takesDrives: false },
    blocks,
  }));
}

/** Guests who are busy first, then by when each is wanted next; who has finished or gone comes last, if at all. */
function byWhatIsNext(context: DayContext, state: DayState, withFinished: boolean) {
  const isDone = (id: string) => {
    const guest = state.guests.get(id);
    return guest !== undefined && isThrough(guest);
  };
  const key = new Map(
    context.day.guests.map(({ id }) => {
      const guest = state.guests.get(id);
      if (isDone(id)) return [id, 2 * DAY_S];
      const busy = guest !== undefined && BUSY.has(guest.stage);
      return [id, busy ? 0 : (nextOccupancy(context, state, id)?.startS ?? DAY_S)];
    }),
  );
  return context.day.guests
    .filter(({ id }) => withFinished || !isDone(id))
    .sort((a, b) => key.get(a.id)! - key.get(b.id)! || a.arrives - b.arrives);
}

/** The stretch of the day in which anything is planned or was done, and now; all of it where nothing is. */
export function spanOf(
  { day, schedule }: DayContext,
  state: DayState,
): { readonly fromS: number; readonly toS: number } {
  const held = [...schedule.briefings, ...schedule.sightings, ...schedule.drives];
  if (held.length === 0) return { fromS: day.opens, toS: day.closes };
  const now = day.opens <= state.timeS && state.timeS <= day.closes ? [state.timeS] : [];
  const fromS = Math.min(...now, ...held.map(({ startS }) => startS)) - AROUND_S;
  const toS = Math.max(...now, ...held.map(({ endS }) => endS)) + AROUND_S;
  return { fromS: Math.max(0, fromS), toS: Math.min(DAY_S, toS) };
}

/** A drive drawn where a plan that is not accepted would have it; nothing for a drive that the day does not know. */
export function ghostOf(
  context: DayContext,
  planned: PlannedDrive,
  mode: BoardMode,
  tone: Ghost['tone'],
): Ghost | undefined {
  const occupancy = layOutDrive(context.day, context.schedule.index, planned);
  const guest = occupancy.guests[0];
  if (!guest || !occupancy.drive) return undefined;
  const row = { cars: planned.car, crew: planned.instructor, guests: guest.id }[mode];
  const { startS, releaseS, trackEndS, endS } = occupancy;
  const beads = Array.from({ length: occupancy.lapsDriven }, (): Bead => ({
    fill: 'open',
    spoiled: false,
    extra: false,
  }));
  return {
    row,
    tone,
    block: {
      kind: 'drive',
      id: planned.drive,
      startS,
      releaseS,
      trackEndS,
      endS,
      status: 'planned',
      beads,
      ...labelsOf(occupancy, guest.name, mode),
      words: '',
    },
  };
}

/** The same of a group, in the row of its surface and as long as it takes at that time. */
export function groupGhostOf(
  { day, schedule: { index } }: DayContext,
  state: DayState,
  planned: PlannedGroup,
  tone: Ghost['tone'],
): Ghost | undefined {
  const occupancy = layOutGroup(day, index, planned);
  const { group } = occupancy;
  return group && { row: `surface ${group.surface}`, tone, block: groupBlock(occupancy, state) };
}

/**
 * Where drives will be as things stand, beside where the plan has them, and where they were accepted to be before their
 * times slid.
 */
export function expectedGhosts(context: DayContext, drift: Drift | undefined, mode: BoardMode): Ghost[] {
  if (!drift) return [];
  return context.schedule.plan.drives.flatMap((planned, place) => {
    const expected = drift.expected.get(keyOf.drive(planned.drive));
    if (expected?.phase !== 'toCome') return [];
    const accepted = context.accepted.plan.drives[place] ?? planned;
    const elsewhere: [PlannedDrive, Ghost['tone']][] = [
      [{ ...planned, release: expected.releaseS }, 'expected'],
      [accepted, 'accepted'],
    ];
    return elsewhere
      .filter(([{ release }]) => Math.abs(release - planned.release) > NOTICED_S)
      .flatMap(([at, tone]) => ghostOf(context, at, mode, tone) ?? []);
  });
}

function labelsOf(
  occupancy: DriveOccupancy,
  guest: string,
  mode: BoardMode,
): { label: string; shorter: string[]; second: string } {
  const [instructor, car] = [surname(occupancy.instructor?.name ?? ''), occupancy.car?.name ?? ''];
  const byName = { label: shortName(guest), shorter: [initials(guest), initials(guest).charAt(0)] };
  switch (mode) {
    case 'cars':
      return { ...byName, second: instructor };
    case 'crew':
      return { ...byName, second: car };
    case 'guests':
      return { label: car, shorter: [initials(car), initials(car).charAt(0)], second: instructor };
  }
}

function held(state: DayState, carId: string, closes: number): Block[] {
  const car = state.cars.get(carId);
  if (car?.heldFor === undefined) return [];
  return [
    {
      kind: 'held',
      id: `held-${carId}`,
      startS: Math.max(car.heldSinceS ?? 0, car.parkedS ?? 0),
      endS: Math.min(closes, Math.max(car.backAtS ?? state.timeS + 1800, state.timeS)),
      label: `Out: ${car.heldFor}${car.backAtS === undefined ? '' : `, back ${clockMinute(car.backAtS)}`}`,
    },
  ];
}

function driveBlock(context: DayContext, state: DayState, occupancy: DriveOccupancy, mode: BoardMode): DriveBlock {
  const drive = state.drives.get(occupancy.planned.drive)!;
  const times = timesOf(occupancy, drive, state.timeS);
  const gone = state.guests.get(drive.guest.id)?.gone !== undefined;
  const status = gone && drive.stage === 'planned' ? 'gone' : statusOf(occupancy, drive, state.timeS);
  const beads = beadsOf(drive, progressOf(context, drive).done);
  const statusWords = {
    done: 'done',
    now: 'under way',
    planned: 'planned',
    late: 'should have begun',
    gone: 'guest is gone',
  }[status];
  return {
    kind: 'drive',
    id: occupancy.planned.drive,
    ...times,
    status,
    beads,
    ...labelsOf(occupancy, drive.guest.name, mode),
    words: `${drive.guest.name}, ${occupancy.car?.name ?? ''}, with ${occupancy.instructor?.name}, ${clockMinute(times.releaseS)}, ${beads.length} laps, ${statusWords}`,
  };
}

/** Where a drive stands on the time axis: as it happened as far as it did, as planned from there on. */
function timesOf(occupancy: DriveOccupancy, drive: DriveState, nowS: number) {
  const trackS = occupancy.trackEndS - occupancy.releaseS;
  const wrapUpS = occupancy.endS - occupancy.trackEndS;
  const startS = drive.seatedS ?? occupancy.startS;
  const releaseS =
    drive.releasedS ?? (drive.stage === 'seated' ? Math.max(occupancy.releaseS, nowS) : occupancy.releaseS);
  const running = drive.stage === 'onCircuit' ? Math.max(releaseS + trackS, nowS) : releaseS + trackS;
  const trackEndS = drive.inS ?? running;
  const endS =
    drive.debriefedS ?? (drive.stage === 'parked' ? Math.max(trackEndS + wrapUpS, nowS) : trackEndS + wrapUpS);
  return { startS, releaseS, trackEndS, endS };
}

function statusOf(occupancy: DriveOccupancy, drive: DriveState, nowS: number): DriveBlock['status'] {
  if (drive.stage === 'done') return 'done';
  if (drive.stage !== 'planned') return 'now';
  return occupancy.startS + 60 < nowS ? 'late' : 'planned';
}
