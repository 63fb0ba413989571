import type { flagsEndpoints } from '@core/api';
import type { Handlers } from '../mount';
import type { Services } from '../services';

/** Flags, which go to every screen of the venue. */
export function flagsRoutes({ flags }: Services): Handlers<typeof flagsEndpoints> {
  return { gotFlag: ({ body }) => ({ got: flags.got(body) }) };
}
