import type { DayContext } from './context';
import type { CarState, CrewState, DayState, DriveState, GuestState } from './day-state';
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entry';
import { settle } from './settle';

/**
 * The entries that count, in the order in which things happened (ties by sequence): without corrections and what they
 * took back.
 */
export function effectiveEntries(entries: readonly RecordedEntry[]): JournalEntry[] {
  const takenBack = new Set(entries.flatMap(({ entry }) => (entry.kind === 'correction' ? [entry.corrects] : [])));
  return entries
    .filter(({ entry }) => entry.kind !== 'correction' && !takenBack.has(entry.id))
    .sort((a, b) => a.entry.at - b.entry.at || a.seq - b.seq)
    .map(({ entry }) => entry);
}

/** The state of the day at a time: what was recorded as having happened by then, and what follows from it. */
export function stateOf(context: DayContext, entries: readonly RecordedEntry[], timeS: number): DayState {
  return settle(
    context,
    replay(
      context,
      effectiveEntries(entries).filter(({ at }) => at <= timeS),
    ),
    timeS,
  );
}

/** Applies entries, in order, to the day's beginning. What depends on the time of day is left to `settle`. */
export function replay(context: DayContext, entries: Iterable<JournalEntry>): DayState {
  const state = beginning(context);
  for (const entry of entries) apply(context, state, entry);
  return state;
}

/** The day before anything has happened. */
export function beginning({ day, schedule }: DayContext): DayState {
  const drives = new Map<string, DriveState>();
  const planned = new Map(schedule.plan.drives.map((drive) => [drive.drive, drive]));
  for (const [id, { drive, guest }] of schedule.index.drives) {
    drives.set(id, {
      drive,
      guest,
      stage: 'planned',
      car: planned.get(id)?.car,
      instructor: planned.get(id)?.instructor,
      seatedS: undefined,
      releasedS: undefined,
      inS: undefined,
      parkedS: undefined,
      debriefedS: undefined,
      crossings: [],
      spoiled: new Map(),
      extraLaps: drive.extraLaps ?? 0,
    });
  }
  return {
    timeS: 0,
    guests: new Map(
      day.guests.map((guest): [string, GuestState] => [
        guest.id,
        {
          guest,
          stage: 'expected',
          arrivedS: undefined,
          waiver: false,
          licence: false,
          helmet: false,
          briefed: guest.briefed,
          sighted: guest.sighted,
          drive: undefined,
          heldBy: undefined,
          gone: undefined,
          unwell: false,
          deskDone: false,
          sinceS: undefined,
        },
      ]),
    ),
    drives,
    cars: new Map(
      day.cars.map((car): [string, CarState] => [
        car.id,
        {
          car,
          status: 'ready',
          drive: undefined,
          heldFor: undefined,
          heldSinceS: undefined,
          backAtS: undefined,
          refuelling: false,
          laps: 0,
          lapsSinceRest: 0,
          fuelL: car.fuel.startL,
          parkedS: undefined,
        },
      ]),
    ),
    crew: new Map(
      day.instructors.map((instructor): [string, CrewState] => [
        instructor.id,
        { instructor, status: 'free', busyWith: undefined, pause: undefined, laps: 0 },
      ]),
    ),
    sightings: new Map(),
    classes: new Map(),
    late: undefined,
  };
}

type Steps = { readonly [K in EntryKind]: (state: DayState, entry: EntryOf<K>, context: DayContext) => void };

/** Applies one entry. What an entry names and the day no longer knows is passed over: the journal outlives bookings. */
export function apply(context: DayContext, state: DayState, entry: JournalEntry): void {
  const step = STEPS[entry.kind] as (state: DayState, entry: JournalEntry, context: DayContext) => void;
  step(state, entry, context);
}

