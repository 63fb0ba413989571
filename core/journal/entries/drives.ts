import * as z from 'zod';
import { carMisfit, cents, fact } from '../../day';
import { moneyAmount } from '../../day/fields';
import { gearbox } from '../../day/day-file';
import { timeOfDay } from '../../day/time';
import { paceKnownOf } from '../context';
import { vehiclesOnCircuit } from '../day-state';
import { onDrive, onlyKnown, owesLaps, unknown, notReady, crewFree, circuitShut, circuitFull } from './judging';
import { changeDrive, changeCar, occupy, release, noteResolution } from './changing';
import { endAtWayIn } from './crossings';
import {
  subject,
  entryOf,
  breakOffReason,
  extraLapReason,
  lapNumber,
  marks,
  readiness,
  note,
  shareOfLap,
} from './parts';
import { NO_WORDS, type Family } from './family';

/** A drive from the seat to the debrief, and what is owed from it. */
export const drivesSchemas = {
  seated: entryOf('seated', { drive: subject, car: subject, instructor: subject }),
  unseated: entryOf('unseated', { drive: subject }),
  lastCheckDone: entryOf('lastCheckDone', {
    drive: subject,
    items: z.array(z.string().min(1).max(100)).min(1).max(20),
  }),
  released: entryOf('released', { drive: subject }),
  /** Given by the marshal, or sold for a price at the desk. */
  extraLapGranted: entryOf('extraLapGranted', { drive: subject, price: moneyAmount.optional() }),
  /** The instructor asks the marshal for one more lap; it is granted by `extraLapGranted`. */
  extraLapAsked: entryOf('extraLapAsked', { drive: subject, reason: extraLapReason }),
  extraLapRefused: entryOf('extraLapRefused', { drive: subject }),
  /**
   * The drive ends early; the laps left are owed to the guest. The car rolls in where nothing else is said; one that
   * stands is on the circuit, at its place, until somebody enters that it is in.
   */
  brokenOff: entryOf('brokenOff', {
    drive: subject,
    reason: breakOffReason,
    note: z.string().max(500).optional(),
    stands: z
      .strictObject({
        /** Clear of the road; else it stands in the way. */
        safe: z.boolean(),
        place: shareOfLap.optional(),
      })
      .optional(),
  }),
  /**
   * What a guest says of the laps owed from a drive that was broken off: not before a time, or not today; in which cars;
   * and the place that was taken for them. The last word holds.
   */
  owedAgreed: entryOf('owedAgreed', {
    drive: subject,
    notBefore: timeOfDay.optional(),
    notToday: z.boolean().optional(),
    cars: z.array(subject).min(1).max(100).optional(),
    place: z.strictObject({ release: timeOfDay, car: subject, instructor: subject }).optional(),
  }),
  /** As entered by earlier versions: laps owed from a drive that was broken off are driven in another one. */
  lapsMadeUp: entryOf('lapsMadeUp', { drive: subject, in: subject }),
  broughtIn: entryOf('broughtIn', { drive: subject }),
  parked: entryOf('parked', { drive: subject }),
  debriefed: entryOf('debriefed', { drive: subject }),
  /** What an instructor noticed; several of one drive add up. */
  driveMarked: entryOf('driveMarked', {
    drive: subject,
    marks,
    good: z.string().trim().min(1).max(100).optional(),
    ready: readiness.optional(),
    /** What the guest said of it. */
    account: note,
    favourite: subject.optional(),
    /** Gearbox as driven; `fromLap`: switched on that lap. */
    gearbox: z.strictObject({ driven: gearbox, fromLap: lapNumber.optional() }).optional(),
    note,
  }),
  /** Lines of the talk in the car that have been said, by their ids. */
  talkTicked: entryOf('talkTicked', {
    drive: subject,
    lines: z.array(z.string().min(1).max(100)).min(1).max(60),
  }),
  /** The instructor has read the card of the drive to come. */
  handoverSeen: entryOf('handoverSeen', { drive: subject }),
};

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
