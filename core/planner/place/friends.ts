import { keepsWish, type DriveOfFriend } from '../../day';
import { DRIVE, type Occupancy } from './occupancy';
import type { FriendFacts } from './problem';
import type { TimetableFacts } from './timetable-facts';

/** Drives over which a wish of friends is counted and that no drive of the friend meets. */
export function unmetDrives(timetable: TimetableFacts, { kind, lead, other }: FriendFacts): Occupancy[] {
  const others = timetable.guestOccupancies[other]!;
  return timetable.guestOccupancies[lead]!.filter(
    (own) =>
      own.kind === DRIVE &&
      !others.some((one) => one.kind === DRIVE && keepsWish(kind, own, one, own.crew === one.crew)),
  );
}

/** What the wishes of a guest's friends add to the price of one more drive of this guest, while nothing else changes. */
export class FriendsPrice {
  /** No drive costs less than this: all that is not met would be. */
  readonly least: number;
  /** For each wish: the drives of the friend that would do, or those that wait for one like this. */
  private readonly wishes: { facts: FriendFacts; leads: boolean; drives: readonly Occupancy[] }[];

  private constructor(
    timetable: TimetableFacts,
    guest: number,
    wishes: readonly number[],
    private readonly weight: number,
  ) {
    this.wishes = wishes.map((wish) => {
      const facts = timetable.problem.friendWishes[wish]!;
      const leads = facts.lead === guest;
      const drives = leads
        ? timetable.guestOccupancies[facts.other]!.filter(({ kind }) => kind === DRIVE)
        : unmetDrives(timetable, facts);
      return { facts, leads, drives };
    });
    this.least = -weight * this.wishes.reduce((sum, { leads, drives }) => sum + (leads ? 0 : drives.length), 0);
  }

  /** Nothing where the guest has no such wish. */
  static of(timetable: TimetableFacts, guest: number): FriendsPrice | undefined {
    const { guests, weights } = timetable.problem;
    const { wishes } = guests[guest]!;
    return wishes.length === 0 || weights.friends === 0
      ? undefined
      : new FriendsPrice(timetable, guest, wishes, weights.friends);
  }

  /** The part that depends on when the drive is. */
  ofTime(drive: DriveOfFriend): number {
    return this.price(false, (kind, other) => keepsWish(kind, drive, other, false));
  }

  /** The part that depends on who sits beside the guest. */
  ofCrew(crew: number): number {
    return this.price(true, (_, other) => other.crew === crew);
  }

  private price(ofCrew: boolean, meets: (kind: FriendFacts['kind'], other: Occupancy) => boolean): number {
    let unmet = 0;
    for (const { facts, leads, drives } of this.wishes) {
      if ((facts.kind === 'sameInstructorAs') !== ofCrew) continue;
      if (leads) unmet += drives.some((other) => meets(facts.kind, other)) ? 0 : 1;
      else for (const other of drives) if (meets(facts.kind, other)) unmet -= 1;
    }
    return this.weight * unmet;
  }
}
