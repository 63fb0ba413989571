import { CIRCUIT, type GroupRole, traitsOf, vehiclesOf } from '../../programmes';
import { fact } from '../../values';
import { vehiclesOnCircuit, type DayState } from '../state/day-state';
import type { GroupState, MemberState } from '../state/group-state';
import { crewTaken, elsewhere, firstReason, outOfOrder } from '../state/out-of-order';
import type { JournalEntry } from '../entries/entry';
import type { Refusal } from '../state/refusal';
import { changeCar, changeGuest, occupy, release } from './changing';
import { circuitShut, notReady, onCar, onGuest, unknown } from './judging';
import { NO_WORDS, type Family } from './family';
import { type groupsSchemas } from '../entries/groups';

/** What the group's stage forbids comes first, then the test. */
function onGroup(
  state: DayState,
  entry: JournalEntry & { readonly group: string },
  test: (group: GroupState) => Refusal | undefined = () => undefined,
): Refusal | undefined {
  const group = state.groups.get(entry.group);
  if (!group) return unknown('group', entry.group);
  return outOfOrder(state, entry) ?? test(group);
}

export function onMember(
  state: DayState,
  entry: JournalEntry & { readonly group: string; readonly guest: string },
  test: (member: MemberState, group: GroupState) => Refusal | undefined = () => undefined,
): Refusal | undefined {
  return onGroup(state, entry, (group) => {
    const member = group.members.get(entry.guest);
    return member ? test(member, group) : fact('notInGroup', { guest: entry.guest, group: entry.group });
  });
}

function changeGroup(state: DayState, id: string, change: (group: GroupState) => void): void {
  const group = state.groups.get(id);
  if (group) change(group);
}

export function changeMember(
  state: DayState,
  { group, guest, at }: { readonly group: string; readonly guest: string; readonly at: number },
  change: (member: MemberState, group: GroupState) => void,
): void {
  const member = state.groups.get(group)?.members.get(guest);
  if (!member) return;
  change(member, state.groups.get(group)!);
  changeGuest(state, guest, at, () => undefined);
}

export const groupsRules: Family<typeof groupsSchemas> = {
  groupBegan: {
    admit: (state, entry) =>
      onGroup(state, entry, ({ group }) => {
        const people = firstReason(entry.guests, (id) =>
          onGuest(state, id, (it) => {
            if (!group.members.includes(id)) return fact('notInGroup', { guest: id, group: group.id });
            if (group.needsBriefing && !it.briefed) return fact('notBriefed', { guest: id });
            return notReady(it) ?? elsewhere(state, it);
          }),
        );
        const cars = firstReason([...entry.cars, ...(entry.leadCar === undefined ? [] : [entry.leadCar])], (id) =>
          mayTake(state, id),
        );
        const crew = firstReason(
          entry.crew.map(({ instructor }) => instructor),
          (id) => (state.crew.has(id) ? crewTaken(state, id) : unknown('instructor', id)),
        );
        return people ?? cars ?? crew;
      }),
    apply: (state, { group: id, guests, cars, leadCar, crew, at }) =>
      changeGroup(state, id, (group) => {
        const ownCars = traitsOf(group.group).ownCars;
        Object.assign(group, {
          stage: 'gathered',
          cars,
          leadCar,
          crew,
          beganS: at,
          start: guests,
          order: ownCars ? guests : [],
        });
        for (const [place, guest] of guests.entries()) {
          const member = group.members.get(guest);
          if (member && ownCars) member.car = cars[place];
          changeGuest(state, guest, at, (it) => (it.heldBy = 'group'));
        }
        for (const car of carsTaken(group)) changeCar(state, car, (it) => (it.group = id));
        for (const { instructor } of crew) occupy(state, instructor, id);
      }),
    words: NO_WORDS,
  },
  groupReleased: {
    admit: (state, entry, context) =>
      onGroup(state, entry, ({ group }) => {
        if (group.surface !== CIRCUIT) return undefined;
        const most = context.day.rules.maxCarsOnTrack;
        const full = vehiclesOnCircuit(state) + vehiclesOf(group) > most ? fact('full', {}, { most }) : undefined;
        return circuitShut(state, context) ?? full;
      }),
    apply: (state, { group, at }) =>
      changeGroup(state, group, (it) => Object.assign(it, { stage: 'out', releasedS: at })),
    words: NO_WORDS,
  },
  groupLapCounted: {
    admit: (state, entry) => onGroup(state, entry),
    apply: (state, { group, at }) =>
      changeGroup(state, group, (it) => {
        it.laps.push({ atS: at, order: it.order });
        for (const car of carsTaken(it)) countLap(state, it, car);
      }),
    words: NO_WORDS,
  },
  groupOrdered: {
    admit: (state, entry) =>
      onGroup(state, entry, ({ members }) => {
        const stranger = entry.order.find((guest) => !members.has(guest));
        return stranger === undefined ? undefined : fact('notInGroup', { guest: stranger, group: entry.group });
      }),
    apply: (state, { group, order }) => changeGroup(state, group, (it) => (it.order = order)),
    words: NO_WORDS,
  },
  memberOut: {
    admit: (state, entry) =>
      onMember(state, entry, (it) => (it.out ? fact('memberOutAlready', { guest: entry.guest }) : undefined)),
    apply: (state, entry) =>
      changeMember(state, entry, (it, group) => {
        it.out = { why: entry.why, sinceS: entry.at };
        group.order = group.order.filter((guest) => guest !== entry.guest);
        group.turns.delete(entry.guest);
        if (entry.why !== 'leaves') return;
        letGo(state, entry.guest, entry.at);
        if (traitsOf(group.group).ownCars) freeCar(state, it.car, group.group.id, entry.at);
      }),
    words: NO_WORDS,
  },
  memberBack: {
    admit: (state, entry) =>
      onMember(state, entry, (it) => {
        if (!it.out) return fact('memberNotOut', { guest: entry.guest });
        return it.out.why === 'leaves' ? fact('memberHasLeft', { guest: entry.guest }) : undefined;
      }),
    // Whoever comes back comes back at the tail.
    apply: (state, entry) =>
      changeMember(state, entry, (it, group) => {
        it.out = undefined;
        if (traitsOf(group.group).ownCars) group.order = [...group.order, entry.guest];
      }),
    words: NO_WORDS,
  },
  radioTested: {
    admit: (state, entry) => onMember(state, entry),
    apply: (state, entry) => radioHeard(state, entry, entry.answered),
    words: NO_WORDS,
  },
  radioLost: {
    admit: (state, entry) => onMember(state, entry),
    apply: (state, entry) => radioHeard(state, entry, false),
    words: NO_WORDS,
  },
  spacingCalled: {
    admit: (state, entry) =>
      onMember(state, entry, (it) => (it.out ? fact('memberOutAlready', { guest: entry.guest }) : undefined)),
    apply: (state, entry) => changeMember(state, entry, (it) => it.spacing.push(entry.say)),
    words: NO_WORDS,
  },
  groupStopped: {
    admit: (state, entry) =>
      onGroup(state, entry, ({ stopped }) => (stopped ? fact('groupStands', { group: entry.group }) : undefined)),
    apply: (state, { group, reason, at, by }) =>
      changeGroup(state, group, (it) => (it.stopped = { reason, sinceS: at, by })),
    words: { named: ['reason'] },
  },
  groupGoes: {
    admit: (state, entry) =>
      onGroup(state, entry, ({ stopped }) => (stopped ? undefined : fact('groupRuns', { group: entry.group }))),
    apply: (state, { group }) => changeGroup(state, group, (it) => (it.stopped = undefined)),
    words: NO_WORDS,
  },
  memberMarked: {
    admit: (state, entry) => onMember(state, entry),
    apply: (state, entry) =>
      changeMember(state, entry, (it) => {
        const { marks, good, note: noted, by, at } = entry;
        it.marked.push({ marks, good, note: noted, by, atS: at });
      }),
    words: { own: ['note'], named: ['good'] },
  },
  groupEnded: {
    admit: (state, entry) => onGroup(state, entry),
    apply: (state, { group: id, at }) =>
      changeGroup(state, id, (group) => {
        Object.assign(group, { stage: 'over', endedS: at, stopped: undefined });
        group.turns.clear();
        for (const guest of group.members.keys()) letGo(state, guest, at);
        for (const car of carsTaken(group)) freeCar(state, car, id, at);
        for (const { instructor } of group.crew) release(state, instructor, id);
      }),
    words: NO_WORDS,
  },
};

