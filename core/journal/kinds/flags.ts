import { fact } from '../../values';
import { firstReason } from '../state/out-of-order';
import { knownCar, standsInTheWay } from './judging';
import { spoilUnderFlag } from './crossings';
import { NO_WORDS, type Family } from './family';
import { type flagsSchemas } from '../entries/flags';

export const flagsRules: Family<typeof flagsSchemas> = {
  flagCalled: {
    admit: ({ flag }, entry) => {
      if (entry.flag === flag.flag) return fact('flagCalledAlready', {}, { flag: flag.flag });
      return entry.flag === 'caution' && flag.flag === 'stop' ? fact('stopStands', {}) : undefined;
    },
    apply: (state, { id, flag, reason, by, at }, context) => {
      state.flag = { id, flag, sinceS: at, by, reason, clearedBy: undefined };
      for (const drive of state.drives.values()) if (drive.stage === 'onCircuit') spoilUnderFlag(context, state, drive);
    },
    words: { named: ['reason'] },
  },
  flagExplained: {
    admit: ({ flag }) => (flag.flag === 'green' ? fact('noFlag', {}) : undefined),
    apply: (state, { reason }) => {
      state.flag = { ...state.flag, reason };
    },
    words: { named: ['reason'] },
  },
  circuitCleared: {
    admit: (state) => {
      const { flag } = state;
      if (flag.flag !== 'stop') return fact('noStop', {});
      const inTheWay = standsInTheWay(state, 'clearing');
      if (inTheWay) return inTheWay;
      return flag.clearedBy === undefined ? undefined : fact('seenClearAlready', {}, { by: flag.clearedBy });
    },
    apply: (state, { by }) => {
      state.flag = { ...state.flag, clearedBy: by };
    },
    words: NO_WORDS,
  },
  incident: {
    admit: (state, { cars }) => firstReason(cars, (id) => knownCar(state, id)),
    apply: (state, { id, at, by, what, cars, place, unhurt, followUp }) => {
      state.incidents.push({ id, atS: at, by, what, cars, place, unhurt, followUp });
    },
    words: { named: ['what', 'followUp'] },
  },
};
