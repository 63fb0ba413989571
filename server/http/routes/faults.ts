import { contract, type faultsEndpoints } from '@core/api';
import { legendOf } from '@core/track/circuit';
import { cueFaultsOf, linkFault, VOCABULARY, type FaultEntry } from '@core/people/coaching';
import { fact } from '@core/values';
import { BY_ID, wordsIn } from '@words';
import { notFound, refusalOf } from '../../base/refusal';
import { recordHandlers } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** What goes wrong in a car, in the venue's own words. */
export function faultsRoutes({ store, dayCache, hub }: Services): Handlers<typeof faultsEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  const faults = recordHandlers(store.faults, 'fault', contract.addFault.reply, changed);
  /** An entry as it may be kept: its links lead to causes, its cues order nothing else. */
  const sound = (entry: FaultEntry): FaultEntry => {
    const wrong = linkFault(entry, dayCache.vocabulary());
    const words = wordsIn('en', BY_ID);
    if (wrong) throw refusalOf(wrong, { faults: [{ path: 'from', message: words.request(wrong) }] });
    const cues = cueFaultsOf(entry, legendOf(store.circuit.get().circuit ?? undefined));
    const faulty = cues.map(({ field, fault }) => ({ path: field, message: words.cueFault(fault) }));
    if (faulty[0]) throw refusalOf(fact('faultyCue', {}, { first: faulty[0] }), { faults: faulty });
    return entry;
  };
  return {
    listFaults: () => ({ faults: store.faults.list() }),
    addFault: ({ body }) => faults.add(sound(body)),
    changeFault: ({ params: { id }, body: { version, fields } }) =>
      faults.change(id, version, sound({ ...fields, id })),
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
