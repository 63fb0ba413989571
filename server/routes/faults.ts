import { contract } from '@core/api';
import type { faultsEndpoints } from '@core/api/endpoints/faults';
import { linkFault, VOCABULARY, type FaultEntry } from '@core/coaching';
import { fact } from '@core/day';
import { BY_ID, wordsIn } from '@core/words';
import { notFound, refusalOf } from '../problems';
import { recordDesk } from '../routing/records';
import { setupChanged } from '../routing/setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../routing/mount';

/** What goes wrong in a car, in the venue's own words. */
export function faultsRoutes({ store, dayCache, hub }: Services): Handlers<typeof faultsEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const faults = recordDesk(store.faults, 'fault', contract.addFault.reply, changed);
  const linked = (entry: FaultEntry): FaultEntry => {
    const wrong = linkFault(entry, dayCache.vocabulary());
    if (wrong) throw refusalOf(wrong, { faults: [{ path: 'from', message: wordsIn('en', BY_ID).request(wrong) }] });
    return entry;
  };
  return {
    listFaults: () => ({ faults: store.faults.list() }),
    addFault: ({ body }) => faults.add(linked(body)),
    changeFault: ({ params: { id }, body: { version, fields } }) =>
      faults.change(id, version, linked({ ...fields, id })),
    removeFault: ({ params: { id } }) => {
      if (!VOCABULARY.some((entry) => entry.id === id)) {
        throw refusalOf(fact('marksNameIt', {}));
      }
      if (!store.faults.remove(id)) throw notFound('ownWords', id);
      changed();
      return { removed: id };
    },
  };
}
