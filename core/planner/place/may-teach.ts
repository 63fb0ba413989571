import { avoids, sharesLanguage } from '../../rules';
import type { Guest, Instructor } from '../../day';

/** Whether this guest may be with this instructor at all. */
export function mayTeach(instructor: Instructor, guest: Guest): boolean {
  return sharesLanguage(instructor, guest) && !avoids(guest, instructor);
}
