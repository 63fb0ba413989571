import { fact } from '../../values';
import { progressOf } from '../state/context';
import { settleCount } from '../state/lap-count';
import { onDrive, onlyKnown } from './judging';
import { changeDrive } from './changing';
import { crossed, countUpTo, trainSeen } from './crossings';
import { NO_WORDS, type Family } from './family';
import { type lapsSchemas } from '../entries/laps';

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
