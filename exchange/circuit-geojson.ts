import { circuitFile, coneKind } from '@core/track/circuit/at-start';
import {
  besideCentre,
  centreLineOf,
  crossingOf,
  MOST_LINE_POINTS,
  SegmentGrid,
  type FlatPoint,
  type LinePoint,
  type Origin,
  middleOf,
  toPlane,
  type LatLon,
} from '@core/track/circuit';
import { faultsOf, parseJson, type Fault } from '@core/values';
import * as z from 'zod';
import { failed, nothingBeside, UNNAMED, type CircuitRead, type CircuitReadOptions } from './circuit-read';

const position = z.array(z.number()).min(2, 'expected longitude and latitude').max(4);
const feature = z.object({
  type: z.literal('Feature'),
  properties: z.record(z.string(), z.unknown()).nullable(),
  geometry: z.discriminatedUnion('type', [
    z.object({ type: z.literal('Point'), coordinates: position }),
    z.object({ type: z.literal('LineString'), coordinates: z.array(position) }),
    z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position)) }),
  ]),
});
type Feature = z.output<typeof feature>;
const collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(feature) });

/** A collection, or the one feature or line that another program has written without it. */
const anyGeoJson = z.preprocess((value) => {
  const { type } = (value ?? {}) as { type?: unknown };
  if (type === 'LineString' || type === 'Polygon') {
    return { type: 'FeatureCollection', features: [{ type: 'Feature', properties: null, geometry: value }] };
  }
  return type === 'Feature' ? { type: 'FeatureCollection', features: [value] } : value;
}, collection);

const CLOSED_M = 0.05;

const tooMany = (path: string, points: number): Fault => ({
  path,
  message: `expected at most ${MOST_LINE_POINTS} points, got ${points}: thin the line out`,
});

/** Reads a circuit from GeoJSON (RFC 7946): a centre line or its two edges, and what stands beside it. */
export function readCircuitGeoJson(text: string, { width }: CircuitReadOptions = {}): CircuitRead {
  const parsed = parseJson(text, anyGeoJson);
  if (!parsed.ok) return failed(parsed.faults);
  const { features } = parsed.value;
  const outside = features.flatMap((one, index) => outsideGlobe(one, index));
  if (outside.length > 0) return failed(outside);
  const named = features.flatMap((one, index) =>
    one.geometry.type === 'Polygon' || (one.geometry.type === 'LineString' && role(one) === 'centreLine')
      ? [index]
      : [],
  );
  // Another program's file knows no roles: where it has one line, that is the one.
  const plain = features.flatMap((one, index) =>
    one.geometry.type === 'LineString' && role(one) === undefined ? [index] : [],
  );
  const lines = named.length === 0 && plain.length === 1 ? plain : named;
  const [at] = lines;
  if (at === undefined || lines.length > 1) {
    const found = lines.length === 0 ? 'no centre line' : `${lines.length} centre lines`;
    return failed([
      {
        path: 'features',
        message: `${found}: expected exactly one LineString with the role "centreLine", or one Polygon of its edges`,
      },
    ]);
  }
  const main = features[at]!;
  const path = `features[${at}]`;
  const read =
    main.geometry.type === 'Polygon'
      ? fromEdges(main, path)
      : fromCentreLine(main, path, { width, isPlain: lines === plain });
  if (!('line' in read)) return failed(read.faults);
  return withPlaces(features, main, read.line, read.origin, read.assumed);
}
const role = ({ properties }: Feature) => properties?.['role'];

interface LineRead {
  readonly line: LinePoint[];
  readonly origin: Origin;
  readonly assumed: string[];
}

function outsideGlobe({ geometry }: Feature, index: number): Fault[] {
  const all =
    geometry.type === 'Point'
      ? [geometry.coordinates]
      : geometry.type === 'LineString'
        ? geometry.coordinates
        : geometry.coordinates.flat();
  const wrong = all.findIndex(([lon, lat]) => Math.abs(lon!) > 180 || Math.abs(lat!) > 85);
  if (wrong < 0) return [];
  return [
    {
      path: `features[${index}].geometry.coordinates[${wrong}]`,
      message: 'expected degrees (longitude, latitude); are these metres?',
    },
  ];
}

const latLon = ([lonDeg, latDeg]: readonly number[]): LatLon => ({ latDeg: latDeg!, lonDeg: lonDeg! });

/** A plain line may stop a few points short of its beginning: it is closed then. */
const CLOSES_WITHIN_SPACINGS = 5;

