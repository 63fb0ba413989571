import Papa from 'papaparse';
import { MOST_LINE_POINTS, placed, placingOnGlobe, type Circuit, type LinePoint } from '@core/track/circuit';
import type { Fault } from '@core/values';
import { failed, nothingBeside, UNNAMED, type CircuitRead, type CircuitReadOptions } from './circuit-read';

/** Two places that are further off than this were mistaken, or the file is not in metres. */
const MOST_OFF = 0.01;

const PLACE = ['x_m', 'y_m'] as const;
const WIDTHS = ['width_left_m', 'width_right_m'] as const;
type Column = (typeof PLACE)[number] | (typeof WIDTHS)[number] | 'z_m';

/**
 * Reads a centre line from CSV: plane coordinates and widths, a point a line, columns in any order. Without columns of
 * widths the road is as wide as `width` says. Two places that are known on the globe turn it to the north and give it an
 * origin; lengths stay those of the file.
 */
export function readCircuitCsv(text: string, { width, placed: known }: CircuitReadOptions = {}): CircuitRead {
  const { data, errors } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  if (errors.length > 0 && errors[0]!.type === 'Quotes') {
    return failed([{ path: `line ${(errors[0]!.row ?? 0) + 1}`, message: errors[0]!.message }]);
  }
  const header = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const hasWidths = WIDTHS.every((name) => header.includes(name));
  const needed = width && !hasWidths ? PLACE : [...PLACE, ...WIDTHS];
  const missing = needed.filter((name) => !header.includes(name));
  if (missing.length > 0) {
    const wanted = 'expected x_m, y_m, width_left_m, width_right_m and, if there are heights, z_m; all in metres';
    return failed(missing.map((name) => ({ path: 'line 1', message: `the column "${name}" is missing: ${wanted}` })));
  }
  if (data.length - 1 > MOST_LINE_POINTS) {
    const message = `expected at most ${MOST_LINE_POINTS} points, got ${data.length - 1}: thin the line out`;
    return failed([{ path: '(file)', message }]);
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
      leftM: hasWidths ? value('width_left_m') : width![0],
      rightM: hasWidths ? value('width_right_m') : width![1],
    };
    return header.includes('z_m') ? { ...point, zM: value('z_m') } : point;
  });
  if (faults.length > 0) return failed(faults);
  const onGlobe = known && placingOnGlobe(known);
  if (known && !onGlobe) return failed([{ path: '(places)', message: 'expected two places that lie apart' }]);
  const offShare = onGlobe ? Math.abs(onGlobe.placing.scale - 1) : 0;
  return {
    ok: true,
    circuit: {
      name: UNNAMED,
      ...(onGlobe && { origin: onGlobe.origin }),
      line: onGlobe ? line.map((point) => placed(point, { ...onGlobe.placing, scale: 1 })) : line,
      ...nothingBeside(),
    },
    assumed: [
      'the first point is the start line',
      'the line is closed from the last point to the first',
      ...(hasWidths ? [] : [`the road reaches ${width![0]} m to the left and ${width![1]} m to the right`]),
      ...(header.includes('z_m') ? [] : ['the circuit is level, as there is no column z_m']),
      ...(onGlobe ? [] : ['plane coordinates: where on the globe it lies is not known']),
      ...(offShare > MOST_OFF
        ? [`the two places are ${(100 * offShare).toFixed(1)} % nearer or further on the globe than in the file`]
        : []),
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
