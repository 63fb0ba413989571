import { carMisfit } from '../../rules';
import { cents, fact } from '../../values';
import { paceKnownOf } from '../state/context';
import { vehiclesOnCircuit } from '../state/day-state';
import { onDrive, onlyKnown, owesLaps, unknown, notReady, crewFree, circuitShut, circuitFull } from './judging';
import { changeDrive, changeCar, occupy, release, noteResolution } from './changing';
import { endAtWayIn } from './crossings';
import { NO_WORDS, type Family } from './family';
import { type drivesSchemas } from '../entries/drives';

export const drivesRules: Family<typeof drivesSchemas> = {
  seated: {
    admit: (state, entry) =>
      onDrive(state, entry, (it) => {
        const guest = state.guests.get(it.guest.id)!;
        const carState = state.cars.get(entry.car);
        if (!carState) return unknown('car', entry.car);
        const drives = it.drive.ride === undefined;
        if (drives && !guest.briefed) return notReady(guest) ?? fact('notBriefed', { guest: it.guest.id });
        if (drives && !guest.sighted) return fact('notSighted', { guest: it.guest.id });
        if (carState.heldFor !== undefined) {
          return fact('outOfService', { car: entry.car }, { reason: carState.heldFor });
        }
        if (carState.refuelling) return fact('refuelling', { car: entry.car });
        const misfit = carMisfit(carState.car, it.drive, it.guest);
        return notReady(guest) ?? (misfit && fact('misfit', {}, { misfit })) ?? crewFree(state, entry.instructor);
      }),
    apply: (state, { drive, car, instructor, at }, context) =>
      changeDrive(state, drive, at, (it) => {
        if (!it.drive.ride) it.paceKnown = paceKnownOf(context, state.drives.values(), it.guest.id);
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
    words: NO_WORDS,
  },
  unseated: {
    admit: onlyKnown,
    apply: (state, { drive, at }) =>
      changeDrive(state, drive, at, (it) => {
        it.stage = 'planned';
        it.seatedS = undefined;
        changeCar(state, it.car, (car) => (car.drive = undefined));
        const guest = state.guests.get(it.guest.id);
        if (guest) guest.drive = undefined;
        release(state, it.instructor, drive);
      }),
    words: NO_WORDS,
  },
  lastCheckDone: {
    admit: onlyKnown,
    apply: (state, { drive, items, at }) =>
      changeDrive(state, drive, at, (it) => items.forEach((item) => it.checked.add(item))),
    words: NO_WORDS,
  },
  released: {
    admit: (state, entry, context) =>
      onDrive(state, entry, (it) => {
        // A flag comes before all else that may stand against it.
        const shut = circuitShut(state, context);
        if (shut) return shut;
        const guest = state.guests.get(it.guest.id)!;
        const car = it.car === undefined ? undefined : state.cars.get(it.car);
        if (car?.heldFor !== undefined) return fact('outOfService', { car: car.car.id }, { reason: car.heldFor });
        return notReady(guest) ?? circuitFull(state, context);
      }),
    apply: (state, entry, { day }) =>
      changeDrive(state, entry.drive, entry.at, (it) => {
        it.stage = 'onCircuit';
        it.releasedS = entry.at;
        const [vehicles, most] = [vehiclesOnCircuit(state), day.rules.maxCarsOnTrack];
        if (entry.offline && vehicles > most) noteResolution(state, entry, fact('tooManyOut', {}, { vehicles, most }));
      }),
    words: NO_WORDS,
  },
  extraLapGranted: {
    admit: onlyKnown,
    apply: (state, { drive, at, price = 0 }) =>
      changeDrive(state, drive, at, (it) => {
        it.extraLaps += 1;
        it.extraLapAsked = undefined;
        const guest = state.guests.get(it.guest.id);
        if (guest) guest.sold = cents(guest.sold + price);
      }),
    words: NO_WORDS,
  },
  extraLapAsked: {
    admit: onlyKnown,
    apply: (state, { drive, reason, at, by }) =>
      changeDrive(state, drive, at, (it) => (it.extraLapAsked = { reason, atS: at, by })),
    words: NO_WORDS,
  },
  extraLapRefused: {
    admit: onlyKnown,
    apply: (state, { drive, at }) => changeDrive(state, drive, at, (it) => (it.extraLapAsked = undefined)),
    words: NO_WORDS,
  },
  brokenOff: {
    admit: onlyKnown,
    apply: (state, { drive, reason, note: words, stands, at }) =>
      changeDrive(state, drive, at, (it) => {
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
    words: { own: ['note'] },
  },
  owedAgreed: {
    admit: owesLaps,
    apply: (state, { drive, notBefore, notToday, cars, place, at }) =>
      changeDrive(state, drive, at, (it) => (it.owedWish = { notBefore, notToday, cars, place })),
    words: NO_WORDS,
  },
  lapsMadeUp: {
    admit: owesLaps,
    apply: (state, { drive, in: other, at }) => changeDrive(state, drive, at, (it) => (it.madeUpIn = other)),
    words: NO_WORDS,
  },
  broughtIn: {
    admit: onlyKnown,
    apply: (state, { drive, at }, context) =>
      changeDrive(state, drive, at, (it) => {
        endAtWayIn(context, state, it, at);
        it.stage = 'rollingIn';
        it.standing = undefined;
        it.inS = at;
      }),
    words: NO_WORDS,
  },
  parked: {
    admit: onlyKnown,
    apply: (state, { drive, at }, context) =>
      changeDrive(state, drive, at, (it) => {
        // Nobody told of the way in: the drive has ended there all the same.
        endAtWayIn(context, state, it, at);
        it.stage = 'parked';
        it.standing = undefined;
        it.inS ??= at;
        it.parkedS = at;
        changeCar(state, it.car, (car) => {
          car.drive = undefined;
          car.parkedS = at;
        });
      }),
    words: NO_WORDS,
  },
  debriefed: {
    admit: onlyKnown,
    apply: (state, { drive, at }) =>
      changeDrive(state, drive, at, (it) => {
        it.stage = 'done';
        it.debriefedS = at;
        const guest = state.guests.get(it.guest.id);
        if (guest) {
          guest.drive = undefined;
          guest.freeSinceS = at;
        }
        release(state, it.instructor, drive);
      }),
    words: NO_WORDS,
  },
  driveMarked: {
    admit: onlyKnown,
    apply: (state, { id: _, kind: __, at, drive, offline: ___, agoMs: ____, corrected: _____, ...marked }) =>
      changeDrive(state, drive, at, (it) => it.marked.push({ ...marked, atS: at })),
    words: { own: ['account', 'note'], named: ['good'] },
  },
  talkTicked: {
    admit: onlyKnown,
    apply: (state, { drive, lines, at }) =>
      changeDrive(state, drive, at, (it) => lines.forEach((line) => it.talked.add(line))),
    words: NO_WORDS,
  },
  handoverSeen: {
    admit: onlyKnown,
    apply: (state, { drive, at, by }) => changeDrive(state, drive, at, (it) => (it.handoverSeenBy = by)),
    words: NO_WORDS,
  },
};
