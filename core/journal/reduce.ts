import { fact } from '../day';
import { beginning } from './beginning';
import { isSpoiled, lapEstimateOf, type DayContext } from './context';
import {
  vehiclesOnCircuit,
  type CarState,
  type CrewState,
  type DayState,
  type DriveState,
  type GuestState,
} from './day-state';
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entry';
import { GARAGE_STEPS, markFuel } from './garage';
import { agreedCrossings, markOf, report, settleCount, type LapSource } from './lap-count';
import { misplaced } from './misplaced';
import type { Settlement } from './refusal';
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

type Steps = { readonly [K in EntryKind]: (state: DayState, entry: EntryOf<K>, context: DayContext) => void };

/**
 * Applies one entry. What an entry names and the day no longer knows is passed over: the journal outlives bookings. What
 * does not fit to what happened before changes nothing and is noted, so that the person can see it.
 */
export function apply(context: DayContext, state: DayState, entry: JournalEntry): void {
  state.timeS = entry.at;
  const refusal = misplaced(state, entry);
  if (refusal) return note(state, entry, fact('keptOnly', {}, { refusal, corrected: correctedOf(entry) }));
  const step = STEPS[entry.kind] as (state: DayState, entry: JournalEntry, context: DayContext) => void;
  step(state, entry, context);
}

/** The times of an entry whose device's clock was ahead. */
function correctedOf({ at, corrected }: JournalEntry): { givenS: number; takenS: number } | undefined {
  return corrected && { givenS: corrected.from, takenS: at };
}

