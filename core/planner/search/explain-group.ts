import { fact } from '../../values';
import { GROUP_NEEDS, type UnplacedReason } from '../../day';
import { firstReleaseOf, releasesOf } from '../place/place-group';
import type { Timetable } from '../place/timetable';

/** Why a group found no place, with what a manager could change. */
export function whyGroupUnplanned(timetable: Timetable, number: number): UnplacedReason {
  return neverPossible(timetable, number) ?? inItsWay(timetable, number);
}

/** What rules a group out whatever else is planned. */
function neverPossible({ problem }: Timetable, number: number): UnplacedReason | undefined {
  const { group, members, cars, carCount, leadCars, posts, surface } = problem.groups[number]!;
  if (members.length === 0) return fact('nobodyComes', {});
  if (surface === -2) return fact('surfaceGone', { surface: group.surface });
  if (cars.length < carCount) {
    return fact('groupCarsShort', { cars: group.cars }, { there: cars.length, needed: carCount });
  }
  if (group.leadCars?.length && leadCars.length === 0) return fact('groupLeadCarGone', { cars: group.leadCars });
  for (const { role, able } of posts) {
    const needed = posts.filter((post) => post.role === role).length;
    if (able.length >= needed) continue;
    const instructors = able.map((who) => problem.crew[who]!.instructor.id);
    return fact('groupRoleShort', { instructors }, { role, there: able.length, needed });
  }
  return undefined;
}

function inItsWay(timetable: Timetable, number: number): UnplacedReason {
  const { day, nowS, guests, groups } = timetable.problem;
  const { group, members, trackS, posts } = groups[number]!;
  const from = Math.max(day.opens, Math.ceil(nowS), group.notBefore ?? 0, ...members.map((g) => guests[g]!.arrivesS));
  const to = Math.min(day.closes, group.endsBy ?? Infinity, ...members.map((guest) => guests[guest]!.leavesS));
  const neededS = group.setUpS + Math.min(...trackS) + group.wrapUpS;
  const { fromS, toS } = releasesOf(timetable, number);
  if (to - from < neededS || toS < fromS) return fact('groupTooLong', {}, { neededS, from, to: Math.max(from, to) });
  for (const { role, able } of posts) {
    const crew = able.map((who) => timetable.problem.crew[who]!.instructor);
    const mostS = Math.max(...crew.map(({ maxSeatS }) => maxSeatS));
    if (mostS < neededS)
      return fact('groupOverCrew', { instructors: crew.map(({ id }) => id) }, { role, neededS, mostS });
  }
  for (const by of GROUP_NEEDS) {
    const releaseS = firstReleaseOf(timetable, number, { ignoring: by });
    if (releaseS !== undefined) return fact('groupTaken', {}, { by, from: releaseS });
  }
  return fact('groupNowhere', {}, { from, to });
}
