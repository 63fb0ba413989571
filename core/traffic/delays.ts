import type { PersonHold } from '../day';
import type { DayContext, DayState } from '../journal';
import { reachedS, type Runner } from './runner';

/** Somebody who has to wait because a drive ends later. */
export interface Delay {
  /** The drive that is delayed, or the class or sighting run (its guests' next). */
  readonly what: string;
  readonly via: 'car' | 'instructor' | 'guest';
  readonly byS: number;
}

/** A delay of less than this is nobody's business. */
const NOTICED_S = 30;

/**
 * Whom a drive on the circuit delays by when it will end: the next drive in this car, the instructor's next task, the
 * guest's next drive. With `moreLaps` as if so many laps were granted on top.
 */
export function delaysOf({ day, schedule }: DayContext, state: DayState, runner: Runner, moreLaps = 0): Delay[] {
  const drive = state.drives.get(runner.id);
  const endS = reachedS(runner, runner.off + moreLaps) + day.rules.wrapUpS;
  const delays: Delay[] = [];
  const add = (via: Delay['via'], what: string | undefined, freeS: number, startS: number | undefined) => {
    if (startS !== undefined && what !== undefined && freeS - startS >= NOTICED_S) {
      delays.push({ what, via, byS: freeS - startS });
    }
  };
  const open = (hold: PersonHold) =>
    hold.kind !== 'drive' ? hold.startS >= state.timeS : state.drives.get(hold.planned.drive)?.stage === 'planned';
  const nextInCar = schedule.drives
    .filter((hold) => hold.planned.car === drive?.car && open(hold))
    .sort((a, b) => a.startS - b.startS)[0];
  add('car', nextInCar?.guests[0]?.name, endS + day.rules.turnaroundS, nextInCar?.startS);
  const nextOfCrew = schedule.crewHolds.get(drive?.instructor ?? '')?.find(open);
  if (nextOfCrew !== nextInCar) add('instructor', nameOf(nextOfCrew), endS, nextOfCrew?.startS);
  const nextOfGuest = schedule.guestHolds
    .get(drive?.guest.id ?? '')
    ?.find((hold) => hold.kind === 'drive' && open(hold));
  add('guest', drive?.guest.name, endS + day.rules.guestRestS, nextOfGuest?.startS);
  return delays;
}

function nameOf(hold: PersonHold | undefined): string | undefined {
  if (!hold) return undefined;
  if (hold.kind === 'briefing') return 'the next class';
  return hold.kind === 'sighting' ? 'the next sighting run' : hold.guests[0]?.name;
}

/** "next in this car, Noor Haddad: 3 min later". */
export function delayWords({ via, what, byS }: Delay): string {
  const minutes = Math.max(1, Math.round(byS / 60));
  const who = {
    car: `next in this car, ${what}`,
    instructor: `instructor’s next, ${what}`,
    guest: `${what}’s next drive`,
  };
  return `${who[via]}: ${minutes} min later`;
}