const STEPS: Steps = {
  guestArrived: (state, { guest, at }) =>
    onGuest(state, guest, at, (it) => {
      it.arrivedS = at;
      it.gone = undefined;
    }),
  waiverSigned: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.waiver = true)),
  licenceSeen: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.licence = true)),
  helmetFitted: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.helmet = true)),
  guestNoShow: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.gone = 'noShow')),
  guestLeft: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.gone = 'left')),
  guestUnwell: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.unwell = true)),
  guestWell: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.unwell = false)),
  deskDone: (state, { guest, at }) => onGuest(state, guest, at, (it) => (it.deskDone = true)),

  classBegan: (state, { instructor, guests, at }) => {
    state.classes.set(instructor, { guests, sinceS: at });
    occupy(state, instructor, 'class');
    for (const guest of guests) onGuest(state, guest, at, (it) => (it.heldBy = 'class'));
  },
  classEnded: (state, { instructor, guests, at }) => {
    for (const guest of state.classes.get(instructor)?.guests ?? []) {
      onGuest(state, guest, at, (it) => (it.heldBy = undefined));
    }
    for (const guest of guests) onGuest(state, guest, at, (it) => (it.briefed = true));
    state.classes.delete(instructor);
    release(state, instructor, 'class');
  },
  sightingBegan: (state, { vehicle, instructor, guests, at }) => {
    state.sightings.set(vehicle, { instructor, guests, sinceS: at });
    occupy(state, instructor, vehicle);
    for (const guest of guests) onGuest(state, guest, at, (it) => (it.heldBy = 'sighting'));
  },
  sightingEnded: (state, { vehicle, at }) => {
    const run = state.sightings.get(vehicle);
    if (!run) return;
    for (const guest of run.guests) {
      onGuest(state, guest, at, (it) => {
        it.heldBy = undefined;
        it.sighted = true;
      });
    }
    state.sightings.delete(vehicle);
    release(state, run.instructor, vehicle);
  },

  seated: (state, { drive, car, instructor, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'seated';
      it.car = car;
      it.instructor = instructor;
      it.seatedS = at;
      const carState = state.cars.get(car);
      if (carState) {
        const rested = carState.parkedS === undefined || at - carState.parkedS >= carState.car.cooling.restS;
        if (rested) carState.lapsSinceRest = 0;
        carState.drive = drive;
      }
      const guest = state.guests.get(it.guest.id);
      if (guest) guest.drive = drive;
      occupy(state, instructor, drive);
    }),
  unseated: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'planned';
      it.seatedS = undefined;
      onCar(state, it.car, (car) => (car.drive = undefined));
      const guest = state.guests.get(it.guest.id);
      if (guest) guest.drive = undefined;
      release(state, it.instructor, drive);
    }),
  released: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'onCircuit';
      it.releasedS = at;
    }),
  lapCounted: (state, { drive, source, at }) =>
    onDrive(state, drive, at, (it) => {
      it.crossings.push({ atS: at, source });
      onCar(state, it.car, (car) => {
        car.laps += 1;
        car.lapsSinceRest += 1;
        car.fuelL -= car.car.fuel.perLapL;
      });
      onCrew(state, it.instructor, (crew) => (crew.laps += 1));
    }),
  lapSpoiled: (state, { drive, lap, reason, at }) => onDrive(state, drive, at, (it) => it.spoiled.set(lap, reason)),
  extraLapGranted: (state, { drive, at }) => onDrive(state, drive, at, (it) => (it.extraLaps += 1)),
  broughtIn: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'rollingIn';
      it.inS = at;
    }),
  parked: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'parked';
      it.parkedS = at;
      onCar(state, it.car, (car) => {
        car.drive = undefined;
        car.parkedS = at;
      });
    }),
  debriefed: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'done';
      it.debriefedS = at;
      const guest = state.guests.get(it.guest.id);
      if (guest) guest.drive = undefined;
      release(state, it.instructor, drive);
    }),

  carHeld: (state, { car, reason, backAt, at }) =>
    onCar(state, car, (it) => {
      it.heldFor = reason;
      it.heldSinceS = at;
      it.backAtS = backAt;
    }),
  carReady: (state, { car }) => onCar(state, car, (it) => (it.heldFor = undefined)),
  refuelBegan: (state, { car }) => onCar(state, car, (it) => (it.refuelling = true)),
  refuelEnded: (state, { car }) =>
    onCar(state, car, (it) => {
      it.refuelling = false;
      it.fuelL = it.car.fuel.capacityL;
    }),
  fuelRead: (state, { car, litres }) => onCar(state, car, (it) => (it.fuelL = litres)),

  breakBegan: (state, { instructor, what }) => onCrew(state, instructor, (it) => (it.pause = what)),
  crewBack: (state, { instructor }) => onCrew(state, instructor, (it) => (it.pause = undefined)),

  // These change the day itself, before it is planned: see `asSituated`.
  guestLate: () => undefined,
  circuitClosed: () => undefined,
  conditionChanged: () => undefined,
  closingMoved: () => undefined,
  crewHours: () => undefined,
  runningLate: (state, { minutes, at }) => {
    state.late = { sinceS: at, byS: minutes * 60 };
  },

  planAccepted: () => undefined,
  noteTaken: () => undefined,
  correction: () => undefined,
};

function onGuest(state: DayState, id: string, atS: number, change: (guest: GuestState) => unknown): void {
  const guest = state.guests.get(id);
  if (!guest) return;
  change(guest);
  guest.sinceS = atS;
}

function onDrive(state: DayState, id: string, atS: number, change: (drive: DriveState) => unknown): void {
  const drive = state.drives.get(id);
  if (!drive) return;
  change(drive);
  const guest = state.guests.get(drive.guest.id);
  if (guest) guest.sinceS = atS;
}

function onCar(state: DayState, id: string | undefined, change: (car: CarState) => unknown): void {
  const car = id === undefined ? undefined : state.cars.get(id);
  if (car) change(car);
}

function onCrew(state: DayState, id: string | undefined, change: (crew: CrewState) => unknown): void {
  const crew = id === undefined ? undefined : state.crew.get(id);
  if (crew) change(crew);
}

function occupy(state: DayState, instructor: string, what: string): void {
  onCrew(state, instructor, (it) => {
    it.busyWith = what;
    it.pause = undefined;
  });
}

function release(state: DayState, instructor: string | undefined, what: string): void {
  onCrew(state, instructor, (it) => {
    if (it.busyWith === what) it.busyWith = undefined;
  });
}