function fromCentreLine(
  { geometry, properties }: Feature,
  path: string,
  { width, isPlain }: { readonly width: CircuitReadOptions['width']; readonly isPlain: boolean },
): LineRead | { faults: Fault[] } {
  const coordinates = geometry.coordinates as number[][];
  if (coordinates.length > MOST_LINE_POINTS) return { faults: [tooMany(`${path}.geometry`, coordinates.length)] };
  if (coordinates.length < 2) return { faults: [{ path, message: 'expected at least 20 points' }] };
  const origin = middleOf(coordinates.map(latLon));
  const points = coordinates.map((one) => toPlane(latLon(one), origin));
  const gapM = Math.hypot(points[0]!.xM - points.at(-1)!.xM, points[0]!.yM - points.at(-1)!.yM);
  const faults: Fault[] = [];
  const lengthM = points
    .slice(1)
    .reduce((sum, b, i) => sum + Math.hypot(b.xM - points[i]!.xM, b.yM - points[i]!.yM), 0);
  const closesM = isPlain ? (CLOSES_WITHIN_SPACINGS * lengthM) / (points.length - 1) : CLOSED_M;
  if (gapM > Math.max(CLOSED_M, closesM)) {
    faults.push({
      path: `${path}.geometry`,
      message: `the line is not closed: its last point lies ${gapM.toFixed(1)} m from the first`,
    });
  }
  const isClosed = gapM <= CLOSED_M;
  const open = isClosed ? points.slice(0, -1) : points;
  const assumed: string[] = isPlain ? ['the one line of the file is the centre line, driven as it is drawn'] : [];
  if (!isClosed) assumed.push(`the line was closed over its last ${gapM.toFixed(1)} m`);
  const widths = (key: 'widthLeftM' | 'widthRightM'): number[] => {
    const value = properties?.[key] ?? (width && width[key === 'widthLeftM' ? 0 : 1]);
    if (properties?.[key] === undefined && width) assumed.push(`${key} is ${JSON.stringify(value)} m everywhere`);
    if (typeof value === 'number') return open.map(() => value);
    if (Array.isArray(value) && value.every((one) => typeof one === 'number')) {
      if (value.length === open.length || value.length === points.length) return value.slice(0, open.length);
      faults.push({
        path: `${path}.properties.${key}`,
        message: `expected a width for each of the ${open.length} points, got ${value.length}`,
      });
      return open.map(() => 1);
    }
    faults.push({ path: `${path}.properties.${key}`, message: 'expected a number of metres, or one for each point' });
    return open.map(() => 1);
  };
  const [left, right] = [widths('widthLeftM'), widths('widthRightM')];
  if (faults.length > 0) return { faults };
  const hilly = coordinates.every((one) => one.length >= 3);
  if (!hilly) {
    assumed.push(
      coordinates.some((one) => one.length >= 3)
        ? 'the circuit is level, as some points have no height'
        : 'the circuit is level, as its points have no heights',
    );
  }
  const line = open.map((point, i) => ({
    ...point,
    ...(hilly ? { zM: coordinates[i]![2]! } : {}),
    leftM: left[i]!,
    rightM: right[i]!,
  }));
  return { line, origin, assumed };
}

/** The middle between two edges: the outer ring of a polygon and its one hole. */
function fromEdges({ geometry }: Feature, path: string): LineRead | { faults: Fault[] } {
  const rings = geometry.coordinates as number[][][];
  if (rings.length !== 2) {
    return {
      faults: [{ path: `${path}.geometry`, message: `expected a polygon with one hole, got ${rings.length - 1}` }],
    };
  }
  const origin = middleOf(rings[0]!.map(latLon));
  const long = rings.findIndex((ring) => ring.length > MOST_LINE_POINTS);
  if (long >= 0) return { faults: [tooMany(`${path}.geometry.coordinates[${long}]`, rings[long]!.length)] };
  const edges = rings.map((ring) => ring.slice(0, -1).map((one) => toPlane(latLon(one), origin)));
  const [outer, inner] = edges as [LatLonPlane[], LatLonPlane[]];
  for (const [index, ring] of rings.entries()) {
    const [first, last] = [toPlane(latLon(ring[0]!), origin), toPlane(latLon(ring.at(-1)!), origin)];
    const gapM = Math.hypot(first.xM - last.xM, first.yM - last.yM);
    if (gapM > CLOSED_M) {
      return {
        faults: [
          {
            path: `${path}.geometry.coordinates[${index}]`,
            message: `the edge is not closed: a gap of ${gapM.toFixed(1)} m`,
          },
        ],
      };
    }
  }
  const crossing = crossingOf(outer, inner);
  if (crossing) {
    return {
      faults: [
        {
          path: `${path}.geometry.coordinates[0][${crossing[0]}]`,
          message: `the edges cross, at point ${crossing[0]} of the outer and ${crossing[1]} of the inner one`,
        },
      ],
    };
  }
  if (outer.length < 20 || inner.length < 20) {
    return { faults: [{ path: `${path}.geometry`, message: 'expected at least 20 points on each edge' }] };
  }
  // Driving direction is that of the outer ring. Each of its points is paired with the nearest place of the hole.
  const clockwise = area(outer) < 0;
  const grid = new SegmentGrid(inner);
  const line = outer.map((point): LinePoint => {
    const { place, awayM } = nearestOn(grid, point);
    const half = awayM / 2;
    return { xM: (point.xM + place.xM) / 2, yM: (point.yM + place.yM) / 2, leftM: half, rightM: half };
  });
  return {
    line,
    origin,
    assumed: [
      'the centre line is the middle of the two edges',
      `driven ${clockwise ? 'clockwise' : 'anticlockwise'}, as the outer edge is drawn, from its first point`,
      'the circuit is level, as edges carry no heights',
    ],
  };
}

