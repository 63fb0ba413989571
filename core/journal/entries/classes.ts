import * as z from 'zod';
import { fact } from '../../day';
import { elsewhere, firstReason } from '../misplaced';
import { sentFor } from '../sent-for';
import { onGuest, unknown, notReady, crewFree, circuitShut, circuitFull } from './judging';
import { changeGuest, occupy, release } from './changing';
import { subject, entryOf } from './parts';
import { always, NO_WORDS, type Family } from './family';

/** Classes, what is asked in them, and sighting runs. */
export const classesSchemas = {
  classBegan: entryOf('classBegan', { instructor: subject, guests: z.array(subject).min(1) }),
  classEnded: entryOf('classEnded', { instructor: subject, guests: z.array(subject) }),
  sightingBegan: entryOf('sightingBegan', { vehicle: subject, instructor: subject, guests: z.array(subject).min(1) }),
  sightingEnded: entryOf('sightingEnded', { vehicle: subject }),
  answersCounted: entryOf('answersCounted', {
    instructor: subject,
    question: z.string().min(1).max(200),
    /** Hands for each answer, in the order of the answers. */
    hands: z.array(z.number().int().min(0).max(200)).min(2).max(6),
    /** Place of the right answer. */
    right: z.number().int().min(0).max(5),
    /** What each answer shows to have been misunderstood, in the same order; empty where it shows nothing. */
    misread: z.array(z.string().max(200)).max(6).optional(),
  }),
  /** One of those whose hands were up for a wrong answer. */
  answerMissed: entryOf('answerMissed', {
    guest: subject,
    question: z.string().min(1).max(200),
    misread: z.string().min(1).max(200),
  }),
  /** Somebody who is missing at a class is to be found, and has been. */
  guestSentFor: entryOf('guestSentFor', { guest: subject, instructor: subject }),
  guestFound: entryOf('guestFound', { guest: subject }),
};

export const classesRules: Family<typeof classesSchemas> = {
  classBegan: {
    admit: (state, { instructor, guests }) =>
      crewFree(state, instructor) ??
      firstReason(guests, (id) =>
        onGuest(state, id, (it) => {
          if (it.briefed) return fact('briefedAlready', { guest: it.guest.id });
          return notReady(it) ?? elsewhere(state, it);
        }),
      ),
    apply: (state, { instructor, guests, at }) => {
      state.classes.set(instructor, { guests, sinceS: at });
      occupy(state, instructor, 'class');
      for (const guest of guests) changeGuest(state, guest, at, (it) => (it.heldBy = 'class'));
    },
    words: NO_WORDS,
  },
  classEnded: {
    admit: (state, { instructor, guests }) => {
      const running = state.classes.get(instructor);
      if (!running) return fact('noClassRunning', {});
      return firstReason(guests, (id) =>
        running.guests.includes(id)
          ? undefined
          : onGuest(state, id, (it) => fact('notInThisClass', { guest: it.guest.id })),
      );
    },
    apply: (state, { instructor, guests, at }) => {
      const running = state.classes.get(instructor);
      if (running) state.taught.push({ instructor, guests, sinceS: running.sinceS, endS: at });
      for (const guest of running?.guests ?? []) {
        changeGuest(state, guest, at, (it) => {
          it.heldBy = undefined;
          it.freeSinceS = at;
        });
      }
      for (const guest of guests) changeGuest(state, guest, at, (it) => (it.briefed = true));
      state.classes.delete(instructor);
      release(state, instructor, 'class');
    },
    words: NO_WORDS,
  },
  sightingBegan: {
    admit: (state, { vehicle, instructor, guests }, context) => {
      const known = context.schedule.index.vehicles.get(vehicle);
      if (!known) return unknown('vehicle', vehicle);
      const shut = circuitShut(state, context);
      if (shut) return shut;
      if (state.sightings.has(vehicle)) return fact('vehicleOut', { vehicle });
      if (guests.length > known.seats) {
        return fact('vehicleSeats', { vehicle }, { seats: known.seats, guests: guests.length });
      }
      return (
        crewFree(state, instructor) ??
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
    apply: (state, { vehicle, instructor, guests, at }) => {
      state.sightings.set(vehicle, { instructor, guests, sinceS: at, crossings: [] });
      occupy(state, instructor, vehicle);
      for (const guest of guests) changeGuest(state, guest, at, (it) => (it.heldBy = 'sighting'));
    },
    words: NO_WORDS,
  },
  sightingEnded: {
    admit: (state, { vehicle }) => (state.sightings.has(vehicle) ? undefined : fact('vehicleNotOut', {})),
    apply: (state, { vehicle, at }) => {
      const run = state.sightings.get(vehicle);
      if (!run) return;
      for (const guest of run.guests) {
        changeGuest(state, guest, at, (it) => {
          it.heldBy = undefined;
          it.sighted = true;
          it.freeSinceS = at;
        });
      }
      const { instructor, guests, sinceS, crossings } = run;
      state.shown.push({ vehicle, instructor, guests, sinceS, endS: at, crossings });
      state.sightings.delete(vehicle);
      release(state, run.instructor, vehicle);
    },
    words: NO_WORDS,
  },
  answersCounted: {
    admit: (state, { instructor, hands, right }) => {
      if (!state.crew.has(instructor)) return unknown('instructor', instructor);
      return right < hands.length ? undefined : fact('noSuchAnswer', {});
    },
    apply: ({ garage }, { instructor, question, hands, right, misread, at }) => {
      garage.answers.push({ atS: at, instructor, question, hands, right, misread: misread ?? [] });
    },
    words: { named: ['question'] },
  },
  answerMissed: {
    admit: (state, { guest }) => onGuest(state, guest, always),
    apply: (state, { guest, question, misread, at }) =>
      state.guests.get(guest)?.misread.set(question, { atS: at, words: misread }),
    words: { own: ['misread'], named: ['question'] },
  },
  // Neither is a step of the guest's day, so neither says that the guest has been seen.
  guestSentFor: {
    admit: (state, { guest, instructor }) =>
      state.crew.has(instructor)
        ? onGuest(state, guest, (it) => elsewhere(state, it))
        : unknown('instructor', instructor),
    apply: (state, { guest, instructor, at, by }) => {
      const known = state.guests.get(guest);
      if (known) known.sentFor = { atS: at, by, instructor, foundS: undefined };
    },
    words: NO_WORDS,
  },
  guestFound: {
    admit: (state, { guest }) =>
      onGuest(state, guest, (it) => (sentFor(it) ? undefined : fact('notSentFor', { guest: it.guest.id }))),
    apply: (state, { guest, at }) => {
      const known = state.guests.get(guest);
      if (known?.sentFor) known.sentFor = { ...known.sentFor, foundS: at };
    },
    words: NO_WORDS,
  },
};
