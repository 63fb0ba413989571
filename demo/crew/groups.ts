import { crewOf, slowestLapS, type GroupOccupancy } from '@core/day';
import { crewIn, type GroupState, type MemberState } from '@core/journal';
import {
  type FollowProgramme,
  type LowGripProgramme,
  roundsOf,
  stationS,
  teamsOf,
  type ThrottleProgramme,
  trainNow,
  traitsOf,
} from '@core/programmes';
import { GROUP_LAP_SD, PARK_S, RADIO_S, STATION_PASSED } from './chance';
import { gathered } from './order';
import type { Deed, DeedFields, Scene } from './scene';

/** Groups are gathered, tested, let out, led lap by lap or from station to station, and brought in. */
export function* withGroups(scene: Scene): Iterable<Deed> {
  const { state } = scene;
  for (const activity of scene.turns()) if (activity.kind === 'group') yield* gathers(scene, activity);
  for (const group of state.groups.values()) {
    if (group.stage === 'gathered') yield* tests(scene, group);
    if (group.stage === 'out') yield* runs(scene, group);
  }
}

function* gathers(scene: Scene, activity: GroupOccupancy): Iterable<Deed> {
  const { state, ripe, between } = scene;
  const { group, planned } = activity;
  if (!group) return;
  const guests = gathered(scene, activity, (id) => !group.needsBriefing || state.guests.get(id)?.briefed === true);
  const inOrder = group.members.filter((id) => guests.includes(id));
  const cars = [...activity.cars].map(({ id }) => id);
  const free =
    cars.every((id) => {
      const car = state.cars.get(id);
      return car && car.drive === undefined && car.group === undefined && !car.heldFor && !car.refuelling;
    }) && crewOf(activity).every(({ id }) => state.crew.get(id)?.busyWith === undefined);
  if (!ripe(`group ${group.id}`, inOrder.length > 0 && free, between(`group ${group.id}`, PARK_S))) return;
  const { ownCars } = traitsOf(group);
  const own = ownCars ? inOrder.map((id) => planned.cars[group.members.indexOf(id)]!) : planned.cars;
  const { leadCar } = planned;
  yield {
    by: activity.instructor?.name ?? 'Instructor',
    fields: {
      ...{ kind: 'groupBegan', group: group.id, guests: inOrder, cars: [...own], crew: [...planned.crew] },
      ...(leadCar !== undefined && { leadCar }),
    },
  };
}

function nameOf({ state }: Scene, group: GroupState): string {
  const [who] = [
    ...crewIn(group, 'lead'),
    ...crewIn(group, 'spotter'),
    ...group.crew.map(({ instructor }) => instructor),
  ];
  return state.crew.get(who ?? '')?.instructor.name ?? 'Instructor';
}

/** Those who sit in the cars or stand by. */
function there({ state }: Scene, group: GroupState): MemberState[] {
  return [...group.members.values()].filter(({ guest }) => state.guests.get(guest)?.heldBy === 'group');
}

function* tests(scene: Scene, group: GroupState): Iterable<Deed> {
  const { context, nowS, ripe, between } = scene;
  const { id } = group.group;
  const by = nameOf(scene, group);
  const people = there(scene, group);
  for (const { guest, radio } of people) {
    const key = `radio ${id} ${guest}`;
    if (!radio?.works && ripe(key, true, between(key, RADIO_S))) {
      yield { by, fields: { kind: 'radioTested', group: id, guest, answered: true } };
    }
  }
  const releaseS = context.schedule.groups.find(({ planned }) => planned.group === id)?.releaseS ?? nowS;
  const ready = people.every(({ radio }) => radio?.works) && nowS >= releaseS;
  if (ripe(`out ${id}`, ready, 5)) yield { by, fields: { kind: 'groupReleased', group: id } };
}

function* runs(scene: Scene, group: GroupState): Iterable<Deed> {
  const by = nameOf(scene, group);
  const { programme } = group.group;
  for (const fields of deedsOf()) yield { by, fields };

  function deedsOf(): Iterable<DeedFields> {
    switch (programme.kind) {
      case 'follow':
        return leads(scene, group, programme);
      case 'throttle':
        return spots(scene, group, programme);
      case 'lowGrip':
        return watches(scene, group, programme);
    }
  }
}

