import type { Rules } from './day-file';

/** Rules of an ordinary venue, for a new one to begin with and to change. */
export const ORDINARY_RULES: Rules = {
  releaseGapS: 45,
  maxCarsOnTrack: 5,
  setUpS: 240,
  wrapUpS: 240,
  turnaroundS: 120,
  guestRestS: 300,
  refuelBays: 1,
  briefing: { durationS: 1500, seats: 16, rooms: 1 },
  sighting: { laps: 2, setUpS: 120, wrapUpS: 120 },
};
