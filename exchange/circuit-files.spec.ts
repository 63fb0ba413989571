import * as fc from 'fast-check';
import { circuitFile } from '@core/track/circuit/at-start';
import { centreLineOf, LEGENDS, type Circuit, toLatLon, toPlane } from '@core/track/circuit';
import { circle, oval, swinging } from '@core/testing/circuits';
import { circuitCsv } from './circuit-csv';
import { circuitGeoJson } from './circuit-geojson-out';
import { formatOf, readCircuit } from './circuit-import';

const HERE = { latDeg: 61.2, lonDeg: -9.4 };
const circuit = (line: Circuit['line']): Circuit =>
  circuitFile.parse({
    name: 'Slipway',
    line,
    pitExitM: 120,
    corners: [{ name: 'Boathouse', atM: 300, book: { apex: 'double', lookAt: 'the red door' } }],
    cones: [{ id: 'gate-1', kind: 'gate', xM: 12, yM: 30, colour: 'green', note: 'open at nine' }],
    landmarks: [{ name: 'old crane', xM: 40, yM: -80 }],
    marshalPosts: [{ name: 'post 1', xM: 20, yM: 60 }],
    movedCones: [{ id: 'Boathouse-apex', xM: 3, yM: 4, note: 'drain cover' }],
    legend: LEGENDS[1]!,
  });
const faultsOf = (text: string, format: 'geojson' | 'csv' | 'gpx') => {
  const read = readCircuit(text, format);
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('Coordinates', () => {
  it('come back from the globe to the millimetre', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4000, max: 4000, noNaN: true }),
        fc.double({ min: -4000, max: 4000, noNaN: true }),
        (xM, yM) => {
          const back = toPlane(toLatLon({ xM, yM }, HERE), HERE);
          expect(Math.hypot(back.xM - xM, back.yM - yM)).toBeLessThan(0.001);
        },
      ),
    );
  });
});

