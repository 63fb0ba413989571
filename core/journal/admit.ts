import { carMisfit, clockMinute } from '../day';
import {
  isCleared,
  vehiclesOnCircuit,
  type DayState,
  type DriveStage,
  type DriveState,
  type GuestState,
} from './day-state';
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entry';
import type { DayContext } from './context';
import { apply, beginning, effectiveEntries } from './reduce';
import { settle } from './settle';

/** Whether an entry may join the journal; a refusal is one sentence that says what to do instead. */
export type Admission = { readonly admitted: true } | { readonly admitted: false; readonly reason: string };

/**
 * Judges an entry at its own place in the journal: an impossible one is refused, and so is one that would make something
 * impossible that was recorded as happening after it.
 */
export function admit(context: DayContext, entries: readonly RecordedEntry[], entry: JournalEntry): Admission {
  const without = entry.kind === 'correction' ? entry.corrects : undefined;
  if (entry.kind === 'correction') {
    const target = entries.find((recorded) => recorded.entry.id === entry.corrects)?.entry;
    if (!target) return refused('There is no such entry to correct.');
    if (target.kind === 'correction') return refused('A correction stays; enter what happened anew.');
    if (target.kind === 'planAccepted') return refused('A plan is replaced by accepting another one.');
    if (entries.some(({ entry: other }) => other.kind === 'correction' && other.corrects === entry.corrects)) {
      return refused('This entry has been taken back already.');
    }
  }
  const before = effectiveEntries(entries);
  const place = before.findIndex((other) => other.at > entry.at);
  const at = place < 0 ? before.length : place;
  const after =
    without === undefined
      ? [...before.slice(0, at), entry, ...before.slice(at)]
      : before.filter((other) => other.id !== without);

  // Only what comes after the change can be affected by it; the part before is replayed without judging it again.
  const changedFrom = without === undefined ? at : before.findIndex((other) => other.id === without);
  const obstacles = refusalsFrom(context, after, changedFrom);
  const own = obstacles.get(entry.id);
  if (own !== undefined) return refused(own);
  if (obstacles.size === 0) return { admitted: true };
  const known = refusalsFrom(context, before, changedFrom);
  for (const [id, reason] of obstacles) {
    if (known.has(id)) continue;
    const later = before.find((other) => other.id === id)!;
    return refused(
      `At ${clockMinute(later.at)} there is an entry that stands on it; take that back first. (${reason})`,
    );
  }
  return { admitted: true };
}

function refused(reason: string): Admission {
  return { admitted: false, reason };
}

/** Replays entries and collects, from a place on, why those that are impossible are so. */
function refusalsFrom(context: DayContext, entries: readonly JournalEntry[], from: number): Map<string, string> {
  const state = beginning(context);
  const refusals = new Map<string, string>();
  entries.forEach((entry, place) => {
    if (place >= from) {
      const reason = refusalOf(context, settle(context, state, entry.at), entry);
      if (reason !== undefined) refusals.set(entry.id, reason);
    }
    apply(context, state, entry);
  });
  return refusals;
}

/** Why an entry is impossible in this state, or nothing where it may happen. */
export function refusalOf(context: DayContext, state: DayState, entry: JournalEntry): string | undefined {
  const test = TESTS[entry.kind] as (state: DayState, entry: JournalEntry, context: DayContext) => string | undefined;
  return test(state, entry, context);
}

type Tests = {
  readonly [K in EntryKind]: (state: DayState, entry: EntryOf<K>, context: DayContext) => string | undefined;
};