/** The leader counts each lap and has the places changed as the table says. */
function* leads(scene: Scene, group: GroupState, programme: FollowProgramme): Iterable<DeedFields> {
  const { context, nowS, normal, ripe } = scene;
  const { id } = group.group;
  const known = { start: group.start, order: group.order, done: group.laps.map(({ order }) => order) };
  const { phase, next } = trainNow(programme, known);
  if (phase === 'over') {
    if (ripe(`in ${id}`, true, PARK_S[1])) yield { kind: 'groupEnded', group: id };
    return;
  }
  const outS = group.releasedS ?? nowS;
  const paceS = slowestLapS(context.day, context.schedule.index, group.group, outS);
  const gentle = phase === 'laps' ? 1 : programme.gentleFactor;
  const changes = next?.inLaps === 0;
  const noise = 1 + GROUP_LAP_SD * normal(`lap ${id} ${group.laps.length}`);
  const lapS = paceS * gentle * noise + (changes ? programme.change.takesS : 0);
  if (nowS < (group.laps.at(-1)?.atS ?? outS) + lapS) return;
  yield { kind: 'groupLapCounted', group: id };
  if (changes && next) yield { kind: 'groupOrdered', group: id, order: [...next.order] };
}

/** The spotter lets one after the other off, up a step whenever its laps are done, and in again. */
function* spots(scene: Scene, group: GroupState, programme: ThrottleProgramme): Iterable<DeedFields> {
  const { nowS, ripe } = scene;
  const { id } = group.group;
  const people = there(scene, group);
  for (const [guest, turn] of group.turns) {
    const step = programme.steps[turn.step]!;
    const last = turn.step === programme.steps.length - 1;
    const of = { group: id, guest } as const;
    if (turn.lapsAtStep < step.laps) {
      const key = `lap ${id} ${guest} ${turn.step} ${turn.lapsAtStep}`;
      if (ripe(key, true, step.lapS)) yield { kind: 'turnLapCounted', ...of };
    } else if (!last) {
      yield { kind: 'stepSet', ...of, step: turn.step + 1, line: true, smooth: true, answers: true };
    } else if (ripe(`in ${id} ${guest}`, true, programme.finishS)) yield { kind: 'turnEnded', ...of, brakes: true };
  }
  const waiting = people.find(({ guest, turnEnded, out }) => !turnEnded && !out && !group.turns.has(guest));
  const taken = new Set([...group.turns.values()].map(({ car }) => car));
  const car = group.cars.find((one) => !taken.has(one));
  if (waiting && car && group.turns.size < programme.carsOut) {
    const { guest } = waiting;
    if (ripe(`off ${id} ${guest}`, true, programme.startS)) yield { kind: 'turnBegan', group: id, guest, car };
  }
  const done = people.every(({ turnEnded, out }) => turnEnded || out) && group.turns.size === 0;
  if (ripe(`end ${id}`, done && nowS > 0, PARK_S[1])) yield { kind: 'groupEnded', group: id };
}

/** Every run at a station is counted when it is over; whoever is at the full course has passed the rest. */
function* watches(scene: Scene, group: GroupState, programme: LowGripProgramme): Iterable<DeedFields> {
  const { nowS, draw, ripe } = scene;
  const { id, members } = group.group;
  const { leadLaps, leadLapS, stations, teams, runsEach, walkS } = programme;
  const rounds = roundsOf(teams, stations);
  const eachS = stationS(programme, members.length, Math.max(1, group.cars.length), 1);
  const startS = (group.releasedS ?? nowS) + leadLaps * leadLapS;
  const split = teamsOf(members.length, teams);
  for (const [round, places] of rounds.entries()) {
    const beganS = startS + round * (eachS + walkS);
    if (nowS < beganS) break;
    for (const [team, place] of places.entries()) {
      const station = place === undefined ? undefined : stations[place];
      if (!station) continue;
      for (const [turn, number] of split[team]!.entries()) {
        const guest = members[number]!;
        const member = group.members.get(guest);
        if (!member || member.out || scene.state.guests.get(guest)?.heldBy !== 'group') continue;
        const own = member.runs.filter((run) => run.station === station.name);
        const overS =
          beganS + ((turn + 1 + own.length * split[team]!.length) * eachS) / (split[team]!.length * runsEach + 1);
        if (own.length >= runsEach || nowS < overS) continue;
        const key = `${id} ${guest} ${station.name} ${own.length}`;
        // Nobody goes on who has not got it in the end.
        const passed = own.length === runsEach - 1 || draw(`passes ${key}`) < STATION_PASSED;
        const spins = draw(`spins ${key}`) < 0.3 ? 1 : 0;
        yield { kind: 'stationRun', group: id, guest, station: station.name, passed, spins, stops: 0 };
      }
    }
  }
  const over = nowS >= startS + rounds.length * (eachS + walkS);
  if (ripe(`end ${id}`, over, PARK_S[1])) yield { kind: 'groupEnded', group: id };
}