describe('A circuit in GeoJSON', () => {
  const line = swinging(200, [
    [0.05, 1],
    [0.06, 2],
  ]).map((point, i) => ({ ...point, leftM: 5 + (i % 3), zM: i / 10 }));

  it('comes back as it was', () => {
    const read = readCircuit(circuitGeoJson(circuit(line), HERE), 'geojson');
    if (!read.ok) return fail(read.faults[0]!.message);
    const [before, after] = [centreLineOf(line), centreLineOf(read.circuit.line)];
    expect(after.lengthM).toBeCloseTo(before.lengthM, 2);
    expect(read.circuit.line.map(({ leftM }) => leftM)).toEqual(line.map(({ leftM }) => leftM));
    expect(read.circuit.corners[0]!.book).toEqual({ apex: 'double', lookAt: 'the red door' });
    expect(read.circuit.corners[0]!.atM).toBeCloseTo(300, 0);
    expect(read.circuit.pitExitM).toBeCloseTo(120, 0);
    expect(read.circuit.cones[0]).toEqual(
      jasmine.objectContaining({ id: 'gate-1', colour: 'green', note: 'open at nine' }),
    );
    expect(read.circuit.movedCones[0]).toEqual(jasmine.objectContaining({ id: 'Boathouse-apex', note: 'drain cover' }));
    expect(read.circuit.legend).toEqual(LEGENDS[1]);
    expect([read.circuit.landmarks.length, read.circuit.marshalPosts.length]).toEqual([1, 1]);
    // Sent out a second time it is the same to the letter, about the same middle.
    const again = circuitGeoJson(read.circuit, read.circuit.origin!);
    const twice = readCircuit(again, 'geojson');
    expect(twice.ok && circuitGeoJson(twice.circuit, twice.circuit.origin!)).toBe(again);
  });

  const edited = (
    change: (collection: {
      features: { properties: Record<string, unknown>; geometry: { type: string; coordinates: unknown[] } }[];
    }) => void,
  ) => {
    const collection = JSON.parse(circuitGeoJson(circuit(line), HERE));
    change(collection);
    return JSON.stringify(collection);
  };

  it('is refused with the place of each fault', () => {
    expect(faultsOf('{', 'geojson')[0]).toMatch(/^\(file\): not JSON/);
    expect(
      faultsOf(
        edited(({ features }) => void features.shift()),
        'geojson',
      )[0],
    ).toMatch(/no centre line/);
    expect(
      faultsOf(
        edited(({ features }) => void features.push(features[0]!)),
        'geojson',
      )[0],
    ).toMatch(/2 centre lines/);
    expect(
      faultsOf(
        edited(({ features }) => void features[0]!.geometry.coordinates.pop()),
        'geojson',
      )[0],
    ).toMatch(/features\[0\].geometry: the line is not closed: its last point lies/);
    expect(
      faultsOf(
        edited(({ features }) => (features[0]!.properties['widthLeftM'] = [1, 2])),
        'geojson',
      )[0],
    ).toMatch(/widthLeftM: expected a width for each of the \d+ points, got 2/);
    const metres = edited(({ features }) => {
      features[0]!.geometry.coordinates = line.map(({ xM, yM }) => [xM + 500, yM]);
    });
    expect(faultsOf(metres, 'geojson')[0]).toMatch(/expected degrees .* are these metres\?/);
  });

  it('is not driven along a line that says that it is something else', () => {
    const ring = circle(100, 90).map((point) => {
      const { latDeg, lonDeg } = toLatLon(point, HERE);
      return [lonDeg, latDeg];
    });
    const geometry = { type: 'LineString', coordinates: [...ring, ring[0]!] };
    const feature = { type: 'Feature', properties: { role: 'landmark', name: 'old runway' }, geometry };
    const read = readCircuit(JSON.stringify({ type: 'FeatureCollection', features: [feature] }), 'geojson', {});
    expect(!read.ok && read.faults[0]!.message).toContain('no centre line');
  });

  it('may be one plain line of another program, closed or nearly so, with the widths that are given', () => {
    const ring = circle(100, 90).map((point) => {
      const { latDeg, lonDeg } = toLatLon(point, HERE);
      return [lonDeg, latDeg];
    });
    const width = [4, 6] as const;
    const geometry = { type: 'LineString', coordinates: [...ring, ring[0]!] };
    const feature = { type: 'Feature', properties: null, geometry };
    for (const file of [geometry, feature, { type: 'FeatureCollection', features: [feature] }]) {
      const read = readCircuit(JSON.stringify(file), 'geojson', { width });
      if (!read.ok) return fail(read.faults[0]!.message);
      expect(read.circuit.line.length).toBe(90);
      expect([read.circuit.line[0]!.leftM, read.circuit.line[0]!.rightM]).toEqual([4, 6]);
      expect(read.assumed).toContain('the one line of the file is the centre line, driven as it is drawn');
    }
    const nearly = { ...geometry, coordinates: ring };
    const read = readCircuit(JSON.stringify(nearly), 'geojson', { width });
    expect(read.ok && read.assumed).toContain(jasmine.stringMatching(/the line was closed over its last [\d.]+ m/));
    const half = { ...geometry, coordinates: ring.slice(0, 40) };
    expect(faultsOf(JSON.stringify(half), 'geojson')[0]).toMatch(/the line is not closed/);
    expect(faultsOf(JSON.stringify(geometry), 'geojson')[0]).toMatch(/widthLeftM: expected a number of metres/);
    const two = { type: 'FeatureCollection', features: [feature, feature] };
    expect(faultsOf(JSON.stringify(two), 'geojson')[0]).toMatch(/no centre line/);
  });

  it('and CSV are refused by their number of points before anything is worked out', () => {
    const coordinates = Array.from({ length: 7000 }, (_, i) => [i / 1e5, 1]);
    const line = { type: 'LineString', coordinates };
    expect(faultsOf(JSON.stringify(line), 'geojson')).toEqual([
      'features[0].geometry: expected at most 6000 points, got 7000: thin the line out',
    ]);
    const csv = `x_m,y_m,width_left_m,width_right_m\n${coordinates.map(([x, y]) => `${x},${y},1,1`).join('\n')}`;
    expect(faultsOf(csv, 'csv')).toEqual(['(file): expected at most 6000 points, got 7000: thin the line out']);
  });

  it('may be drawn by its two edges', () => {
    const ring = (radiusM: number) =>
      [...circle(radiusM, 90), circle(radiusM, 90)[0]!].map((point) => {
        const { latDeg, lonDeg } = toLatLon(point, HERE);
        return [lonDeg, latDeg];
      });
    const polygon = (rings: number[][][]) =>
      JSON.stringify({
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', properties: { name: 'Round' }, geometry: { type: 'Polygon', coordinates: rings } },
        ],
      });
    const read = readCircuit(polygon([ring(106), ring(94)]), 'geojson');
    if (!read.ok) return fail(read.faults[0]!.message);
    expect(centreLineOf(read.circuit.line).lengthM).toBeCloseTo(2 * Math.PI * 100, 0);
    expect(read.circuit.line[0]!.leftM).toBeCloseTo(6, 1);
    expect(read.assumed).toContain('the centre line is the middle of the two edges');
    const off = circle(100, 90).map(({ xM, yM }) => toLatLon({ xM: xM + 30, yM }, HERE));
    const shifted = [...off, off[0]!].map(({ latDeg, lonDeg }) => [lonDeg, latDeg]);
    expect(faultsOf(polygon([ring(106), shifted]), 'geojson')[0]).toMatch(/the edges cross, at point/);
    expect(faultsOf(polygon([ring(106)]), 'geojson')[0]).toMatch(/a polygon with one hole/);
  });
});