const TESTS: Tests = {
  guestArrived: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.arrivedS !== undefined && it.gone === undefined ? `${it.guest.name} is here already.` : undefined,
    ),
  waiverSigned: (state, { guest }) =>
    onGuest(
      state,
      guest,
      (it) => notHere(it) ?? (it.waiver ? `The waiver of ${it.guest.name} is seen already.` : undefined),
    ),
  licenceSeen: (state, { guest }) =>
    onGuest(
      state,
      guest,
      (it) => notHere(it) ?? (it.licence ? `The licence of ${it.guest.name} is seen already.` : undefined),
    ),
  helmetFitted: (state, { guest }) => onGuest(state, guest, notHere),
  guestNoShow: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.arrivedS !== undefined ? `${it.guest.name} has arrived; enter "left" instead.` : undefined,
    ),
  guestLeft: (state, { guest }) => onGuest(state, guest, (it) => notHere(it) ?? inACar(state, it)),
  guestUnwell: (state, { guest }) => onGuest(state, guest, notHere),
  guestWell: (state, { guest }) =>
    onGuest(state, guest, (it) => (it.unwell ? undefined : `${it.guest.name} is not entered as unwell.`)),
  deskDone: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.deskDone ? `${it.guest.name} is finished already.` : (notHere(it) ?? inACar(state, it)),
    ),

  classBegan: (state, { instructor, guests }) =>
    crewFree(state, instructor) ??
    first(guests, (id) =>
      onGuest(state, id, (it) => {
        if (it.briefed) return `${it.guest.name} is briefed already.`;
        return notReady(it) ?? elsewhere(state, it);
      }),
    ),
  classEnded: (state, { instructor, guests }) => {
    const running = state.classes.get(instructor);
    if (!running) return 'No class of this instructor is running.';
    return first(guests, (id) =>
      running.guests.includes(id)
        ? undefined
        : onGuest(state, id, (it) => `${it.guest.name} does not sit in this class.`),
    );
  },
  sightingBegan: (state, { vehicle, instructor, guests }, context) => {
    const known = context.schedule.index.vehicles.get(vehicle);
    if (!known) return `There is no sighting vehicle "${vehicle}" today.`;
    if (state.sightings.has(vehicle)) return `${known.name} is out already.`;
    if (guests.length > known.seats) return `${known.name} seats ${known.seats}, not ${guests.length}.`;
    return (
      crewFree(state, instructor) ??
      circuitFull(state, context) ??
      first(guests, (id) =>
        onGuest(state, id, (it) => {
          if (!it.briefed) return `${it.guest.name} is not briefed yet: class first.`;
          if (it.sighted) return `${it.guest.name} has seen the circuit already.`;
          return notReady(it) ?? elsewhere(state, it);
        }),
      )
    );
  },
  sightingEnded: (state, { vehicle }) => (state.sightings.has(vehicle) ? undefined : 'This vehicle is not out.'),

  seated: (state, { drive, car, instructor }) =>
    onDrive(state, drive, ['planned'], 'seated', (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const carState = state.cars.get(car);
      if (!carState) return `There is no car "${car}" today.`;
      if (!guest.briefed) return notReady(guest) ?? `${it.guest.name} is not briefed yet: class first.`;
      if (!guest.sighted) return `${it.guest.name} has not seen the circuit yet: sighting run first.`;
      if (carState.heldFor !== undefined) return `${carState.car.name} is held: ${carState.heldFor}.`;
      if (carState.refuelling) return `${carState.car.name} is refuelling.`;
      if (carState.drive !== undefined) {
        const other = state.drives.get(carState.drive);
        return `${carState.car.name} is taken by ${other?.guest.name ?? 'another guest'}.`;
      }
      const misfit = carMisfit(carState.car, it.drive, it.guest);
      return notReady(guest) ?? elsewhere(state, guest) ?? (misfit && `${misfit}.`) ?? crewFree(state, instructor);
    }),
  unseated: (state, { drive }) => onDrive(state, drive, ['seated'], 'taken out of the car again'),
  released: (state, { drive }, context) =>
    onDrive(state, drive, ['seated'], 'let out', (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const car = it.car === undefined ? undefined : state.cars.get(it.car);
      if (car?.heldFor !== undefined) return `${car.car.name} is held: ${car.heldFor}.`;
      return notReady(guest) ?? circuitFull(state, context);
    }),
  lapCounted: (state, { drive }) => onDrive(state, drive, ['onCircuit', 'rollingIn'], 'counted a lap'),
  lapSpoiled: (state, { drive, lap }) =>
    onDrive(state, drive, ['onCircuit', 'rollingIn', 'parked', 'done'], 'marked', (it) => {
      if (lap > it.crossings.length + 1) return `${it.guest.name} has not come to lap ${lap} yet.`;
      return it.spoiled.has(lap) ? `Lap ${lap} of ${it.guest.name} is marked already.` : undefined;
    }),
  extraLapGranted: (state, { drive }) => onDrive(state, drive, ['planned', 'seated', 'onCircuit'], 'given a lap'),
  broughtIn: (state, { drive }) => onDrive(state, drive, ['onCircuit'], 'brought in'),
  parked: (state, { drive }) => onDrive(state, drive, ['rollingIn'], 'parked'),
  debriefed: (state, { drive }) => onDrive(state, drive, ['parked'], 'debriefed'),

  carHeld: (state, { car }) => onCar(state, car, (it) => it.heldFor !== undefined, 'is held already'),
  carReady: (state, { car }) => onCar(state, car, (it) => it.heldFor === undefined, 'is not held'),
  refuelBegan: (state, { car }, { day }) => {
    const refuelling = [...state.cars.values()].filter((it) => it.refuelling).length;
    return (
      onCar(state, car, (it) => it.refuelling, 'is refuelling already') ??
      onCar(state, car, (it) => it.drive !== undefined, 'has a guest in it') ??
      (refuelling >= day.rules.refuelBays ? `All ${day.rules.refuelBays} refuel bays are taken.` : undefined)
    );
  },
  refuelEnded: (state, { car }) => onCar(state, car, (it) => !it.refuelling, 'is not refuelling'),
  fuelRead: (state, { car, litres }) =>
    onCar(state, car, (it) => litres > it.car.fuel.capacityL, `holds less than ${litres} l`),

  breakBegan: (state, { instructor }) => crewFree(state, instructor),
  crewBack: (state, { instructor }) => {
    const crew = state.crew.get(instructor);
    if (!crew) return `There is no instructor "${instructor}" today.`;
    return crew.pause === undefined ? `${crew.instructor.name} is not away.` : undefined;
  },

  guestLate: (state, { guest }) =>
    onGuest(state, guest, (it) => (it.arrivedS === undefined ? undefined : `${it.guest.name} is here already.`)),
  circuitClosed: (_state, { from, to }) => (from < to ? undefined : 'A closure begins before it ends.'),
  conditionChanged: () => undefined,
  closingMoved: (_state, { to }, { day }) => (to > day.opens ? undefined : 'The day closes after it opens.'),
  crewHours: (state, { instructor, from, to }) => {
    if (!state.crew.has(instructor)) return 'This instructor is not on the day.';
    return from < to ? undefined : 'Hours begin before they end.';
  },
  runningLate: () => undefined,

  planAccepted: () => undefined,
  noteTaken: () => undefined,
  correction: () => undefined,
};

