import { fact } from '../../values';
import { elsewhere, firstReason } from '../state/out-of-order';
import { sentFor } from '../state/sent-for';
import { onGuest, unknown, notReady, crewFree, circuitShut, circuitFull } from './judging';
import { changeGuest, occupy, release } from './changing';
import { always, NO_WORDS, type Family } from './family';
import { type classesSchemas } from '../entries/classes';

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
