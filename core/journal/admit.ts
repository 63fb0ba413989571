import { carMisfit, clockMinute } from '../day';
import {
  isCleared,
  standingOnCircuit,
  vehiclesOnCircuit,
  type DayState,
  type DriveState,
  type GuestState,
} from './day-state';
import { beginning } from './beginning';
import { progressOf, type DayContext } from './context';
import { FLAG_WORDS, type EntryKind, type EntryOf, type JournalEntry, type RecordedEntry } from './entry';
import { lapsOwed } from './owed';
import { crewTaken, elsewhere, firstReason, misplaced } from './misplaced';
import { apply, effectiveEntries } from './reduce';

/** Whether an entry may join the journal; a refusal is one sentence that says what to do instead. */
export type Admission = { readonly admitted: true } | { readonly admitted: false; readonly reason: string };

/**
 * Judges an entry at its own place in the journal: an impossible one is refused, and so is one that would make something
 * impossible that was recorded as happening after it. One that was entered without connection has happened: it joins as
 * long as the day knows what it names, and the reducer settles what does not fit.
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
  if (entry.offline && entry.kind !== 'correction') {
    const reason = unknownNames(context, entry);
    return reason === undefined ? { admitted: true } : refused(reason);
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
    state.timeS = entry.at;
    if (place >= from && !entry.offline) {
      const reason = refusalOf(context, state, entry);
      if (reason !== undefined) refusals.set(entry.id, reason);
    }
    apply(context, state, entry);
  });
  return refusals;
}

/** Why an entry is impossible in this state, or nothing where it may happen. */
export function refusalOf(context: DayContext, state: DayState, entry: JournalEntry): string | undefined {
  const test = TESTS[entry.kind] as (state: DayState, entry: JournalEntry, context: DayContext) => string | undefined;
  return test(state, entry, context) ?? misplaced(state, entry);
}

/** What an entry names that is not on the day. */
function unknownNames({ schedule: { index } }: DayContext, entry: JournalEntry): string | undefined {
  if ('drive' in entry && !index.drives.has(entry.drive)) return `There is no drive "${entry.drive}" today.`;
  if ('guest' in entry && entry.guest !== undefined && !index.guests.has(entry.guest)) {
    return `There is no guest "${entry.guest}" today.`;
  }
  if ('car' in entry && !index.cars.has(entry.car) && !index.vehicles.has(entry.car)) {
    return `There is no car "${entry.car}" today.`;
  }
  if ('instructor' in entry && !index.instructors.has(entry.instructor)) {
    return `There is no instructor "${entry.instructor}" today.`;
  }
  return undefined;
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

  recordingMoved: (state, { guest, to }) =>
    onGuest(state, guest, (it) => {
      if (it.recording === to) return `The recording of ${it.guest.name} is there already.`;
      return to === 'desk' && it.recording === undefined ? 'This recording was never handed out.' : notHere(it);
    }),

  classBegan: (state, { instructor, guests }) =>
    crewFree(state, instructor) ??
    firstReason(guests, (id) =>
      onGuest(state, id, (it) => {
        if (it.briefed) return `${it.guest.name} is briefed already.`;
        return notReady(it) ?? elsewhere(state, it);
      }),
    ),
  classEnded: (state, { instructor, guests }) => {
    const running = state.classes.get(instructor);
    if (!running) return 'No class of this instructor is running.';
    return firstReason(guests, (id) =>
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
      circuitShut(state, context) ??
      circuitFull(state, context) ??
      firstReason(guests, (id) =>
        onGuest(state, id, (it) => {
          if (!it.briefed) return `${it.guest.name} is not briefed yet: class first.`;
          if (it.sighted) return `${it.guest.name} has seen the circuit already.`;
          return notReady(it) ?? elsewhere(state, it);
        }),
      )
    );
  },
  sightingEnded: (state, { vehicle }) => (state.sightings.has(vehicle) ? undefined : 'This vehicle is not out.'),

  seated: (state, entry) =>
    onDrive(state, entry, (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const carState = state.cars.get(entry.car);
      if (!carState) return `There is no car "${entry.car}" today.`;
      if (!guest.briefed) return notReady(guest) ?? `${it.guest.name} is not briefed yet: class first.`;
      if (!guest.sighted) return `${it.guest.name} has not seen the circuit yet: sighting run first.`;
      if (carState.heldFor !== undefined) return `${carState.car.name} is held: ${carState.heldFor}.`;
      if (carState.refuelling) return `${carState.car.name} is refuelling.`;
      const misfit = carMisfit(carState.car, it.drive, it.guest);
      return notReady(guest) ?? (misfit && `${misfit}.`) ?? crewFree(state, entry.instructor);
    }),
  unseated: onlyKnown,
  lastCheckDone: onlyKnown,
  released: (state, entry, context) =>
    onDrive(state, entry, (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const car = it.car === undefined ? undefined : state.cars.get(it.car);
      if (car?.heldFor !== undefined) return `${car.car.name} is held: ${car.heldFor}.`;
      return notReady(guest) ?? circuitShut(state, context) ?? circuitFull(state, context);
    }),
  lapCounted: onlyKnown,
  lineCrossed: onlyKnown,
  lapsSettled: onlyKnown,
  lapSpoiled: (state, entry, context) =>
    onDrive(state, entry, (it) => {
      if (entry.lap > progressOf(context, it).done + 1) {
        return `${it.guest.name} has not come to lap ${entry.lap} yet.`;
      }
      return it.spoiled.has(entry.lap) ? `Lap ${entry.lap} of ${it.guest.name} is marked already.` : undefined;
    }),
  intervened: onlyKnown,
  extraLapGranted: onlyKnown,
  brokenOff: onlyKnown,
  owedAgreed: owesLaps,
  lapsMadeUp: owesLaps,
  broughtIn: onlyKnown,
  parked: onlyKnown,
  debriefed: onlyKnown,
  driveMarked: onlyKnown,
  handoverSeen: onlyKnown,

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
  circuitClosed: () => undefined,
  conditionChanged: () => undefined,
  closingMoved: (_state, { to }, { day }) => (to > day.opens ? undefined : 'The day closes after it opens.'),
  crewHours: (state, { instructor }) => (state.crew.has(instructor) ? undefined : 'This instructor is not on the day.'),
  crewAway: (state, { instructor }) => (state.crew.has(instructor) ? undefined : 'This instructor is not on the day.'),
  runningLate: () => undefined,

  flagCalled: ({ flag }, entry) => {
    if (entry.flag === flag.flag) return `${FLAG_WORDS[flag.flag]} is called already.`;
    return entry.flag === 'caution' && flag.flag === 'stop'
      ? 'All-stop stands: see that the circuit is clear.'
      : undefined;
  },
  flagExplained: ({ flag }) => (flag.flag === 'green' ? 'No flag is called that could be explained.' : undefined),
  circuitCleared: (state) => {
    const { flag } = state;
    if (flag.flag !== 'stop') return 'No all-stop is called.';
    const inTheWay = standsInTheWay(state);
    if (inTheWay) return `${inTheWay} Enter that it is in, then clear the circuit.`;
    return flag.clearedBy === undefined ? undefined : `${flag.clearedBy} has seen the circuit clear already.`;
  },
  incident: (state, { cars }) => firstReason(cars, (id) => onCar(state, id, () => false, '')),

  carStalled: (state, { car }) => onCar(state, car, () => false, ''),
  cardMoved: (state, { car }) => onCar(state, car, () => false, ''),
  carsCounted: (state, { cars }) => firstReason(cars, (id) => onCar(state, id, () => false, '')),
  walkRoundDone: (state, { car }) => onCar(state, car, () => false, ''),
  faultFound: (state, { car }) => onCar(state, car, () => false, ''),
  // A fault of an earlier day is not known to this one, and can be mended on it all the same.
  faultMended: (state, { fault }) => (state.garage.mended.has(fault) ? 'This fault is mended already.' : undefined),
  serviced: (state, { car }) => onCar(state, car, () => false, ''),
  conesChecked: () => undefined,
  coneDoubted: () => undefined,
  answersCounted: (state, { instructor, hands, right }) => {
    if (!state.crew.has(instructor)) return `There is no instructor "${instructor}" today.`;
    return right < hands.length ? undefined : 'The right answer is none of those that were counted.';
  },

  dayClosed: (state) => {
    if (state.closed) return `${state.closed.by} has closed the day already.`;
    const out = vehiclesOnCircuit(state);
    return out > 0 ? `${out === 1 ? 'One car is' : `${out} cars are`} still on the circuit.` : undefined;
  },
  planAccepted: () => undefined,
  noteTaken: () => undefined,
  correction: () => undefined,
};

