import { clockMinute } from '@core/values';
import { wishedDrives } from '@core/cost';
import { wishesOf, type Schedule } from '@core/day';
import { FRIEND_WISH_WORDS } from '@words';

/** A wish of a guest and a friend, and what becomes of it in the plan. */
export interface FriendLine {
  readonly words: string;
  readonly kept: boolean;
}

/** The wishes that a guest has together with friends, over the day, or for one of the guest's drives. */
export function friendLines(schedule: Schedule, guest: string, drive?: string): FriendLine[] {
  return wishesOf(schedule.index, guest).flatMap((wish): FriendLine[] => {
    const leads = wish.lead === guest;
    const name = schedule.index.guests.get(wish.friend)?.name ?? '';
    const wished = `${FRIEND_WISH_WORDS[wish.kind]} ${name}`;
    const drives = wishedDrives(schedule, wish);
    if (drive === undefined) {
      const met = drives.filter((one) => one.met).length;
      const apart = drives.length - met;
      const words =
        drives.length === 0
          ? 'not planned yet'
          : apart === 0
            ? 'as wished'
            : `not for ${apart} of ${drives.length} drive${drives.length === 1 ? '' : 's'}`;
      return [{ words: `${wished}: ${words}`, kept: met === drives.length }];
    }
    const own = drives.find((one) => (leads ? one.drive : one.met)?.planned.drive === drive);
    if (!own) return [];
    const friends = leads ? own.met : own.drive;
    return friends
      ? [{ words: `${wished}, out ${clockMinute(friends.releaseS)}`, kept: true }]
      : [{ words: `not ${wished}, as they wish`, kept: false }];
  });
}
