import { circuitFaults, type LinePoint } from '@core/track/circuit';
import { readCircuitCsv } from './circuit-csv';
import { readCircuitGeoJson } from './circuit-geojson';
import { readCircuitGpx } from './circuit-gpx';
import type { CircuitRead, CircuitReadOptions } from './circuit-read';

export type CircuitFormat = 'geojson' | 'csv' | 'gpx';

/** The format of a file by its name; `undefined` where the name tells none. */
export function formatOf(fileName: string): CircuitFormat | undefined {
  const ending = /\.(\w+)$/.exec(fileName.toLowerCase())?.[1] ?? '';
  return ({ geojson: 'geojson', json: 'geojson', csv: 'csv', gpx: 'gpx' } as const)[ending];
}

/** Reads a circuit and checks it; every fault is named with its place. */
export function readCircuit(text: string, format: CircuitFormat, options: CircuitReadOptions = {}): CircuitRead {
  const clean = text.replace(/^\uFEFF/, '');
  const read =
    format === 'geojson'
      ? readCircuitGeoJson(clean, options)
      : format === 'csv'
        ? readCircuitCsv(clean, options)
        : readCircuitGpx(clean, options);
  if (!read.ok) return read;
  const { line, dropped } = withoutDoubles(read.circuit.line);
  const faults = circuitFaults({ line }, options.carWidthM);
  if (faults.length > 0) return { ok: false, faults };
  const assumed = [...read.assumed];
  if (dropped > 0) assumed.push(`${dropped} point(s) that stood twice in the same place were left out`);
  const folds = foldOf(line);
  if (folds !== undefined) {
    assumed.push(`an edge folds back on itself at point ${folds}: the road is wider there than the bend is tight`);
  }
  return { ok: true, circuit: { ...read.circuit, line }, assumed };
}

function withoutDoubles(line: readonly LinePoint[]): { line: LinePoint[]; dropped: number } {
  const kept = line.filter((point, i) => {
    const before = line[(i + line.length - 1) % line.length]!;
    return i === 0 || Math.hypot(point.xM - before.xM, point.yM - before.yM) > 1e-6;
  });
  const last = kept.at(-1);
  const first = kept[0];
  if (kept.length > 1 && last && first && Math.hypot(last.xM - first.xM, last.yM - first.yM) <= 1e-6) kept.pop();
  return { line: kept, dropped: line.length - kept.length };
}

/** The first point at which the inner edge lies beyond the centre of the bend. */
function foldOf(line: readonly LinePoint[]): number | undefined {
  const n = line.length;
  const found = line.findIndex((b, i) => {
    const [a, c] = [line[(i + n - 1) % n]!, line[(i + 1) % n]!];
    const cross = (b.xM - a.xM) * (c.yM - b.yM) - (b.yM - a.yM) * (c.xM - b.xM);
    const sides =
      Math.hypot(b.xM - a.xM, b.yM - a.yM) *
      Math.hypot(c.xM - b.xM, c.yM - b.yM) *
      Math.hypot(c.xM - a.xM, c.yM - a.yM);
    const curvature = sides === 0 ? 0 : (2 * cross) / sides;
    return curvature * (curvature > 0 ? b.leftM : -b.rightM) >= 1;
  });
  return found < 0 ? undefined : found;
}
