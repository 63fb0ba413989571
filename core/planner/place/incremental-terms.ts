import { type TermName, UNNOTICED_S, waitOfGap } from '../../cost';
import { unmetDrives } from './friends';
import { DRIVE, type Occupancy } from './occupancy';
import type { Problem } from './problem';
import type { TimetableFacts } from './timetable-facts';

/**
 * The engine's incremental form of each cost term: the same amount, before it is weighted, from what a timetable keeps up
 * to date. A term without one does not compile; a property test over the list holds each against its plain form.
 */
export const INCREMENTAL_TERMS: Readonly<Record<TermName, IncrementalTerm>> = {
  unplanned: { of: 'day', amount: notPlanned },
  passes: { of: 'day', amount: ({ passes }) => passes },
  balance: { of: 'day', amount: (timetable) => timetable.imbalanceWith(-1, 0) },
  party: { of: 'party', amount: (timetable, party) => timetable.partyApartWith(party, -1, 0) },
  friends: {
    of: 'wish',
    amount: (timetable, wish) => unmetDrives(timetable, timetable.problem.friendWishes[wish]!).length,
  },
  waiting: {
    of: 'guest',
    amount: ({ day, guests }, guest, occupancies) => {
      const { guestRestS } = day.rules;
      let sum = 0;
      for (let i = 0; i < occupancies.length; i++) {
        const { startS } = occupancies[i]!;
        sum += waitOfGap(i > 0 ? startS - occupancies[i - 1]!.endS - guestRestS : startS - guests[guest]!.arrivesS);
      }
      return sum;
    },
  },
  continuity: overOwnDrives((_, occupancy, before) => (before && before.crew !== occupancy.crew ? 1 : 0)),
  ladder: overOwnDrives(({ cars }, occupancy, before) =>
    before && cars[occupancy.car]!.car.level < cars[before.car]!.car.level ? 1 : 0,
  ),
  preference: overDrives(({ guests }, occupancy) =>
    guests[occupancy.guests[0]!]!.likes[occupancy.crew] === 0 ? 1 : 0,
  ),
  moved: {
    of: 'guest',
    amount: (problem, _, occupancies) =>
      occupancies.filter((one) => Math.abs((releaseBefore(problem, one) ?? one.releaseS) - one.releaseS) > UNNOTICED_S)
        .length,
  },
  reassigned: overDrives(({ drives }, occupancy) => {
    const { before } = drives[occupancy.drive]!;
    return before && (before.car !== occupancy.car || before.crew !== occupancy.crew) ? 1 : 0;
  }),
};

/** What a term is counted over, which says when it has to be counted again. */
export type IncrementalTerm =
  | { readonly of: 'day'; readonly amount: (timetable: TimetableFacts) => number }
  | { readonly of: 'party'; readonly amount: (timetable: TimetableFacts, party: number) => number }
  | { readonly of: 'wish'; readonly amount: (timetable: TimetableFacts, wish: number) => number }
  | GuestTerm;

interface GuestTerm {
  readonly of: 'guest';
  readonly amount: (problem: Problem, guest: number, occupancies: readonly Occupancy[]) => number;
}

function notPlanned({ problem, plannedDrives, allMembers, plannedMembers }: TimetableFacts): number {
  return problem.drives.length - plannedDrives + allMembers - plannedMembers;
}

/** When the plan before had a drive or a group released, in a repair. */
function releaseBefore({ drives, groups }: Problem, { kind, drive, takes }: Occupancy): number | undefined {
  if (kind === DRIVE) return drives[drive]!.before?.releaseS;
  return takes && groups[takes.group]!.beforeS;
}

/** A term of each drive of a guest who drives, and the one before it; rides are none. */
function overOwnDrives(amount: Parameters<typeof overDrives>[0]): GuestTerm {
  return overDrives(amount, false);
}

/** A term of each drive of a guest and the drive before it. */
function overDrives(
  amount: (problem: Problem, occupancy: Occupancy, before: Occupancy | undefined) => number,
  withRides = true,
): GuestTerm {
  return {
    of: 'guest',
    amount: (problem, _, occupancies) => {
      let sum = 0;
      let before: Occupancy | undefined;
      for (let i = 0; i < occupancies.length; i++) {
        const occupancy = occupancies[i]!;
        if (occupancy.kind !== DRIVE || (occupancy.ride && !withRides)) continue;
        sum += amount(problem, occupancy, before);
        before = occupancy;
      }
      return sum;
    },
  };
}

const names = Object.keys(INCREMENTAL_TERMS) as TermName[];
/** The terms of one kind, for the loops of the timetable. */
function termsOf<K extends IncrementalTerm['of']>(of: K) {
  return names.flatMap((name) => {
    const term = INCREMENTAL_TERMS[name];
    return term.of === of ? [{ name, amount: term.amount as Extract<IncrementalTerm, { of: K }>['amount'] }] : [];
  });
}
export const DAY_TERMS = termsOf('day');
export const PARTY_TERMS = termsOf('party');
export const WISH_TERMS = termsOf('wish');
export const GUEST_TERMS = termsOf('guest');
