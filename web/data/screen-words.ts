import type { DayView } from '@core/api';
import { namesOf, wordsIn, type Words } from '@core/words';
import { carLabel } from './names';

const NOBODY = { guests: [], cars: [], instructors: [], sightingVehicles: [] };

/** How facts of a day are told on screen: cars with their number, as two may have the same name. */
export function screenWords(view: Pick<DayView, 'carNumbers' | 'day'> | undefined): Words {
  return wordsIn('en', { ...namesOf(view?.day ?? NOBODY), car: (id) => carLabel(view, id) });
}
