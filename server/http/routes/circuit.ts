import { modelledCars } from '@core/venue/fleet';
import { storedCircuit, type StandingCone, type circuitEndpoints } from '@core/api';
import { teachingCustom } from '@core/venue/settings';
import { centreLineOf, circuitFaults, legendFaults, legendOf, type Circuit, type Origin } from '@core/track/circuit';
import { fact, type Fault } from '@core/values';
import { BY_ID, wordsIn } from '@words';
import { circuitCsv } from '@exchange/circuit-csv';
import { circuitGeoJson } from '@exchange/circuit-geojson-out';
import { formatOf } from '@exchange/circuit-import';
import { UNNAMED } from '@exchange/circuit-read';
import { setOutCsv, setOutGeoJson } from '@exchange/set-out';
import { notFound, refusalOf } from '../../base/refusal';
import type { ConesToPlace } from '../../workers/import/standing-cones';
import { importThread } from '../../workers/import/thread';
import { download } from '../download';
import { stale } from '../records';
import { setupChanged } from '../setup-changed';
import type { Services } from '../services';
import type { Handlers } from '../mount';

const { legendFault } = wordsIn('en', BY_ID);

/** Meanings of the legend that nobody could tell apart, each with its place. */
function confusions(circuit: Circuit): Fault[] {
  return legendFaults(legendOf(circuit)).map((fault) => ({
    path: `legend.${fault.values.kinds[1]}`,
    message: legendFault(fault),
  }));
}

/** The circuit, its files, and what is set out on it. */
export function circuitRoutes({ store, dayCache, hub }: Services): Handlers<typeof circuitEndpoints> {
  const changed = setupChanged({ dayCache, hub });
  /** The cones that were asked for last, whoever asked. */
  let standing: { readonly key: string; readonly cones: Promise<StandingCone[]> } | undefined;
  const circuit = () => {
    const { circuit: stored } = store.circuit.get();
    if (!stored) throw notFound('circuit');
    return stored;
  };
  return {
    readCircuit: () => store.circuit.get(),
    readCones: async () => {
      const { circuit: stored } = store.circuit.get();
      if (!stored) return { cones: [] };
      const { coaching, paces } = store.venue.get()!.fields;
      const place: ConesToPlace = {
        circuit: stored,
        fleet: modelledCars(store.cars.list()),
        paces: [...new Set(Object.values(paces))],
        custom: teachingCustom(coaching),
      };
      const key = JSON.stringify(place);
      if (standing?.key !== key) standing = { key, cones: importThread.read({ kind: 'cones', ...place }) };
      const asked = standing;
      try {
        return { cones: await asked.cones };
      } catch (error) {
        // What has failed is tried again when it is asked for again.
        if (standing === asked) standing = undefined;
        throw error;
      }
    },
    changeCircuit: ({ body: { version, circuit } }) => {
      const faults = [...circuitFaults(circuit), ...confusions(circuit)];
      if (faults.length > 0) {
        throw refusalOf(fact('faultyCircuit', {}, { first: faults[0]! }), { faults });
      }
      const stored = store.db
        .transaction(() => {
          const saved = store.circuit.change(version, circuit);
          if (saved) takeOverLength(store, circuit);
          return saved;
        })
        .immediate();
      if (!stored) throw stale({ kind: 'circuit' }, storedCircuit, store.circuit.get());
      changed();
      return stored;
    },
    previewCircuit: async ({ body: { fileName, text, widthM, placed } }) => {
      const format = formatOf(fileName);
      if (!format) throw refusalOf(fact('unknownFormat', {}));
      const options = { width: widthM && ([widthM.left, widthM.right] as const), placed };
      const read = await importThread.read({ kind: 'circuit', text, format, options });
      if (!read.ok) {
        throw refusalOf(fact('faultyFile', { file: fileName }, { first: read.faults[0]! }), { faults: read.faults });
      }
      // A file that does not name its circuit gives it its own name.
      const { name } = read.circuit;
      const named = name === UNNAMED ? fileName.replace(/\.\w+$/, '') : name;
      return { circuit: { ...read.circuit, name: named }, assumed: [...read.assumed] };
    },
    circuitCsv: ({ response }) => download(response, 'text/csv', 'circuit.csv', circuitCsv(circuit())),
    circuitGeoJson: ({ response }) => {
      const stored = circuit();
      download(response, 'application/geo+json', 'circuit.geojson', circuitGeoJson(stored, originOf(stored)));
    },
    setOutCsv: ({ body, response }) => download(response, 'text/csv', 'set-out.csv', setOutCsv(body, circuit().origin)),
    setOutGeoJson: ({ body, response }) => {
      const origin = originOf(circuit());
      download(response, 'application/geo+json', 'set-out.geojson', setOutGeoJson(body, origin));
    },
  };
}

function originOf({ origin }: Circuit): Origin {
  if (!origin) throw refusalOf(fact('circuitNotPlaced', {}));
  return origin;
}

/** The rules plan with the length of the lap; it follows the circuit. */
function takeOverLength(store: Services['store'], circuit: Pick<Circuit, 'name' | 'line' | 'pitEntryM'>): void {
  const { version, fields } = store.venue.get()!;
  const lapLengthM = Math.round(centreLineOf(circuit.line, 5).lengthM);
  const { name, pitEntryM } = circuit;
  const endsBeforeLine = pitEntryM === undefined ? fields.circuit.endsBeforeLine : pitEntryM > lapLengthM / 2;
  const taken = { ...fields.circuit, name, lapLengthM, ...(endsBeforeLine !== undefined && { endsBeforeLine }) };
  if (JSON.stringify(taken) === JSON.stringify(fields.circuit)) return;
  store.venue.change(version, { ...fields, circuit: taken });
}