/** A test is the guest's, and of the set in the car in which the guest sits. */
function radioHeard(state: DayState, entry: Parameters<typeof changeMember>[1], works: boolean): void {
  changeMember(state, entry, (it) => {
    it.radio = { works, atS: entry.at };
    changeCar(state, it.car, (car) => (car.radio = it.radio));
  });
}

function letGo(state: DayState, guest: string, atS: number): void {
  if (state.guests.get(guest)?.heldBy !== 'group') return;
  changeGuest(state, guest, atS, (it) => {
    it.heldBy = undefined;
    it.freeSinceS = atS;
  });
}

function freeCar(state: DayState, car: string | undefined, group: string, atS: number): void {
  changeCar(state, car, (it) => {
    if (it.group !== group) return;
    it.group = undefined;
    it.parkedS = atS;
  });
}

/** A car that stands ready in its stall. */
function mayTake(state: DayState, id: string): Refusal | undefined {
  const car = state.cars.get(id);
  if (!car) return unknown('car', id);
  if (car.heldFor !== undefined) return fact('outOfService', { car: id }, { reason: car.heldFor });
  return (
    onCar(
      state,
      id,
      ({ drive, group }) => drive !== undefined || group !== undefined,
      fact('guestInIt', { car: id }),
    ) ?? onCar(state, id, ({ refuelling }) => refuelling, fact('refuelling', { car: id }))
  );
}

/** Every car that a group has, with leader's and staff's. */
export function carsTaken({ group, cars, leadCar }: GroupState): readonly string[] {
  return [...cars, ...(leadCar === undefined ? [] : [leadCar]), ...(group.staffCars ?? [])];
}

export function countLap(state: DayState, group: GroupState, car: string): void {
  group.carLaps.set(car, (group.carLaps.get(car) ?? 0) + 1);
  changeCar(state, car, (it) => {
    it.laps += 1;
    it.lapsSinceRest += 1;
  });
}

/** Who does something for a group. */
export function crewIn({ crew }: Pick<GroupState, 'crew'>, role: GroupRole): readonly string[] {
  return crew.filter((one) => one.role === role).map(({ instructor }) => instructor);
}
