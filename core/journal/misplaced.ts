import type { DayState, DriveStage, GuestState } from './day-state';
import type { EntryKind, JournalEntry } from './entry';

/** The stages from the release on. */
const ON_AND_AFTER: readonly DriveStage[] = ['onCircuit', 'standing', 'rollingIn', 'parked', 'done'];

/** For each step of a drive the stages from which it can be taken, and what then can't be done otherwise. */
const STEPS: Partial<Record<EntryKind, { readonly from: readonly DriveStage[]; readonly done: string }>> = {
  seated: { from: ['planned'], done: 'seated' },
  unseated: { from: ['seated'], done: 'taken out of the car again' },
  lastCheckDone: { from: ['seated'], done: 'checked' },
  released: { from: ['seated'], done: 'let out' },
  lapCounted: { from: ['onCircuit', 'rollingIn'], done: 'counted a lap' },
  lapsSettled: { from: ON_AND_AFTER, done: 'counted' },
  lapSpoiled: { from: ON_AND_AFTER, done: 'marked' },
  intervened: { from: ON_AND_AFTER, done: 'marked' },
  extraLapGranted: { from: ['planned', 'seated', 'onCircuit'], done: 'given a lap' },
  brokenOff: { from: ['seated', ...ON_AND_AFTER], done: 'broken off' },
  broughtIn: { from: ['onCircuit', 'standing'], done: 'brought in' },
  // The instructor parks, whether or not the tablet at the exit has told of the way in.
  parked: { from: ['onCircuit', 'standing', 'rollingIn'], done: 'parked' },
  debriefed: { from: ['parked'], done: 'debriefed' },
  driveMarked: { from: ON_AND_AFTER, done: 'marked' },
};

const STAGE_WORDS: Record<DriveStage, string> = {
  planned: 'is not in the car yet',
  seated: 'sits in the car and has not been let out',
  onCircuit: 'is on the circuit',
  standing: 'stands on the circuit',
  rollingIn: 'is rolling in',
  parked: 'has parked',
  done: 'has finished this drive',
};

/**
 * Why an entry has no place in a state, whatever the day's rules: the drive is at another stage, or a car or person is
 * taken. The reducer goes by this as well, so that two devices that knew nothing of each other can't bring the day into
 * a state that cannot be. Nothing where it fits, or where the day does not know what it names.
 */
export function misplaced(state: DayState, entry: JournalEntry): string | undefined {
  const step = STEPS[entry.kind];
  if (step && 'drive' in entry) {
    const drive = state.drives.get(entry.drive);
    if (!drive) return undefined;
    if (!step.from.includes(drive.stage)) {
      return `${drive.guest.name} ${STAGE_WORDS[drive.stage]} and can't be ${step.done}.`;
    }
    if (entry.kind === 'brokenOff' && drive.brokenOff) return `The drive of ${drive.guest.name} is broken off already.`;
    if (entry.kind !== 'seated') return undefined;
    const guest = state.guests.get(drive.guest.id);
    return carTaken(state, entry.car) ?? (guest && elsewhere(state, guest)) ?? crewTaken(state, entry.instructor);
  }
  if (entry.kind === 'flagCalled' && entry.flag === 'green' && state.flag.flag === 'stop' && !state.flag.clearedBy) {
    return 'After an all-stop somebody must first see that the circuit is clear.';
  }
  if (entry.kind === 'classBegan' || entry.kind === 'sightingBegan') {
    return crewTaken(state, entry.instructor) ?? firstReason(entry.guests, (id) => whereElse(state, id));
  }
  return undefined;
}

export function firstReason(ids: readonly string[], test: (id: string) => string | undefined): string | undefined {
  for (const id of ids) {
    const reason = test(id);
    if (reason !== undefined) return reason;
  }
  return undefined;
}

function whereElse(state: DayState, id: string): string | undefined {
  const guest = state.guests.get(id);
  return guest && elsewhere(state, guest);
}

function carTaken(state: DayState, id: string): string | undefined {
  const car = state.cars.get(id);
  if (car?.drive === undefined) return undefined;
  return `${car.car.name} is taken by ${state.drives.get(car.drive)?.guest.name ?? 'another guest'}.`;
}

/** Why a guest can't be anywhere else now. */
export function elsewhere(state: DayState, guest: GuestState): string | undefined {
  if (guest.heldBy === 'class') return `${guest.guest.name} sits in a class.`;
  if (guest.heldBy === 'sighting') return `${guest.guest.name} is on a sighting run.`;
  if (guest.drive === undefined) return undefined;
  const stage = state.drives.get(guest.drive)?.stage;
  return stage === 'parked' ? `${guest.guest.name} is still in the debrief.` : `${guest.guest.name} is in another car.`;
}

/** What an instructor is busy with. */
export function crewTaken(state: DayState, id: string): string | undefined {
  const crew = state.crew.get(id);
  if (crew?.busyWith === undefined) return undefined;
  const drive = state.drives.get(crew.busyWith);
  if (!drive) return `${crew.instructor.name} is busy with a ${crew.busyWith === 'class' ? 'class' : 'sighting run'}.`;
  const doing = drive.stage === 'parked' ? 'still debriefs' : 'is with';
  return `${crew.instructor.name} ${doing} ${drive.guest.name}.`;
}
