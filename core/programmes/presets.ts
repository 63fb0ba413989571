import type { Preset } from './group';
import { ROLLING_CHANGE_S, STOPPED_CHANGE_S } from './ordinary';
import type { ProgrammeKind } from './programme';

/** What groups begin with at a venue that has not changed it: an ordinary one of each kind. */
export const PRESETS: Readonly<Record<ProgrammeKind, Preset>> = {
  follow: {
    programme: {
      kind: 'follow',
      laps: 8,
      warmUpLaps: 1,
      coolDownLaps: 1,
      gentleFactor: 1.25,
      change: { after: 2, how: 'straight', takesS: ROLLING_CHANGE_S },
    },
    roles: [{ role: 'lead', count: 1 }],
    // Seats and belts of all, and the radio of each tested.
    setUpS: 600,
    wrapUpS: 600,
    needsBriefing: true,
  },
  throttle: {
    programme: {
      kind: 'throttle',
      steps: [
        { percent: 25, laps: 1, lapS: 55 },
        { percent: 50, laps: 2, lapS: 42 },
        { percent: 75, laps: 2, lapS: 36 },
        { percent: 100, laps: 3, lapS: 31 },
      ],
      startS: 90,
      finishS: 150,
      carsOut: 1,
    },
    roles: [
      { role: 'spotter', count: 1 },
      { role: 'blocker', count: 1 },
    ],
    setUpS: 300,
    wrapUpS: 300,
    needsBriefing: true,
  },
  lowGrip: {
    programme: {
      kind: 'lowGrip',
      leadLaps: 1,
      leadLapS: 150,
      stations: [
        { name: 'Slalom', kind: 'slalom', runS: 60 },
        { name: 'Circle', kind: 'circle', runS: 60 },
        { name: 'Full course', kind: 'course', runS: 75 },
      ],
      teams: 3,
      runsEach: 2,
      changeS: 45,
      walkS: 120,
    },
    roles: [
      { role: 'lead', count: 1 },
      { role: 'spotter', count: 2 },
    ],
    setUpS: 600,
    wrapUpS: 300,
    needsBriefing: true,
  },
};

/** What a change takes where nobody has measured it, by the way in which it is made. */
export const CHANGE_TAKES_S = {
  straight: ROLLING_CHANGE_S,
  corner: ROLLING_CHANGE_S,
  stopped: STOPPED_CHANGE_S,
} as const;
