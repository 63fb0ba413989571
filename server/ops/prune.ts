import { dateAfter } from '@core/people/crew/at-start';
import type { Store } from '../store';

/** Positions of cars are kept for so many days; laps and times stay for good. */
const TRACK_DAYS = 60;
/** A picture that nothing shows is kept for so many days: it may still be on its way into a fault. */
const LOOSE_PHOTO_DAYS = 2;

/** Takes away what nobody looks at any more, as at each start and at the close of a day. */
export function pruneStore(store: Store, today: string): void {
  store.tracks.forgetBefore(dateAfter(today, -TRACK_DAYS));
  store.photos.forgetLoose(dateAfter(today, -LOOSE_PHOTO_DAYS));
}
