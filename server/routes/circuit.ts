import express, { Router } from 'express';
import { contract, setOutSheet, storedCircuit, storedShow } from '@core/api';
import { centreLineOf, circuitFaults } from '@core/circuit';
import { faultsOf } from '@core/day';
import { circuitCsv } from '@exchange/circuit-csv';
import { circuitGeoJson } from '@exchange/circuit-geojson-out';
import { formatOf } from '@exchange/circuit-import';
import { UNNAMED } from '@exchange/circuit-read';
import { setOutCsv, setOutGeoJson } from '@exchange/set-out';
import { conflict, notFound, Refusal } from '../problems';
import { readingThread } from '../reading/thread';
import { MOST_PHOTO_BYTES } from '../store/photos';
import type { Services } from '../services';
import { download } from './download';
import { mount } from './mount';
import { stale } from './records';

const MOST_PHOTO = '4mb';
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
  mount(router, contract.previewCircuit, async ({ body: { fileName, text, widthM } }) => {
    const format = formatOf(fileName);
    if (!format) throw new Refusal(422, 'Unknown format', 'Expected a file named .geojson, .json, .csv or .gpx.');
    const options = { width: widthM && ([widthM.left, widthM.right] as const) };
    const read = await readingThread.read({ kind: 'circuit', text, format, options });
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

  router.put('/api/photos/:id', express.raw({ type: 'image/*', limit: MOST_PHOTO }), (request, response) => {
    const { id } = request.params;
    if (!photoId.test(id))
      throw new Refusal(400, 'Faulty request', 'A picture has an id of 8 to 64 letters or digits.');
    const bytes: unknown = request.body;
    const type = Buffer.isBuffer(bytes) ? pictureType(bytes) : undefined;
    if (type === undefined || !Buffer.isBuffer(bytes))
      throw new Refusal(415, 'Not a picture', 'Send a JPEG, PNG or WebP picture.');
    if (!store.photos.add(id, { type, bytes }, clock.recordedAt())) {
      const most = `${MOST_PHOTO_BYTES / 1e9} GB`;
      throw new Refusal(413, 'No room', `The pictures of this venue take ${most} already, which is the most they may.`);
    }
    response.status(201).json({ id });
  });
  router.get('/api/photos/:id', ({ params: { id } }, response) => {
    const photo = store.photos.get(id);
    if (!photo) throw notFound(`picture "${id}"`);
    response.type(photo.type).set('cache-control', 'private, max-age=31536000, immutable').send(photo.bytes);
  });
  return router;
}

/** What a picture is by its first bytes, whatever its sender calls it; nothing where it is none that browsers show. */
function pictureType(bytes: Buffer): string | undefined {
  const starts = (text: string, at = 0) => bytes.subarray(at, at + text.length).equals(Buffer.from(text, 'latin1'));
  if (starts('\xff\xd8\xff')) return 'image/jpeg';
  if (starts('\x89PNG\r\n\x1a\n')) return 'image/png';
  return starts('RIFF') && starts('WEBP', 8) ? 'image/webp' : undefined;
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
