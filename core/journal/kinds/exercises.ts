import { programmeOf } from '../../programmes';
import { fact } from '../../values';
import { changeCar } from './changing';
import { changeMember, countLap, onMember } from './groups';
import { NO_WORDS, type Family } from './family';
import { type exercisesSchemas } from '../entries/exercises';

type OfGuest = { readonly group: string; readonly guest: string };
const of = ({ guest, group }: OfGuest) => ({ guest, group });

export const exercisesRules: Family<typeof exercisesSchemas> = {
  turnBegan: {
    admit: (state, entry) =>
      onMember(state, entry, (member, { group, turns, cars }) => {
        const oval = programmeOf('oval', group.programme);
        if (!oval) return fact('otherProgramme', { group: entry.group });
        if (member.out) return fact('memberOutAlready', { guest: entry.guest });
        if (turns.has(entry.guest)) return fact('onOvalAlready', { guest: entry.guest });
        if (turns.size >= oval.carsOut) return fact('full', {}, { most: oval.carsOut });
        if (!cars.includes(entry.car)) return fact('carNotInGroup', { car: entry.car, group: entry.group });
        const other = [...turns].find(([, turn]) => turn.car === entry.car)?.[0];
        if (other !== undefined) return fact('carTaken', { car: entry.car, guest: other });
        return member.radio?.works ? undefined : fact('radioNotTested', { guest: entry.guest });
      }),
    apply: (state, entry) =>
      changeMember(state, entry, (member, { turns }) => {
        member.car = entry.car;
        changeCar(state, entry.car, (car) => (car.radio = member.radio));
        member.turnEnded = undefined;
        turns.set(entry.guest, { car: entry.car, lane: entry.lane, sinceS: entry.at, step: 0, lapsAtStep: 0 });
      }),
    words: NO_WORDS,
  },
  turnLapCounted: {
    admit: (state, entry) =>
      onMember(state, entry, (_, { turns }) => (turns.has(entry.guest) ? undefined : fact('notOnOval', of(entry)))),
    apply: (state, entry) =>
      changeMember(state, entry, (member, group) => {
        const turn = group.turns.get(entry.guest);
        if (!turn) return;
        turn.lapsAtStep += 1;
        member.lapsAtStep.set(turn.step, (member.lapsAtStep.get(turn.step) ?? 0) + 1);
        countLap(state, group, turn.car);
      }),
    words: NO_WORDS,
  },
  stepSet: {
    admit: (state, entry) =>
      onMember(state, entry, (_, { group, turns }) => {
        const turn = turns.get(entry.guest);
        if (!turn) return fact('notOnOval', of(entry));
        const steps = programmeOf('oval', group.programme)?.steps.length ?? 0;
        if (entry.step >= steps || entry.step > turn.step + 1) return fact('noSuchStep', of(entry));
        const seen = entry.line && entry.smooth && entry.answers;
        // Back is always possible, up only when all three were seen.
        return entry.step > turn.step && !seen ? fact('stepNotSeen', of(entry)) : undefined;
      }),
    apply: (state, entry) =>
      changeMember(state, entry, (member, { turns }) => {
        const { step, line, smooth, answers, at } = entry;
        member.steps.push({ step, line, smooth, answers, atS: at });
        const turn = turns.get(entry.guest);
        if (turn && turn.step !== step) Object.assign(turn, { step, lapsAtStep: 0 });
      }),
    words: NO_WORDS,
  },
  turnEnded: {
    admit: (state, entry) =>
      onMember(state, entry, (_, { turns }) => (turns.has(entry.guest) ? undefined : fact('notOnOval', of(entry)))),
    apply: (state, entry) =>
      changeMember(state, entry, (member, { turns }) => {
        turns.delete(entry.guest);
        member.turnEnded = { brakes: entry.brakes, atS: entry.at };
      }),
    words: NO_WORDS,
  },
  stationRun: {
    admit: (state, entry) =>
      onMember(state, entry, (member, { group }) => {
        const programme = programmeOf('stations', group.programme);
        if (!programme) return fact('otherProgramme', { group: entry.group });
        const station = programme.stations.find(({ name }) => name === entry.station);
        if (!station) return fact('noSuchStation', { group: entry.group }, { station: entry.station });
        if (station.kind !== 'course' || member.opened.has(entry.station)) return undefined;
        const missing = programme.stations.filter(
          ({ kind, name }) => kind !== 'course' && !member.runs.some((run) => run.station === name && run.passed),
        );
        const [first] = missing;
        return first && fact('stationNotPassed', of(entry), { station: entry.station, missing: first.name });
      }),
    apply: (state, entry) =>
      changeMember(state, entry, (member) => {
        const { station, passed, spins, stops, at } = entry;
        member.runs.push({ station, passed, spins, stops, atS: at });
      }),
    words: NO_WORDS,
  },
  stationOpened: {
    admit: (state, entry) => onMember(state, entry),
    apply: (state, entry) => changeMember(state, entry, (member) => member.opened.set(entry.station, entry.reason)),
    words: { named: ['reason'] },
  },
};
