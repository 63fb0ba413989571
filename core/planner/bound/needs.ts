import type { CarOption, Problem } from '../place/problem';

/** What a guest takes at least, if nobody else were there. */
export interface GuestNeeds {
  readonly guest: number;
  /** When class, sighting run and first drive can begin at the earliest. */
  readonly classFromS: number;
  readonly runFromS: number;
  readonly driveFromS: number;
  /** When the guest has to be done. */
  readonly toS: number;
}

/** A drive in one of its cars. */
export interface Choice {
  readonly drive: number;
  readonly option: CarOption;
  readonly laps: number;
  /** The shortest that it is on the circuit, and holds guest and instructor, under any condition of the day. */
  readonly trackS: number;
  readonly holdS: number;
  readonly needs: GuestNeeds;
}

/** The shortest time of a sighting run on the circuit; nothing where there is no vehicle. */
export function runTrackS({ vehicles }: Problem): number {
  return vehicles.length === 0 ? 0 : Math.min(...vehicles.flatMap(({ trackS }) => trackS));
}

export function runHoldS(problem: Problem): number {
  const { setUpS, wrapUpS } = problem.day.rules.sighting;
  return setUpS + runTrackS(problem) + wrapUpS;
}

export function needsOf(problem: Problem): GuestNeeds[] {
  const { day, nowS, guests } = problem;
  const { guestRestS, briefing } = day.rules;
  return guests.map(({ arrivesS, leavesS, needsBriefing, needsSighting }, guest) => {
    const classFromS = Math.max(day.opens, nowS, arrivesS);
    const runFromS = classFromS + (needsBriefing ? briefing.durationS + guestRestS : 0);
    const driveFromS = runFromS + (needsSighting ? runHoldS(problem) + guestRestS : 0);
    return { guest, classFromS, runFromS, driveFromS, toS: Math.min(day.closes, leavesS) };
  });
}

/** Every car in which a drive could take place, where it fits into the guest's stay at all. */
export function choicesOf(problem: Problem): Choice[] {
  const { setUpS, wrapUpS } = problem.day.rules;
  const needs = needsOf(problem);
  return problem.drives.flatMap(({ options, laps, guest, drive: { notBefore } }, drive) => {
    const own = needs[guest]!;
    const driveFromS = Math.max(own.driveFromS, notBefore ?? 0);
    return options.flatMap((option): Choice[] => {
      const trackS = Math.min(...option.trackS);
      const holdS = setUpS + trackS + wrapUpS;
      if (own.toS - driveFromS < holdS) return [];
      return [{ drive, option, laps, trackS, holdS, needs: { ...own, driveFromS } }];
    });
  });
}