type LatLonPlane = ReturnType<typeof toPlane>;

const area = (ring: readonly LatLonPlane[]) =>
  ring.reduce((sum, a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return sum + (a.xM * b.yM - b.xM * a.yM) / 2;
  }, 0);

function nearestOn(ring: SegmentGrid, point: FlatPoint): { place: FlatPoint; awayM: number } {
  let best: { place: FlatPoint; awayM: number } = { place: point, awayM: Infinity };
  for (const i of ring.around(point)) {
    const [a, b] = ring.endsOf(i);
    const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
    const part = ((point.xM - a.xM) * dx + (point.yM - a.yM) * dy) / (dx * dx + dy * dy || 1);
    const along = Math.min(1, Math.max(0, part));
    const place = { xM: a.xM + along * dx, yM: a.yM + along * dy };
    const awayM = Math.hypot(place.xM - point.xM, place.yM - point.yM);
    if (awayM < best.awayM) best = { place, awayM };
  }
  return best;
}

/** Names and places that come with the line; a point whose role is not known is left out and said. */
function withPlaces(
  features: readonly Feature[],
  main: Feature,
  line: LinePoint[],
  origin: Origin,
  assumed: string[],
): CircuitRead {
  const name = typeof main.properties?.['name'] === 'string' ? main.properties['name'] : undefined;
  if (name === undefined) assumed.push('the circuit has no name');
  const enough = line.length >= 3;
  const centre = enough ? centreLineOf(line, 2) : undefined;
  const circuit: Record<string, unknown> & {
    corners: unknown[];
    cones: unknown[];
    movedCones: unknown[];
    landmarks: unknown[];
    marshalPosts: unknown[];
  } = {
    name: name ?? UNNAMED,
    origin,
    line,
    ...nothingBeside(),
  };
  for (const key of ['legend', 'removedCones']) {
    if (main.properties?.[key] !== undefined) circuit[key] = main.properties[key];
  }
  const unknown = new Set<string>();
  for (const one of features) {
    if (one === main) continue;
    if (one.geometry.type !== 'Point' || !centre) {
      unknown.add(one.geometry.type);
      continue;
    }
    const point = toPlane(latLon(one.geometry.coordinates), origin);
    const { atM } = besideCentre(centre, point.xM, point.yM);
    const properties = one.properties ?? {};
    const label = typeof properties['name'] === 'string' ? properties['name'] : undefined;
    switch (role(one)) {
      case 'pitExit':
        circuit['pitExitM'] = atM;
        break;
      case 'pitEntry':
        circuit['pitEntryM'] = atM;
        break;
      case 'corner':
        circuit.corners.push({
          name: label ?? `Corner ${String(properties['number'])}`,
          atM,
          book: properties['book'] ?? {},
        });
        break;
      case 'movedCone':
        circuit.movedCones.push({ id: properties['id'], note: properties['note'] ?? '', ...point });
        break;
      case 'landmark':
        circuit.landmarks.push({ name: label ?? 'landmark', ...point });
        break;
      case 'marshalPost':
        circuit.marshalPosts.push({ name: label ?? `post ${circuit.marshalPosts.length + 1}`, ...point });
        break;
      case 'cone': {
        const kind = coneKind.safeParse(properties['kind']);
        if (!kind.success) {
          unknown.add(`cone of the kind ${JSON.stringify(properties['kind'])}`);
          break;
        }
        const text = (key: string) => {
          const value = properties[key];
          return typeof value === 'string' || typeof value === 'number' ? String(value) : undefined;
        };
        circuit.cones.push({
          id: text('id') ?? `cone-${circuit.cones.length + 1}`,
          kind: kind.data,
          ...point,
          colour: text('colour'),
          corner: text('corner'),
          note: text('note'),
        });
        break;
      }
      default:
        unknown.add(`point with the role "${String(role(one))}"`);
    }
  }
  if (unknown.size > 0) assumed.push(`left out: ${[...unknown].join(', ')}`);
  const checked = circuitFile.safeParse(circuit);
  if (!checked.success) return failed(faultsOf(checked.error));
  return { ok: true, circuit: checked.data, assumed };
}
