import { openApiDocument, type serviceEndpoints } from '@core/api';
import { fact } from '@core/values';
import { refusalOf } from '../../base/refusal';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** The server itself: how it is, what it offers, and its clock. */
export function serviceRoutes({
  dayCache,
  hub,
  flags,
  calendar,
  clock,
  planJobs,
  devices,
  manager,
  practice,
  resetDemo,
}: Services): Handlers<typeof serviceEndpoints> {
  const openApi = openApiDocument();
  return {
    readHealth: () => ({ status: 'ok' }),
    readOpenApi: () => openApi,
    readClock: () => clock.read(),
    adjustClock: ({ body }) => {
      if (!clock.adjust(body)) throw demoOnly();
      hub.changed('clock');
      calendar.follow();
      flags.tell();
      return clock.read();
    },
    resetDemo: () => {
      if (!resetDemo) throw demoOnly();
      planJobs.close();
      resetDemo();
      dayCache.forget();
      devices.forget();
      manager.forget();
      calendar.keep();
      practice.forget();
      hub.changed('reset');
      flags.tell();
      return clock.read();
    },
  };
}

const demoOnly = () => refusalOf(fact('demoOnly', {}));
