import type * as z from 'zod';
import type { instructorFields } from './skills';

/** Somebody new in the crew, encoded: what holds until somebody says otherwise. Id and name are missing yet. */
export const NEW_INSTRUCTOR = {
  id: '',
  name: '',
  cars: 'all',
  languages: ['en'],
  available: [{ from: '08:30', to: '17:30' }],
  maxSeatS: 5400,
  restS: 900,
  meal: { from: '11:30', to: '14:00', durationS: 1800 },
  maxLaps: 130,
  // Somebody has to: a crew of which nobody may give the class leaves out every guest who needs it.
  brief: true,
  sighting: true,
} satisfies z.input<typeof instructorFields>;
