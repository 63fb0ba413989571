import type { DayView } from '@core/api';
import type { LapFault } from '@core/track/car';
import { BY_ID, namesOf, wordsIn, type Words } from '@words';
import { carLabel } from './names';

/** How facts are told that name nothing of a day. */
export const PLAIN_WORDS = wordsIn('en', BY_ID);

/** Why there is no lap, and where on the circuit. */
export function lapFaultWords({ atM, reason }: LapFault): string {
  return `${PLAIN_WORDS.lapObstacle(reason)}${atM === undefined ? '' : `, at ${Math.round(atM)} m`}`;
}

/** How facts of a day are told on screen: cars with their number, as two may have the same name. */
export function screenWords(view: Pick<DayView, 'carNumbers' | 'day'> | undefined): Words {
  return wordsIn('en', {
    ...(view ? namesOf(view.day) : BY_ID),
    car: (id) => carLabel(view, id),
    carNumber: (id) => view?.carNumbers[id],
  });
}