describe('A circuit in CSV', () => {
  it('comes back as it was, columns in any order', () => {
    const line = oval(300, 50).map((point, i) => ({ ...point, zM: Math.round(i) / 10 }));
    const [header, ...rows] = circuitCsv({ line }).split('\r\n');
    const turned = [header!, ...rows].map((row) => row.split(',').reverse().join(',')).join('\n');
    const read = readCircuit(turned, 'csv');
    if (!read.ok) return fail(read.faults[0]!.message);
    expect(read.circuit.line.length).toBe(line.length);
    expect(read.circuit.line[9]!.zM).toBe(0.9);
    expect(centreLineOf(read.circuit.line).lengthM).toBeCloseTo(centreLineOf(line).lengthM, 1);
    expect(read.assumed).toContain('the line is closed from the last point to the first');
  });

  it('is refused with line and column', () => {
    expect(faultsOf('x_m,y_m,width_left_m\n1,2,3', 'csv')).toEqual([
      'line 1: the column "width_right_m" is missing: expected x_m, y_m, width_left_m, width_right_m and, if there are heights, z_m; all in metres',
    ]);
    const narrow = readCircuit(circuitCsv({ line: circle(100) }).replace(/width_left_m|width_right_m/g, 'w'), 'csv', {
      width: [3, 4],
    });
    expect(narrow.ok && [narrow.circuit.line[0]!.leftM, narrow.circuit.line[0]!.rightM]).toEqual([3, 4]);
    expect(faultsOf('x_m,y_m,width_left_m,width_right_m\n1,2,3,four', 'csv')[0]).toBe(
      'line 2, width_right_m: expected a number, got "four"',
    );
  });

  it('leaves out a last point that repeats the first, and says so', () => {
    const line = circle(100);
    const read = readCircuit(circuitCsv({ line: [...line, line[0]!] }), 'csv');
    expect(read.ok && read.circuit.line.length).toBe(line.length);
    expect(read.ok && read.assumed.some((text) => text.includes('stood twice'))).toBe(true);
  });
});

describe('A circuit in GPX', () => {
  const gpx = (laps: number) => {
    const line = oval(400, 60);
    const points = [...Array.from({ length: laps }, () => line).flat(), ...line.slice(0, 2)].map((point) => {
      const { latDeg, lonDeg } = toLatLon(point, HERE);
      return `<trkpt lat="${latDeg}" lon="${lonDeg}"><ele>3</ele></trkpt>`;
    });
    return `<?xml version="1.0"?><gpx version="1.1"><trk><name>Morning</name><trkseg>${points.join('')}</trkseg></trk></gpx>`;
  };

  it('becomes one line with the widths that were given', () => {
    const read = readCircuit(gpx(2), 'gpx', { width: [4, 6] });
    if (!read.ok) return fail(read.faults[0]!.message);
    expect([read.circuit.name, read.circuit.line[0]!.leftM, read.circuit.line[0]!.rightM]).toEqual(['Morning', 4, 6]);
    expect(centreLineOf(read.circuit.line).lengthM / (800 + 2 * Math.PI * 60)).toBeCloseTo(1, 2);
    expect(read.assumed.join()).toMatch(/2 laps were found and averaged.*a few per cent/);
  });

  it('is refused where it is no track', () => {
    expect(faultsOf('<gpx><trk>', 'gpx')[0]).toMatch(/not XML/);
    expect(faultsOf('<gpx></gpx>', 'gpx')).toEqual(['gpx: expected one track (trk), got 0']);
  });
});

describe('The format of a circuit file', () => {
  it('is told by its name', () => {
    expect(['a.geojson', 'b.JSON', 'c.csv', 'd.gpx', 'e.txt'].map(formatOf)).toEqual([
      'geojson',
      'geojson',
      'csv',
      'gpx',
      undefined,
    ]);
  });

  it('in plane coordinates is turned to the north and placed by two places that are known on the globe', () => {
    const origin = { latDeg: 61.9, lonDeg: -6.8 };
    // The file's x points south, its y east.
    const ring = Array.from({ length: 40 }, (_, i) => (i / 40) * 2 * Math.PI).map((turn) => {
      const [east, north] = [200 * Math.cos(turn), 120 * Math.sin(turn)];
      return { x: -north, y: east, on: toLatLon({ xM: east, yM: north }, origin) };
    });
    const csv = ['x_m,y_m', ...ring.map(({ x, y }) => `${x},${y}`)].join('\n');
    const known = (i: number) => ({ xM: ring[i]!.x, yM: ring[i]!.y, ...ring[i]!.on });
    const read = readCircuit(csv, 'csv', { width: [5, 5], placed: [known(0), known(13)] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const back = toLatLon(read.circuit.line[20]!, read.circuit.origin!);
    const off = toPlane(back, { ...ring[20]!.on });
    expect(Math.hypot(off.xM, off.yM)).toBeLessThan(0.5);
    expect(read.assumed.join()).not.toContain('not known');
    const shrunk = { ...known(13), xM: known(13).xM * 2, yM: known(13).yM * 2 };
    const wrong = readCircuit(csv, 'csv', { width: [5, 5], placed: [known(0), shrunk] });
    expect(wrong.ok && wrong.assumed.join()).toContain('% nearer or further');
  });
});