/** How far off a full tank and a reading in litres may be. */
const FILLED_WITHIN_L = 1;
const READ_WITHIN_L = 1.5;

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

  recordingMoved: (state, { guest, to, at }) => onGuest(state, guest, at, (it) => (it.recording = to)),

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
    state.sightings.set(vehicle, { instructor, guests, sinceS: at, crossings: [] });
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
  lastCheckDone: (state, { drive, items, at }) =>
    onDrive(state, drive, at, (it) => items.forEach((item) => it.checked.add(item))),
  released: (state, entry, { day }) =>
    onDrive(state, entry.drive, entry.at, (it) => {
      it.stage = 'onCircuit';
      it.releasedS = entry.at;
      const [vehicles, most] = [vehiclesOnCircuit(state), day.rules.maxCarsOnTrack];
      if (entry.offline && vehicles > most) note(state, entry, fact('tooManyOut', {}, { vehicles, most }));
    }),
  lapCounted: (state, { drive, source, at, by }, context) =>
    onDrive(state, drive, at, (it) => crossed(context, state, it, source, at, by)),
  lineCrossed: (state, { car, ms, at, by }, context) => {
    const atS = at + ms / 1000;
    const drive = state.drives.get(state.cars.get(car)?.drive ?? '');
    const run = state.sightings.get(car);
    if (drive?.stage === 'onCircuit' || drive?.stage === 'rollingIn') crossed(context, state, drive, 'loop', atS, by);
    else if (run) run.crossings.push(atS);
    else state.strays.push({ car, atS });
  },
  lapsSettled: (state, { drive, crossings, at, by }, context) =>
    onDrive(state, drive, at, (it) => {
      settleCount(it.count, crossings, at, by);
      countUpTo(context, state, it, crossings, at);
    }),
  lapSpoiled: (state, { drive, lap, reason, at }) => onDrive(state, drive, at, (it) => it.spoiled.set(lap, reason)),
  intervened: (state, { drive, lap, corner, at }) =>
    onDrive(state, drive, at, (it) => it.interventions.push({ atS: at, lap, corner })),
  extraLapGranted: (state, { drive, at }) => onDrive(state, drive, at, (it) => (it.extraLaps += 1)),
  brokenOff: (state, { drive, reason, note: words, stands, at }) =>
    onDrive(state, drive, at, (it) => {
      it.brokenOff = { reason, atS: at, note: words };
      if (it.stage === 'onCircuit' && stands) {
        it.stage = 'standing';
        it.standing = { safe: stands.safe, place: stands.place, sinceS: at };
      } else if (it.stage === 'seated' || it.stage === 'onCircuit') {
        it.stage = 'rollingIn';
        it.inS = at;
      }
      const guest = state.guests.get(it.guest.id);
      if (guest && reason === 'unwell') guest.unwell = true;
    }),
  owedAgreed: (state, { drive, notBefore, notToday, cars, place, at }) =>
    onDrive(state, drive, at, (it) => (it.owedWish = { notBefore, notToday, cars, place })),
  lapsMadeUp: (state, { drive, in: other, at }) => onDrive(state, drive, at, (it) => (it.madeUpIn = other)),
  broughtIn: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'rollingIn';
      it.standing = undefined;
      it.inS = at;
    }),
  parked: (state, { drive, at }) =>
    onDrive(state, drive, at, (it) => {
      it.stage = 'parked';
      it.standing = undefined;
      it.inS ??= at;
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

  driveMarked: (state, { id: _, kind: __, at, drive, offline: ___, agoMs: ____, corrected: _____, ...marked }) =>
    onDrive(state, drive, at, (it) => it.marked.push({ ...marked, atS: at })),
  handoverSeen: (state, { drive, at, by }) => onDrive(state, drive, at, (it) => (it.handoverSeenBy = by)),

  carHeld: (state, { car, reason, backAt, at }) =>
    onCar(state, car, (it) => {
      it.heldFor = reason;
      it.heldSinceS = at;
      it.backAtS = backAt;
    }),
  carReady: (state, { car }) => onCar(state, car, (it) => (it.heldFor = undefined)),
  refuelBegan: (state, { car }) => onCar(state, car, (it) => (it.refuelling = true)),
  refuelEnded: (state, { car, at }) =>
    onCar(state, car, (it) => {
      it.refuelling = false;
      it.fuelL = it.car.fuel.capacityL;
      markFuel(state, it, { atS: at, litres: it.fuelL, withinL: FILLED_WITHIN_L });
    }),
  fuelRead: (state, { car, litres, withinL, at }) =>
    onCar(state, car, (it) => {
      it.fuelL = litres;
      markFuel(state, it, { atS: at, litres, withinL: withinL ?? READ_WITHIN_L });
    }),

  breakBegan: (state, { instructor, what }) => onCrew(state, instructor, (it) => (it.pause = what)),
  crewBack: (state, { instructor }) => onCrew(state, instructor, (it) => (it.pause = undefined)),

  // These change the day itself, before it is planned: see `asSituated`.
  guestLate: () => undefined,
  circuitClosed: () => undefined,
  conditionChanged: () => undefined,
  closingMoved: () => undefined,
  crewHours: () => undefined,
  crewAway: () => undefined,
  runningLate: (state, { minutes, at }) => {
    state.late = { sinceS: at, byS: minutes * 60 };
  },

  flagCalled: (state, { flag, reason, by, at }, context) => {
    state.flag = { flag, sinceS: at, by, reason, clearedBy: undefined };
    for (const drive of state.drives.values()) if (drive.stage === 'onCircuit') spoilUnderFlag(context, state, drive);
  },
  flagExplained: (state, { reason }) => {
    state.flag = { ...state.flag, reason };
  },
  circuitCleared: (state, { by }) => {
    state.flag = { ...state.flag, clearedBy: by };
  },
  incident: (state, { id, at, by, what, cars, place, unhurt, followUp }) => {
    state.incidents.push({ id, atS: at, by, what, cars, place, unhurt, followUp });
  },

  ...GARAGE_STEPS,

  dayClosed: (state, { at, by }) => {
    state.closed = { atS: at, by };
  },
  planAccepted: () => undefined,
  noteTaken: () => undefined,
  correction: () => undefined,
};

/** A crossing of the line, by one of the two counts. */
function crossed(
  context: DayContext,
  state: DayState,
  drive: DriveState,
  source: LapSource,
  atS: number,
  by: string,
): void {
  const hindered = isSpoiled(context, drive, drive.crossings.length + 1);
  const { lapS } = lapEstimateOf(context, drive);
  report(drive.count, { atS, source, by }, { lapS, sinceS: drive.releasedS ?? atS, hindered });
  countUpTo(context, state, drive, agreedCrossings(drive.count), atS);
}

/** Brings the crossings that hold to a number, with what a lap puts on car and instructor. */
function countUpTo(context: DayContext, state: DayState, drive: DriveState, crossings: number, nowS: number): void {
  const change = crossings - drive.crossings.length;
  if (change === 0) return;
  for (let number = drive.crossings.length + 1; number <= crossings; number++) {
    const mark = markOf(drive.count, number);
    const beforeS = drive.crossings.at(-1)?.atS ?? drive.releasedS ?? -Infinity;
    const seen = mark !== undefined && mark.atS > beforeS;
    drive.crossings.push({ atS: seen ? mark.atS : nowS, source: mark?.source ?? 'hand', seen });
  }
  drive.crossings.length = crossings;
  onCar(state, drive.car, (car) => {
    car.laps += change;
    car.lapsSinceRest += change;
    car.fuelL -= change * car.car.fuel.perLapL;
  });
  onCrew(state, drive.instructor, (crew) => (crew.laps += change));
  if (change > 0 && drive.stage === 'onCircuit') spoilUnderFlag(context, state, drive);
}

/** A lap under a flag is spoiled, whoever was at fault. */
function spoilUnderFlag({ day }: DayContext, { flag }: DayState, drive: DriveState): void {
  if (flag.flag === 'green') return;
  const lap = drive.crossings.length + (day.rules.outLapCounts === false ? 0 : 1);
  const last = drive.drive.laps + drive.extraLaps;
  if (lap >= 1 && lap <= last && !drive.spoiled.has(lap)) {
    drive.spoiled.set(lap, flag.flag === 'stop' ? 'all-stop' : 'caution');
  }
}

function note(state: DayState, { id, kind, at, by }: JournalEntry, what: Settlement): void {
  state.settled.push({ id, kind, atS: at, by, what });
}

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
