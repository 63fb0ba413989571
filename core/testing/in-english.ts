import type { Day } from '../day';
import { namesOf, wordsIn, type Words } from '@words';

/** Tells facts of a day as an English screen would, for tests that read like what people read. */
export const inEnglish = (day: Day): Words => wordsIn('en', namesOf(day));
