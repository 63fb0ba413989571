import express, { Router } from 'express';
import { contract, setOutSheet, storedCircuit, storedShow } from '@core/api';
import { centreLineOf, circuitFaults } from '@core/circuit';
import { faultsOf } from '@core/day';
import { circuitCsv } from '@exchange/circuit-csv';
import { circuitGeoJson } from '@exchange/circuit-geojson-out';
import { formatOf, readCircuit } from '@exchange/circuit-import';
import { UNNAMED } from '@exchange/circuit-read';
import { setOutCsv, setOutGeoJson } from '@exchange/set-out';
import { conflict, notFound, Refusal } from '../problems';
import type { Services } from '../services';
import { download } from './download';
import { mount } from './mount';
import { stale } from './records';

const MOST_PHOTO = '4mb';
const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'];
const photoId = /^[A-Za-z0-9_-]{8,64}$/;

/** The circuit and its files, the classroom show, and pictures. */
export function circuitRoutes({ store, room, hub, clock }: Services): Router {
  const router = Router();
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };

  mount(router, contract.readCircuit, () => store.circuit.get());
  mount(router, contract.changeCircuit, ({ body: { version, circuit } }) => {
    const faults = circuitFaults(circuit);
    if (faults.length > 0) {
      const detail = `This circuit cannot be driven: ${faults[0]!.path}: ${faults[0]!.message}.`;
      throw new Refusal(422, 'Faulty circuit', detail, { faults });
    }
    const stored = store.db
      .transaction(() => {
        const saved = store.circuit.change(version, circuit);
        if (saved) takeOverLength(store, circuit);
        return saved;
      })
      .immediate();
    if (!stored) throw stale('the circuit', storedCircuit, store.circuit.get());
    changed();
    return stored;
  });
  mount(router, contract.previewCircuit, ({ body: { fileName, text, widthM } }) => {
    const format = formatOf(fileName);
    if (!format) throw new Refusal(422, 'Unknown format', 'Expected a file named .geojson, .json, .csv or .gpx.');
    const read = readCircuit(text, format, { width: widthM && [widthM.left, widthM.right] });
    if (!read.ok) {
      const first = read.faults[0]!;
      const detail = `${fileName} cannot be read: ${first.path}: ${first.message}.`;
      throw new Refusal(422, 'Faulty circuit', detail, { faults: [...read.faults] });
    }
    // A file that does not name its circuit gives it its own name.
    const { name } = read.circuit;
    const named = name === UNNAMED ? fileName.replace(/\.\w+$/, '') : name;
    return { circuit: { ...read.circuit, name: named }, assumed: [...read.assumed] };
  });
  const circuit = () => {
    const { circuit: stored } = store.circuit.get();
    if (!stored) throw notFound('circuit: import or draw one first');
    return stored;
  };
  router.get('/api/circuit.csv', (_request, response) => {
    download(response, 'text/csv', 'circuit.csv', circuitCsv(circuit()));
  });
  router.get('/api/circuit.geojson', (_request, response) => {
    const stored = circuit();
    if (!stored.origin) throw conflict('Where on the globe this circuit lies is not known: set its place first.');
    download(response, 'application/geo+json', 'circuit.geojson', circuitGeoJson(stored, stored.origin));
  });
  router.post('/api/circuit/set-out.:format', (request, response) => {
    const parsed = setOutSheet.safeParse(request.body);
    if (!parsed.success) {
      throw new Refusal(400, 'Faulty request', 'This is no set-out sheet.', { faults: faultsOf(parsed.error) });
    }
    const { origin } = circuit();
    if (request.params.format === 'csv') {
      download(response, 'text/csv', 'set-out.csv', setOutCsv(parsed.data, origin));
    } else if (request.params.format === 'geojson') {
      if (!origin) throw conflict('Where on the globe this circuit lies is not known: set its place first.');
      download(response, 'application/geo+json', 'set-out.geojson', setOutGeoJson(parsed.data, origin));
    } else throw notFound('such format');
  });

  mount(router, contract.readShow, () => store.show.get());
  mount(router, contract.changeShow, ({ body: { version, fields } }) => {
    const stored = store.show.change(version, fields);
    if (!stored) throw stale('the show', storedShow, store.show.get());
    hub.changed('setup');
    return stored;
  });

  router.put('/api/photos/:id', express.raw({ type: PHOTO_TYPES, limit: MOST_PHOTO }), (request, response) => {
    const { id } = request.params as { id: string };
    const type = request.get('content-type') ?? '';
    if (!photoId.test(id))
      throw new Refusal(400, 'Faulty request', 'A picture has an id of 8 to 64 letters or digits.');
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
      throw new Refusal(415, 'Not a picture', 'Send a JPEG, PNG or WebP picture.');
    }
    store.photos.add(id, { type, bytes: request.body }, clock.recordedAt());
    response.status(201).json({ id });
  });
  router.get('/api/photos/:id', ({ params: { id } }, response) => {
    const photo = store.photos.get(id);
    if (!photo) throw notFound(`picture "${id}"`);
    response.type(photo.type).set('cache-control', 'private, max-age=31536000, immutable').send(photo.bytes);
  });
  return router;
}

/** The rules plan with the length of the lap; it follows the circuit. */
function takeOverLength(
  store: Services['store'],
  circuit: { name: string; line: Parameters<typeof centreLineOf>[0] },
): void {
  const { version, fields } = store.venue.get()!;
  const lapLengthM = Math.round(centreLineOf(circuit.line, 5).lengthM);
  if (fields.circuit.lapLengthM === lapLengthM && fields.circuit.name === circuit.name) return;
  store.venue.change(version, { ...fields, circuit: { ...fields.circuit, name: circuit.name, lapLengthM } });
}
