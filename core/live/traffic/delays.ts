import { activityOf, type Activity, type PersonOccupancy } from '../../day';
import { fact, type Fact } from '../../values';
import type { DayContext, DayState } from '../../journal';
import { reachedS, type Runner } from './runner';

/** Somebody who has to wait because a drive ends later: in the same car, with the same instructor, the same guest. */
export type Delay =
  | Fact<'nextInCar', { guest: string }, { byS: number }>
  | Fact<'crewsNext', { activity: Activity }, { byS: number }>
  | Fact<'guestsNext', { guest: string }, { byS: number }>;

/** Shorter delays are not told. */
const NOTICED_S = 30;

/**
 * Whom a drive on the circuit delays by when it will end: the next drive in this car, the instructor's next task, the
 * guest's next drive. With `moreLaps` as if so many laps were granted on top.
 */
export function delaysOf({ day, schedule }: DayContext, state: DayState, runner: Runner, moreLaps = 0): Delay[] {
  const drive = state.drives.get(runner.id);
  const endS = reachedS(runner, runner.off + moreLaps) + day.rules.wrapUpS;
  const delays: Delay[] = [];
  const add = (next: PersonOccupancy | undefined, freeS: number, told: (byS: number) => Delay | undefined) => {
    const delay = next && freeS - next.startS >= NOTICED_S && told(freeS - next.startS);
    if (delay) delays.push(delay);
  };
  const open = (occupancy: PersonOccupancy) =>
    occupancy.kind !== 'drive'
      ? occupancy.startS >= state.timeS
      : state.drives.get(occupancy.planned.drive)?.stage === 'planned';
  const nextInCar = schedule.drives
    .filter((occupancy) => occupancy.planned.car === drive?.car && open(occupancy))
    .sort((a, b) => a.startS - b.startS)[0];
  add(nextInCar, endS + day.rules.turnaroundS, (byS) => {
    const guest = nextInCar?.guests[0]?.id;
    return guest === undefined ? undefined : fact('nextInCar', { guest }, { byS });
  });
  const nextOfCrew = schedule.crewOccupancies.get(drive?.instructor ?? '')?.find(open);
  if (nextOfCrew !== nextInCar) {
    add(nextOfCrew, endS, (byS) => fact('crewsNext', { activity: activityOf(nextOfCrew!) }, { byS }));
  }
  const nextOfGuest = schedule.guestOccupancies
    .get(drive?.guest.id ?? '')
    ?.find((occupancy) => occupancy.kind === 'drive' && open(occupancy));
  add(nextOfGuest, endS + day.rules.guestRestS, (byS) => fact('guestsNext', { guest: drive!.guest.id }, { byS }));
  return delays;
}
