import type { Day } from './day-file';

/** How one guest may wish to drive with another; in a day file each is a list of guests' ids. */
export const FRIEND_WISHES = ['sameTimeAs', 'inTurnWith', 'sameInstructorAs'] as const;
export type FriendWishKind = (typeof FRIEND_WISHES)[number];

/** A wish that two guests of a day have together, whichever of them has said it. */
export interface FriendWish {
  readonly kind: FriendWishKind;
  /** Whose drives are counted: of the two the one with fewer drives, of as many the one listed first. */
  readonly lead: string;
  readonly other: string;
}

/** A drive, as far as it matters to a wish. */
export interface DriveOfFriend {
  /** What it holds its guest over, and how long it is on the circuit; seconds since midnight. */
  readonly startS: number;
  readonly endS: number;
  readonly releaseS: number;
  readonly trackEndS: number;
}

/** At most so much later the second of two friends is fetched, where they drive in turn. */
const IN_TURN_S = 900;

/** The wishes of a day's guests, each once; one that names a guest who does not come is none. */
export function friendWishesOf(day: Day): FriendWish[] {
  const place = new Map(day.guests.map(({ id }, at) => [id, at]));
  const found = new Map<string, FriendWish>();
  for (const guest of day.guests) {
    for (const kind of FRIEND_WISHES) {
      for (const friend of guest[kind] ?? []) {
        const at = place.get(friend);
        if (at === undefined || friend === guest.id) continue;
        const two = [guest, day.guests[at]!].sort(
          (a, b) => a.drives.length - b.drives.length || place.get(a.id)! - place.get(b.id)!,
        );
        const [lead, other] = [two[0]!.id, two[1]!.id];
        found.set(JSON.stringify([kind, lead, other]), { kind, lead, other });
      }
    }
  }
  return [...found.values()];
}

/** The wishes that one guest has a part in, each with the friend it is about. */
export function wishesOf(
  { friendWishes }: { readonly friendWishes: readonly FriendWish[] },
  guest: string,
): (FriendWish & { readonly friend: string })[] {
  return friendWishes
    .filter(({ lead, other }) => lead === guest || other === guest)
    .map((wish) => ({ ...wish, friend: wish.lead === guest ? wish.other : wish.lead }));
}

/**
 * Whether two drives are as their guests wish: on the circuit together for at least half of the shorter one; the one
 * fetched within a quarter of an hour of the end of the other; or beside the same instructor.
 */
export function keepsWish(kind: FriendWishKind, a: DriveOfFriend, b: DriveOfFriend, sameInstructor: boolean): boolean {
  switch (kind) {
    case 'sameInstructorAs':
      return sameInstructor;
    case 'sameTimeAs': {
      const togetherS = Math.min(a.trackEndS, b.trackEndS) - Math.max(a.releaseS, b.releaseS);
      return togetherS > 0 && 2 * togetherS >= Math.min(a.trackEndS - a.releaseS, b.trackEndS - b.releaseS);
    }
    case 'inTurnWith': {
      const betweenS = a.startS < b.startS ? b.startS - a.endS : a.startS - b.endS;
      return betweenS >= 0 && betweenS <= IN_TURN_S;
    }
  }
}
