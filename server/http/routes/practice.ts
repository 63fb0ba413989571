import type { practiceEndpoints } from '@core/api';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** The simulated crew of practice days. */
export function practiceRoutes({ practice }: Services): Handlers<typeof practiceEndpoints> {
  return {
    readPractice: () => practice.status(),
    crewIsThere: () => practice.crewIsThere(),
    switchStation: ({ params: { station }, body: { on } }) => practice.switchStation(station, on),
    giveBack: ({ body }) => practice.giveBack(body),
    seedCrew: ({ body: { seed } }) => practice.seedWith(seed),
  };
}