function onGuest(state: DayState, id: string, test: (guest: GuestState) => string | undefined): string | undefined {
  const guest = state.guests.get(id);
  return guest ? test(guest) : `There is no guest "${id}" today.`;
}

/** What the drive's stage forbids comes first, then the test. */
function onDrive(
  state: DayState,
  entry: JournalEntry & { readonly drive: string },
  test: (drive: DriveState) => string | undefined,
): string | undefined {
  const drive = state.drives.get(entry.drive);
  if (!drive) return `There is no drive "${entry.drive}" today.`;
  return misplaced(state, entry) ?? test(drive);
}

/** For entries about laps that are owed: there must be some. */
function owesLaps(state: DayState, entry: JournalEntry & { readonly drive: string }, context: DayContext) {
  return onDrive(state, entry, (it) =>
    lapsOwed(context, state, it) > 0 ? undefined : `No laps are owed to ${it.guest.name} from this drive.`,
  );
}

/** For entries on which nothing bears but that the day knows what they name, and the drive's stage. */
function onlyKnown(_state: DayState, entry: JournalEntry, context: DayContext): string | undefined {
  return unknownNames(context, entry);
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

function crewFree(state: DayState, id: string): string | undefined {
  return state.crew.has(id) ? crewTaken(state, id) : `There is no instructor "${id}" today.`;
}

/** Why nobody may be let out now, however few are on the circuit. */
export function circuitShut(state: DayState, { day }: DayContext): string | undefined {
  const inTheWay = standsInTheWay(state);
  if (inTheWay) return `${inTheWay} Nobody is let out.`;
  if (state.flag.flag !== 'green') {
    return `${FLAG_WORDS[state.flag.flag]} since ${clockMinute(state.flag.sinceS)}: nobody is let out.`;
  }
  const closed = day.circuit.closures.find(({ from, to }) => from <= state.timeS && state.timeS < to);
  return (
    closed && `The circuit is closed until ${clockMinute(closed.to)}${closed.reason ? ` (${closed.reason})` : ''}.`
  );
}

/** A car that stands in the way of the others, in words. */
function standsInTheWay(state: DayState): string | undefined {
  const drive = standingOnCircuit(state).find(({ standing }) => standing && !standing.safe);
  const car = drive && state.cars.get(drive.car ?? '')?.car.name;
  return (
    drive &&
    `${car ?? 'A car'} with ${drive.guest.name} stands in the way since ${clockMinute(drive.standing!.sinceS)}.`
  );
}

function circuitFull(state: DayState, { day }: DayContext): string | undefined {
  const most = day.rules.maxCarsOnTrack;
  return vehiclesOnCircuit(state) >= most
    ? `${most} cars are on the circuit, and ${most} are allowed: bring one in first.`
    : undefined;
}
