import { carMisfit, fact, type NamedKind } from '../day';
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
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entry';
import { lapsOwed } from './owed';
import { crewTaken, elsewhere, firstReason, misplaced } from './misplaced';
import { apply, effectiveEntries } from './reduce';
import type { GateStep, Refusal } from './refusal';

/** Whether an entry may join the journal, or why not. */
export type Admission = { readonly admitted: true } | { readonly admitted: false; readonly refusal: Refusal };

/**
 * Judges an entry at its own place in the journal: an impossible one is refused, and so is one that would make something
 * impossible that was recorded as happening after it. One that was entered without connection has happened: it joins as
 * long as the day knows what it names, and the reducer settles what does not fit.
 */
export function admit(context: DayContext, entries: readonly RecordedEntry[], entry: JournalEntry): Admission {
  const without = entry.kind === 'correction' ? entry.corrects : undefined;
  if (entry.kind === 'correction') {
    const target = entries.find((recorded) => recorded.entry.id === entry.corrects)?.entry;
    if (!target) return refused(fact('noSuchEntry', {}));
    if (target.kind === 'correction') return refused(fact('correctionStays', {}));
    if (target.kind === 'planAccepted') return refused(fact('planStays', {}));
    if (entries.some(({ entry: other }) => other.kind === 'correction' && other.corrects === entry.corrects)) {
      return refused(fact('takenBackAlready', {}));
    }
  }
  if (entry.offline && entry.kind !== 'correction') {
    const refusal = unknownNames(context, entry);
    return refusal ? refused(refusal) : { admitted: true };
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
  for (const [id, refusal] of obstacles) {
    if (known.has(id)) continue;
    const later = before.find((other) => other.id === id)!;
    return refused(fact('laterStandsOnIt', { entry: id }, { atS: later.at, refusal }));
  }
  return { admitted: true };
}

function refused(refusal: Refusal): Admission {
  return { admitted: false, refusal };
}

/** Replays entries and collects, from a place on, why those that are impossible are so. */
function refusalsFrom(context: DayContext, entries: readonly JournalEntry[], from: number): Map<string, Refusal> {
  const state = beginning(context);
  const refusals = new Map<string, Refusal>();
  entries.forEach((entry, place) => {
    state.timeS = entry.at;
    if (place >= from && !entry.offline) {
      const refusal = refusalOf(context, state, entry);
      if (refusal) refusals.set(entry.id, refusal);
    }
    apply(context, state, entry);
  });
  return refusals;
}

/** Why an entry is impossible in this state, or nothing where it may happen. */
export function refusalOf(context: DayContext, state: DayState, entry: JournalEntry): Refusal | undefined {
  const test = TESTS[entry.kind] as (state: DayState, entry: JournalEntry, context: DayContext) => Refusal | undefined;
  return test(state, entry, context) ?? misplaced(state, entry);
}

/** What an entry names that is not on the day. */
function unknownNames({ schedule: { index } }: DayContext, entry: JournalEntry): Refusal | undefined {
  if ('drive' in entry && !index.drives.has(entry.drive)) return unknown('drive', entry.drive);
  if ('guest' in entry && entry.guest !== undefined && !index.guests.has(entry.guest)) {
    return unknown('guest', entry.guest);
  }
  if ('car' in entry && !index.cars.has(entry.car) && !index.vehicles.has(entry.car)) {
    return unknown('car', entry.car);
  }
  if ('instructor' in entry && !index.instructors.has(entry.instructor)) {
    return unknown('instructor', entry.instructor);
  }
  return undefined;
}

type Tests = {
  readonly [K in EntryKind]: (state: DayState, entry: EntryOf<K>, context: DayContext) => Refusal | undefined;
};

const TESTS: Tests = {
  guestArrived: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.arrivedS !== undefined && it.gone === undefined ? fact('hereAlready', { guest: it.guest.id }) : undefined,
    ),
  waiverSigned: (state, { guest }) =>
    onGuest(
      state,
      guest,
      (it) => notHere(it) ?? (it.waiver ? fact('waiverSeenAlready', { guest: it.guest.id }) : undefined),
    ),
  licenceSeen: (state, { guest }) =>
    onGuest(
      state,
      guest,
      (it) => notHere(it) ?? (it.licence ? fact('licenceSeenAlready', { guest: it.guest.id }) : undefined),
    ),
  helmetFitted: (state, { guest }) => onGuest(state, guest, notHere),
  guestNoShow: (state, { guest }) =>
    onGuest(state, guest, (it) => (it.arrivedS !== undefined ? fact('hasArrived', { guest: it.guest.id }) : undefined)),
  guestLeft: (state, { guest }) => onGuest(state, guest, (it) => notHere(it) ?? inACar(state, it)),
  guestUnwell: (state, { guest }) => onGuest(state, guest, notHere),
  guestWell: (state, { guest }) =>
    onGuest(state, guest, (it) => (it.unwell ? undefined : fact('notUnwell', { guest: it.guest.id }))),
  deskDone: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.deskDone ? fact('finishedAlready', { guest: it.guest.id }) : (notHere(it) ?? inACar(state, it)),
    ),

  recordingMoved: (state, { guest, to }) =>
    onGuest(state, guest, (it) => {
      if (it.recording === to) return fact('recordingThereAlready', { guest: it.guest.id });
      return to === 'desk' && it.recording === undefined ? fact('recordingNotOut', {}) : notHere(it);
    }),

  classBegan: (state, { instructor, guests }) =>
    crewFree(state, instructor) ??
    firstReason(guests, (id) =>
      onGuest(state, id, (it) => {
        if (it.briefed) return fact('briefedAlready', { guest: it.guest.id });
        return notReady(it) ?? elsewhere(state, it);
      }),
    ),
  classEnded: (state, { instructor, guests }) => {
    const running = state.classes.get(instructor);
    if (!running) return fact('noClassRunning', {});
    return firstReason(guests, (id) =>
      running.guests.includes(id)
        ? undefined
        : onGuest(state, id, (it) => fact('notInThisClass', { guest: it.guest.id })),
    );
  },
  sightingBegan: (state, { vehicle, instructor, guests }, context) => {
    const known = context.schedule.index.vehicles.get(vehicle);
    if (!known) return unknown('vehicle', vehicle);
    if (state.sightings.has(vehicle)) return fact('vehicleOut', { vehicle });
    if (guests.length > known.seats) {
      return fact('vehicleSeats', { vehicle }, { seats: known.seats, guests: guests.length });
    }
    return (
      crewFree(state, instructor) ??
      circuitShut(state, context) ??
      circuitFull(state, context) ??
      firstReason(guests, (id) =>
        onGuest(state, id, (it) => {
          if (!it.briefed) return fact('notBriefed', { guest: it.guest.id });
          if (it.sighted) return fact('sightedAlready', { guest: it.guest.id });
          return notReady(it) ?? elsewhere(state, it);
        }),
      )
    );
  },
  sightingEnded: (state, { vehicle }) => (state.sightings.has(vehicle) ? undefined : fact('vehicleNotOut', {})),

  seated: (state, entry) =>
    onDrive(state, entry, (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const carState = state.cars.get(entry.car);
      if (!carState) return unknown('car', entry.car);
      if (!guest.briefed) return notReady(guest) ?? fact('notBriefed', { guest: it.guest.id });
      if (!guest.sighted) return fact('notSighted', { guest: it.guest.id });
      if (carState.heldFor !== undefined) {
        return fact('outOfService', { car: entry.car }, { reason: carState.heldFor });
      }
      if (carState.refuelling) return fact('refuelling', { car: entry.car });
      const misfit = carMisfit(carState.car, it.drive, it.guest);
      return notReady(guest) ?? (misfit && fact('misfit', {}, { misfit })) ?? crewFree(state, entry.instructor);
    }),
  unseated: onlyKnown,
  lastCheckDone: onlyKnown,
  released: (state, entry, context) =>
    onDrive(state, entry, (it) => {
      const guest = state.guests.get(it.guest.id)!;
      const car = it.car === undefined ? undefined : state.cars.get(it.car);
      if (car?.heldFor !== undefined) return fact('outOfService', { car: car.car.id }, { reason: car.heldFor });
      return notReady(guest) ?? circuitShut(state, context) ?? circuitFull(state, context);
    }),
  lapCounted: onlyKnown,
  lineCrossed: onlyKnown,
  lapsSettled: onlyKnown,
  lapSpoiled: (state, entry, context) =>
    onDrive(state, entry, (it) => {
      if (entry.lap > progressOf(context, it).done + 1) {
        return fact('lapNotYet', { guest: it.guest.id }, { lap: entry.lap });
      }
      return it.spoiled.has(entry.lap)
        ? fact('lapMarkedAlready', { guest: it.guest.id }, { lap: entry.lap })
        : undefined;
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

  carHeld: (state, { car }) =>
    onCar(state, car, (it) => it.heldFor !== undefined, fact('outOfServiceAlready', { car })),
  carReady: (state, { car }) => onCar(state, car, (it) => it.heldFor === undefined, fact('notOutOfService', { car })),
  refuelBegan: (state, { car }, { day }) => {
    const refuelling = [...state.cars.values()].filter((it) => it.refuelling).length;
    return (
      onCar(state, car, (it) => it.refuelling, fact('refuellingAlready', { car })) ??
      onCar(state, car, (it) => it.drive !== undefined, fact('guestInIt', { car })) ??
      (refuelling >= day.rules.refuelBays ? fact('bayTaken', {}, { bays: day.rules.refuelBays }) : undefined)
    );
  },
  refuelEnded: (state, { car }) => onCar(state, car, (it) => !it.refuelling, fact('notRefuelling', { car })),
  fuelRead: (state, { car, litres }) =>
    onCar(state, car, (it) => litres > it.car.fuel.capacityL, fact('tankHoldsLess', { car }, { litres })),

  breakBegan: (state, { instructor }) => crewFree(state, instructor),
  crewBack: (state, { instructor }) => {
    const crew = state.crew.get(instructor);
    if (!crew) return unknown('instructor', instructor);
    return crew.pause === undefined ? fact('notAway', { instructor }) : undefined;
  },

  guestLate: (state, { guest }) =>
    onGuest(state, guest, (it) =>
      it.arrivedS === undefined ? undefined : fact('hereAlready', { guest: it.guest.id }),
    ),
  circuitClosed: () => undefined,
  conditionChanged: () => undefined,
  closingMoved: (_state, { to }, { day }) => (to > day.opens ? undefined : fact('closesBeforeOpening', {})),
  crewHours: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
  crewAway: (state, { instructor }) => (state.crew.has(instructor) ? undefined : fact('notOnTheDay', { instructor })),
  runningLate: () => undefined,

  flagCalled: ({ flag }, entry) => {
    if (entry.flag === flag.flag) return fact('flagCalledAlready', {}, { flag: flag.flag });
    return entry.flag === 'caution' && flag.flag === 'stop' ? fact('stopStands', {}) : undefined;
  },
  flagExplained: ({ flag }) => (flag.flag === 'green' ? fact('noFlag', {}) : undefined),
  circuitCleared: (state) => {
    const { flag } = state;
    if (flag.flag !== 'stop') return fact('noStop', {});
    const inTheWay = standsInTheWay(state, 'clearing');
    if (inTheWay) return inTheWay;
    return flag.clearedBy === undefined ? undefined : fact('seenClearAlready', {}, { by: flag.clearedBy });
  },
  incident: (state, { cars }) => firstReason(cars, (id) => knownCar(state, id)),

  carStalled: (state, { car }) => knownCar(state, car),
  cardMoved: (state, { car }) => knownCar(state, car),
  carsCounted: (state, { cars }) => firstReason(cars, (id) => knownCar(state, id)),
  walkRoundDone: (state, { car }) => knownCar(state, car),
  faultFound: (state, { car }) => knownCar(state, car),
  // A fault of an earlier day is not known to this one, and can be mended on it all the same.
  faultMended: (state, { fault }) => (state.garage.mended.has(fault) ? fact('faultMendedAlready', {}) : undefined),
  serviced: (state, { car }) => knownCar(state, car),
  conesChecked: () => undefined,
  coneDoubted: () => undefined,
  answersCounted: (state, { instructor, hands, right }) => {
    if (!state.crew.has(instructor)) return unknown('instructor', instructor);
    return right < hands.length ? undefined : fact('noSuchAnswer', {});
  },

  dayClosed: (state) => {
    if (state.closed) return fact('dayClosedAlready', {}, { by: state.closed.by });
    const out = vehiclesOnCircuit(state);
    return out > 0 ? fact('stillOnCircuit', {}, { cars: out }) : undefined;
  },
  planAccepted: () => undefined,
  noteTaken: () => undefined,
  correction: () => undefined,
};

function onGuest(state: DayState, id: string, test: (guest: GuestState) => Refusal | undefined): Refusal | undefined {
  const guest = state.guests.get(id);
  return guest ? test(guest) : unknown('guest', id);
}

/** What the drive's stage forbids comes first, then the test. */
function onDrive(
  state: DayState,
  entry: JournalEntry & { readonly drive: string },
  test: (drive: DriveState) => Refusal | undefined,
): Refusal | undefined {
  const drive = state.drives.get(entry.drive);
  if (!drive) return unknown('drive', entry.drive);
  return misplaced(state, entry) ?? test(drive);
}

/** For entries about laps that are owed: there must be some. */
function owesLaps(state: DayState, entry: JournalEntry & { readonly drive: string }, context: DayContext) {
  return onDrive(state, entry, (it) =>
    lapsOwed(context, state, it) > 0 ? undefined : fact('nothingOwed', { guest: it.guest.id }),
  );
}

/** For entries on which nothing bears but that the day knows what they name, and the drive's stage. */
function onlyKnown(_state: DayState, entry: JournalEntry, context: DayContext): Refusal | undefined {
  return unknownNames(context, entry);
}

function onCar(
  state: DayState,
  id: string,
  impossible: (car: NonNullable<ReturnType<DayState['cars']['get']>>) => boolean,
  refusal: Refusal,
): Refusal | undefined {
  const car = state.cars.get(id);
  if (!car) return unknown('car', id);
  return impossible(car) ? refusal : undefined;
}

function knownCar(state: DayState, id: string): Refusal | undefined {
  return state.cars.has(id) ? undefined : unknown('car', id);
}

function unknown(kind: NamedKind, id: string): Refusal {
  return fact('unknown', { id }, { kind });
}

function notHere({ guest, arrivedS, gone }: GuestState): Refusal | undefined {
  if (gone === 'left') return fact('hasLeft', { guest: guest.id });
  return arrivedS === undefined ? fact('notArrived', { guest: guest.id }) : undefined;
}

const GATE_STEPS: readonly GateStep[] = ['waiver', 'licence', 'helmet'];

/** Here, well, and cleared at the gate. */
function notReady(guest: GuestState): Refusal | undefined {
  const of = { guest: guest.guest.id };
  const away = notHere(guest);
  if (away) return away;
  if (guest.unwell) return fact('unwell', of);
  if (isCleared(guest)) return undefined;
  return fact('notCleared', of, { missing: GATE_STEPS.filter((step) => !guest[step]) });
}

function inACar(state: DayState, guest: GuestState): Refusal | undefined {
  const drive = guest.drive === undefined ? undefined : state.drives.get(guest.drive);
  return drive && drive.stage !== 'parked' ? fact('stillInACar', { guest: guest.guest.id }) : undefined;
}

function crewFree(state: DayState, id: string): Refusal | undefined {
  return state.crew.has(id) ? crewTaken(state, id) : unknown('instructor', id);
}

/** Why nobody may be let out now, however few are on the circuit. */
export function circuitShut(state: DayState, { day }: DayContext): Refusal | undefined {
  const inTheWay = standsInTheWay(state, 'release');
  if (inTheWay) return inTheWay;
  if (state.flag.flag !== 'green') {
    return fact('flagUp', {}, { flag: state.flag.flag, sinceS: state.flag.sinceS });
  }
  const closed = day.circuit.closures.find(({ from, to }) => from <= state.timeS && state.timeS < to);
  return closed && fact('closed', {}, { untilS: closed.to, reason: closed.reason });
}

/** A car that stands in the way of the others. */
function standsInTheWay(state: DayState, of: 'release' | 'clearing'): Refusal | undefined {
  const drive = standingOnCircuit(state).find(({ standing }) => standing && !standing.safe);
  if (!drive) return undefined;
  return fact('inTheWay', { car: drive.car, guest: drive.guest.id }, { sinceS: drive.standing!.sinceS, of });
}

function circuitFull(state: DayState, { day }: DayContext): Refusal | undefined {
  const most = day.rules.maxCarsOnTrack;
  return vehiclesOnCircuit(state) >= most ? fact('full', {}, { most }) : undefined;
}
