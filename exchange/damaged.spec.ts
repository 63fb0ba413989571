import fc from 'fast-check';
import type { InstructorFields } from '@core/people/crew';
import { circuitFile } from '@core/track/circuit/at-start';
import { toLatLon } from '@core/track/circuit';
import { oval } from '@core/testing/circuits';
import { readBookingList } from './booking-list';
import { circuitCsv } from './circuit-csv';
import { circuitGeoJson } from './circuit-geojson-out';
import { readCircuit, type CircuitFormat } from './circuit-import';
import { readRosterIcal } from './roster-ical';

/** One thing that happens to a file on its way: cut off, a piece lost, doubled, or replaced by what does not belong. */
const damage = fc.record({
  kind: fc.constantFrom('cut', 'lost', 'doubled', 'replaced'),
  place: fc.double({ min: 0, max: 1, noNaN: true }),
  length: fc.integer({ min: 0, max: 60 }),
  by: fc.oneof(
    fc.constantFrom(
      '"',
      '\u0000',
      '\uFEFF',
      '<',
      '&x;',
      '{',
      '[[[[',
      ';;;',
      'NaN',
      '-1e999',
      '__proto__',
      '\r',
      'RRULE:',
    ),
    fc.string({ maxLength: 12 }),
  ),
});
type Damage = typeof damage extends fc.Arbitrary<infer T> ? T : never;

function damaged(text: string, done: readonly Damage[]): string {
  return done.reduce((whole, { kind, place, length, by }) => {
    const at = Math.floor(place * whole.length);
    const piece = whole.slice(at, at + length);
    const rest = whole.slice(at + length);
    const before = whole.slice(0, at);
    if (kind === 'cut') return before;
    if (kind === 'lost') return before + rest;
    return kind === 'doubled' ? before + piece + piece + rest : before + by + rest;
  }, text);
}

const HERE = { latDeg: 61.2, lonDeg: -9.4 };
const line = oval(300, 50);
const circuit = circuitFile.parse({
  name: 'Slipway',
  line,
  corners: [{ name: 'Boathouse', atM: 150 }],
  landmarks: [{ name: 'old crane', xM: 40, yM: -80 }],
});
const track = [...line, ...line, ...line.slice(0, 2)].map((point) => {
  const { latDeg, lonDeg } = toLatLon(point, HERE);
  return `<trkpt lat="${latDeg}" lon="${lonDeg}"><ele>3</ele></trkpt>`;
});
const FILES: Record<CircuitFormat, string> = {
  geojson: circuitGeoJson(circuit, HERE),
  csv: circuitCsv(circuit),
  gpx: `<?xml version="1.0"?><gpx version="1.1"><trk><name>Morning</name><trkseg>${track.join('')}</trkseg></trk></gpx>`,
};
const CALENDAR = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'BEGIN:VEVENT',
  'UID:a',
  'SUMMARY:Odile Varga',
  'DTSTART;TZID=Europe/Paris:20270524T083000',
  'DTEND;TZID=Europe/Paris:20270524T120000',
  'RRULE:FREQ=WEEKLY;COUNT=6;BYDAY=MO,TU',
  'EXDATE;TZID=Europe/Paris:20270531T083000',
  'END:VEVENT',
  'BEGIN:VEVENT',
  'UID:b',
  'SUMMARY:Odile Varga away',
  'DTSTART;VALUE=DATE:20270601',
  'DTEND;VALUE=DATE:20270604',
  'END:VEVENT',
  'END:VCALENDAR',
].join('\r\n');
const CREW = { crew: [{ id: 'i1', name: 'Odile Varga' } as InstructorFields], timeZone: 'Atlantic/Faroe' };
const LIST = [
  'reference;name;arrives;drives;email;notes;price',
  'A1;Ines Faro;9:10;Halyard GT x5;ines@example.org;"one; two";149,50',
  'A2;Piet Verhoeve;9:20;9 x7 + 4 x5;;;',
].join('\r\n');
const NAMES = {
  date: '2027-05-22',
  cars: [
    { id: 'c4', name: 'Halyard GT', number: 4 },
    { id: 'c9', name: 'Sabrel R', number: 9 },
  ],
  instructors: [{ id: 'i4', name: 'Ife Okoro' }],
  bookings: [],
};

const harm = fc.array(damage, { minLength: 1, maxLength: 4 });
const RUNS = { numRuns: 150 };
/** Every fault has a place and a reason in words. */
const sayWhere = (faults: readonly { readonly path: string; readonly message: string }[]) => {
  expect(faults.length).toBeGreaterThan(0);
  for (const { path, message } of faults) expect([path, message].every((words) => words.length > 0)).toBeTrue();
};

describe('A file that was damaged on its way', () => {
  for (const format of ['geojson', 'csv', 'gpx'] as const) {
    it(`gives a circuit that can be driven, or faults with their places: ${format}`, () => {
      expect(readCircuit(FILES[format], format, { width: [4, 6] }).ok).toBeTrue();
      fc.assert(
        fc.property(harm, (done) => {
          const read = readCircuit(damaged(FILES[format], done), format, { width: [4, 6] });
          if (!read.ok) return sayWhere(read.faults);
          const again = circuitFile.safeParse(read.circuit);
          expect(again.success).withContext(JSON.stringify(done)).toBeTrue();
        }),
        RUNS,
      );
    });
  }

  it('gives entries of the roster within their day, or names what cannot be taken in: a calendar', () => {
    const sound = readRosterIcal(CALENDAR, CREW);
    expect(sound.ok && sound.faults).toEqual([]);
    fc.assert(
      fc.property(harm, (done) => {
        const read = readRosterIcal(damaged(CALENDAR, done), CREW);
        if (!read.ok) return void expect(read.reason.length).toBeGreaterThan(0);
        for (const { line: at, message } of read.faults) expect(at > 0 && message.length > 0).toBeTrue();
        for (const { from, to, hours } of read.entries) {
          expect(from <= to)
            .withContext(JSON.stringify(done))
            .toBeTrue();
          if (hours) expect(hours.from).withContext(JSON.stringify(done)).toBeLessThan(hours.to);
        }
        expect(({} as { type?: unknown }).type).toBeUndefined();
      }),
      RUNS,
    );
  });

  it('gives rows that are whole or say what is wrong with them: a booking list', () => {
    const sound = readBookingList(LIST, NAMES);
    expect(sound.ok && sound.preview.rows.map(({ outcome }) => outcome)).toEqual(['added', 'added']);
    fc.assert(
      fc.property(harm, (done) => {
        const read = readBookingList(damaged(LIST, done), NAMES);
        if (!read.ok) return sayWhere(read.faults);
        for (const { outcome, fields, faults } of read.preview.rows) {
          expect(outcome === 'faulty')
            .withContext(JSON.stringify(done))
            .toBe(faults.length > 0);
          expect(fields !== undefined)
            .withContext(JSON.stringify(done))
            .toBe(outcome !== 'faulty');
        }
      }),
      RUNS,
    );
  });
});
