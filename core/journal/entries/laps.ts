import * as z from 'zod';
import { fact } from '../../day';
import { progressOf } from '../context';
import { settleCount } from '../lap-count';
import { onDrive, onlyKnown } from './judging';
import { changeDrive } from './changing';
import { crossed, countUpTo, trainSeen } from './crossings';
import { subject, sentence, entryOf, lapSource, lapNumber } from './parts';
import { NO_WORDS, type Family } from './family';

/** Laps, and how they were. */
export const lapsSchemas = {
  /** A tap of somebody who counts. */
  lapCounted: entryOf('lapCounted', { drive: subject, source: lapSource }),
  /** The timing loop saw a car or sighting vehicle, `ms` thousandths after `at`. */
  lineCrossed: entryOf('lineCrossed', { car: subject, ms: z.number().int().min(0).max(999) }),
  /** Somebody has decided how many crossings of the line there were. */
  lapsSettled: entryOf('lapsSettled', {
    drive: subject,
    crossings: z.number().int().min(0).max(110),
    why: sentence.optional(),
  }),
  lapSpoiled: entryOf('lapSpoiled', { drive: subject, lap: lapNumber, reason: sentence }),
  /** The instructor had to brake or steer. */
  intervened: entryOf('intervened', { drive: subject, lap: lapNumber, corner: subject.optional() }),
};

export const lapsRules: Family<typeof lapsSchemas> = {
  lapCounted: {
    admit: onlyKnown,
    apply: (state, { drive, source, at, by }, context) =>
      changeDrive(state, drive, at, (it) => crossed(context, state, it, source, at, by)),
    words: NO_WORDS,
  },
  lineCrossed: {
    admit: onlyKnown,
    apply: (state, { car, ms, at, by }, context) => {
      const atS = at + ms / 1000;
      const drive = state.drives.get(state.cars.get(car)?.drive ?? '');
      const run = state.sightings.get(car);
      const group = state.groups.get(state.cars.get(car)?.group ?? '');
      if (drive?.stage === 'onCircuit' || drive?.stage === 'rollingIn') crossed(context, state, drive, 'loop', atS, by);
      else if (run) run.crossings.push(atS);
      else if (group?.stage === 'out') trainSeen(context, group, car, atS);
      else state.strays.push({ car, atS });
    },
    words: NO_WORDS,
  },
  lapsSettled: {
    admit: onlyKnown,
    apply: (state, { drive, crossings, at, by }, context) =>
      changeDrive(state, drive, at, (it) => {
        settleCount(it.count, crossings, at, by);
        countUpTo(context, state, it, crossings, at);
      }),
    words: { named: ['why'] },
  },
  lapSpoiled: {
    admit: (state, entry, context) =>
      onDrive(state, entry, (it) => {
        if (entry.lap > progressOf(context, it).done + 1) {
          return fact('lapNotYet', { guest: it.guest.id }, { lap: entry.lap });
        }
        return it.spoiled.has(entry.lap)
          ? fact('lapMarkedAlready', { guest: it.guest.id }, { lap: entry.lap })
          : undefined;
      }),
    apply: (state, { drive, lap, reason, at }) => changeDrive(state, drive, at, (it) => it.spoiled.set(lap, reason)),
    words: { named: ['reason'] },
  },
  intervened: {
    admit: onlyKnown,
    apply: (state, { drive, lap, corner, at }) =>
      changeDrive(state, drive, at, (it) => it.interventions.push({ atS: at, lap, corner })),
    words: NO_WORDS,
  },
};
