import Papa from 'papaparse';
import type { Circuit, LinePoint } from '@core/circuit';
import type { Fault } from '@core/day';
import { failed, nothingBeside, UNNAMED, type CircuitRead } from './circuit-read';

const REQUIRED = ['x_m', 'y_m', 'width_left_m', 'width_right_m'] as const;
type Column = (typeof REQUIRED)[number] | 'z_m';

/** Reads a centre line from CSV: plane coordinates and widths, a point a line, columns in any order. */
export function readCircuitCsv(text: string): CircuitRead {
  const { data, errors } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  if (errors.length > 0 && errors[0]!.type === 'Quotes') {
    return failed([{ path: `line ${(errors[0]!.row ?? 0) + 1}`, message: errors[0]!.message }]);
  }
  const header = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const missing = REQUIRED.filter((name) => !header.includes(name));
  if (missing.length > 0) {
    return failed(missing.map((name) => ({ path: 'line 1', message: `the column "${name}" is missing` })));
  }
  const faults: Fault[] = [];
  const line = data.slice(1).map((cells, index): LinePoint => {
    const value = (name: Column): number => {
      const cell = cells[header.indexOf(name)]?.trim() ?? '';
      const number = Number(cell);
      if (cell === '' || !Number.isFinite(number)) {
        faults.push({ path: `line ${index + 2}, ${name}`, message: `expected a number, got "${cell}"` });
        return 0;
      }
      return number;
    };
    const point = {
      xM: value('x_m'),
      yM: value('y_m'),
      leftM: value('width_left_m'),
      rightM: value('width_right_m'),
    };
    return header.includes('z_m') ? { ...point, zM: value('z_m') } : point;
  });
  if (faults.length > 0) return failed(faults);
  return {
    ok: true,
    circuit: {
      name: UNNAMED,
      line,
      ...nothingBeside(),
    },
    assumed: [
      'the first point is the start line',
      'the line is closed from the last point to the first',
      ...(header.includes('z_m') ? [] : ['the circuit is level, as there is no column z_m']),
      'plane coordinates: where on the globe it lies is not known',
    ],
  };
}

/** The centre line of a circuit as CSV, to the tenth of a millimetre. */
export function circuitCsv({ line }: Pick<Circuit, 'line'>): string {
  const hilly = line.some(({ zM }) => zM !== undefined);
  const round = (value: number) => Math.round(value * 1e4) / 1e4;
  return Papa.unparse(
    line.map(({ xM, yM, leftM, rightM, zM }) => ({
      x_m: round(xM),
      y_m: round(yM),
      width_left_m: round(leftM),
      width_right_m: round(rightM),
      ...(hilly ? { z_m: round(zM ?? 0) } : {}),
    })),
  );
}