function first(ids: readonly string[], test: (id: string) => string | undefined): string | undefined {
  for (const id of ids) {
    const reason = test(id);
    if (reason !== undefined) return reason;
  }
  return undefined;
}

function onGuest(state: DayState, id: string, test: (guest: GuestState) => string | undefined): string | undefined {
  const guest = state.guests.get(id);
  return guest ? test(guest) : `There is no guest "${id}" today.`;
}

const STAGE_WORDS: Record<DriveStage, string> = {
  planned: 'is not in the car yet',
  seated: 'sits in the car and has not been let out',
  onCircuit: 'is on the circuit',
  rollingIn: 'is rolling in',
  parked: 'has parked',
  done: 'has finished this drive',
};

function onDrive(
  state: DayState,
  id: string,
  stages: readonly DriveStage[],
  done: string,
  test: (drive: DriveState) => string | undefined = () => undefined,
): string | undefined {
  const drive = state.drives.get(id);
  if (!drive) return `There is no drive "${id}" today.`;
  if (!stages.includes(drive.stage)) return `${drive.guest.name} ${STAGE_WORDS[drive.stage]} and can't be ${done}.`;
  return test(drive);
}

function onCar(
  state: DayState,
  id: string,
  impossible: (car: NonNullable<ReturnType<DayState['cars']['get']>>) => boolean,
  words: string,
): string | undefined {
  const car = state.cars.get(id);
  if (!car) return `There is no car "${id}" today.`;
  return impossible(car) ? `${car.car.name} ${words}.` : undefined;
}

function notHere({ guest, arrivedS, gone }: GuestState): string | undefined {
  if (gone === 'left') return `${guest.name} has left.`;
  return arrivedS === undefined ? `${guest.name} has not arrived yet.` : undefined;
}

/** Here, well, and cleared at the gate. */
function notReady(guest: GuestState): string | undefined {
  const { name } = guest.guest;
  const away = notHere(guest);
  if (away) return away;
  if (guest.unwell) return `${name} is unwell.`;
  if (isCleared(guest)) return undefined;
  const missing = [!guest.waiver && 'waiver', !guest.licence && 'licence', !guest.helmet && 'helmet'].filter(Boolean);
  return `${name} is not cleared at the gate yet: ${missing.join(', ')} missing.`;
}

function inACar(state: DayState, guest: GuestState): string | undefined {
  const drive = guest.drive === undefined ? undefined : state.drives.get(guest.drive);
  return drive && drive.stage !== 'parked' ? `${guest.guest.name} is still in a car.` : undefined;
}

function elsewhere(state: DayState, guest: GuestState): string | undefined {
  if (guest.heldBy === 'class') return `${guest.guest.name} sits in a class.`;
  if (guest.heldBy === 'sighting') return `${guest.guest.name} is on a sighting run.`;
  if (guest.drive === undefined) return undefined;
  const stage = state.drives.get(guest.drive)?.stage;
  return stage === 'parked' ? `${guest.guest.name} is still in the debrief.` : `${guest.guest.name} is in another car.`;
}

function crewFree(state: DayState, id: string): string | undefined {
  const crew = state.crew.get(id);
  if (!crew) return `There is no instructor "${id}" today.`;
  if (crew.busyWith === undefined) return undefined;
  const drive = state.drives.get(crew.busyWith);
  if (!drive) return `${crew.instructor.name} is busy with a ${crew.busyWith === 'class' ? 'class' : 'sighting run'}.`;
  const doing = drive.stage === 'parked' ? 'still debriefs' : 'is with';
  return `${crew.instructor.name} ${doing} ${drive.guest.name}.`;
}

function circuitFull(state: DayState, { day }: DayContext): string | undefined {
  const closed = day.circuit.closures.find(({ from, to }) => from <= state.timeS && state.timeS < to);
  if (closed) {
    return `The circuit is closed until ${clockMinute(closed.to)}${closed.reason ? ` (${closed.reason})` : ''}.`;
  }
  const most = day.rules.maxCarsOnTrack;
  return vehiclesOnCircuit(state) >= most
    ? `${most} cars are on the circuit, and ${most} are allowed: bring one in first.`
    : undefined;
}
