import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { circuitOfTrack } from '@core/track/circuit';
import type { Fault } from '@core/values';
import * as z from 'zod';
import { failed, UNNAMED, type CircuitRead, type CircuitReadOptions } from './circuit-read';

const trackPoint = z.object({
  latDeg: z.coerce.number().min(-85).max(85),
  lonDeg: z.coerce.number().min(-180).max(180),
  zM: z.coerce.number().optional(),
});

const list = (value: unknown): unknown[] => (value === undefined ? [] : Array.isArray(value) ? value : [value]);

/** No track lies deeper. */
const DEEPEST = 50;

/** What no track needs and a parser might choke on: entities of its own, tags nested without end. */
function harmIn(text: string): Fault | undefined {
  const fault = (index: number, message: string) => ({
    path: `line ${text.slice(0, index).split('\n').length}`,
    message,
  });
  const entity = text.search(/<!(DOCTYPE|ENTITY)/i);
  if (entity >= 0) return fault(entity, 'a track needs no document type and no entities');
  let depth = 0;
  for (const tag of text.matchAll(/<(\/?)[A-Za-z_][^<>]*?(\/?)>/g)) {
    if (tag[1] === '/') depth -= 1;
    else if (tag[2] !== '/') depth += 1;
    if (depth > DEEPEST) return fault(tag.index, `tags are nested more than ${DEEPEST} deep`);
  }
  return undefined;
}

/** What the text holds, or why it cannot be read: the parser sees faults that the validator passes over. */
function parse(text: string): Record<string, unknown> | string {
  const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', processEntities: false });
  try {
    return parser.parse(text) as Record<string, unknown>;
  } catch (error) {
    return (error as Error).message;
  }
}

/**
 * Reads a circuit from a receiver's track (GPX 1.1): laps are cut at the start line, smoothed, aligned by distance and
 * averaged. A lap time from such a line is good to a few per cent.
 */
export function readCircuitGpx(text: string, { width, start }: CircuitReadOptions): CircuitRead {
  const harm = harmIn(text);
  if (harm) return failed([harm]);
  const valid = XMLValidator.validate(text);
  if (valid !== true) return failed([{ path: `line ${valid.err.line}`, message: `not XML: ${valid.err.msg}` }]);
  const parsed = parse(text);
  if (typeof parsed === 'string') return failed([{ path: 'gpx', message: `not XML: ${parsed}` }]);
  const gpx = (parsed['gpx'] ?? {}) as Record<string, unknown>;
  const tracks = list(gpx['trk']) as Record<string, unknown>[];
  if (tracks.length !== 1) {
    return failed([{ path: 'gpx', message: `expected one track (trk), got ${tracks.length}` }]);
  }
  const raw = list(tracks[0]!['trkseg']).flatMap((segment) =>
    list((segment as Record<string, unknown>)['trkpt']),
  ) as Record<string, unknown>[];
  const faults: Fault[] = [];
  const points = raw.flatMap((one, index) => {
    const read = trackPoint.safeParse({ latDeg: one['@lat'], lonDeg: one['@lon'], zM: one['ele'] });
    if (read.success) return [read.data];
    faults.push({ path: `trkpt[${index}]`, message: 'expected latitude and longitude in degrees' });
    return [];
  });
  if (faults.length > 0) return failed(faults);
  const [leftM, rightM] = width ?? [5, 5];
  const name = tracks[0]!['name'];
  const read = circuitOfTrack(points, {
    name: typeof name === 'string' && name.trim() !== '' ? name.trim() : UNNAMED,
    widthM: [leftM, rightM],
    start: start && { latDeg: start[0], lonDeg: start[1] },
  });
  if (!read.ok) return failed([{ path: 'trk', message: read.message }]);
  return {
    ok: true,
    circuit: read.circuit,
    assumed: [
      read.laps === 1 ? 'one lap was found' : `${read.laps} laps were found and averaged`,
      `laps are cut at ${start ? 'the start that was given' : 'the first point of the track'}`,
      'the track was smoothed: what is shorter than about forty metres is lost; a lap time is good to a few per cent',
      `the road reaches ${leftM} m to the left and ${rightM} m to the right of where the receiver was driven`,
      ...(read.hilly ? [] : ['the circuit is level, as not every point has a height']),
    ],
  };
}
