import { around } from './around';
import { besideCentre, pointBeside, stationAt, type CentreLine } from './centre-line';
import { coneKind, type Circuit, type ConeKind, type Legend, type Marker } from './circuit-file';
import { legendOf } from './legend';
import { fact, type Fact } from '../day/fact';
import type { TaughtCorner } from './teaching-line';

/** Something to set out: one place, marked as the legend says. */
export interface PlacedCone {
  readonly id: string;
  readonly kind: ConeKind;
  /** Name or number of its corner. */
  readonly corner: string | undefined;
  /** Along the centre line, metres from the start line. */
  readonly atM: number;
  readonly side: 'left' | 'right';
  /** How far beyond the edge of the road, metres; less than 0 where it stands on the road. */
  readonly beyondEdgeM: number;
  readonly xM: number;
  readonly yM: number;
  readonly marker: Marker;
  /** What stands there in place of a cone. */
  readonly landmark: string | undefined;
  readonly note: string | undefined;
  /** Computed, moved by somebody, or placed by hand from the start. */
  readonly origin: 'computed' | 'moved' | 'hand';
}

/** Why a cone is left away: the legend has none of the kind, or the next turn-in is on the same side soon after. */
export type OmittedReason =
  Fact<'notMarked', object, { kind: ConeKind }> | Fact<'shortStraight', object, { inside: 'left' | 'right' }>;

/** A cone that is not there on purpose. */
export interface OmittedCone {
  readonly corner: string;
  readonly atM: number;
  readonly kind: ConeKind;
  readonly reason: OmittedReason;
}

export interface ConePlan {
  /** In the order in which one drives by. */
  readonly cones: readonly PlacedCone[];
  readonly omitted: readonly OmittedCone[];
}

/** Cones stand so far off the edge, metres. */
const OFF_EDGE_M = 0.3;
const LANDMARK_WITHIN_M = 40;

/** What a corner is called: its name, or its number. */
export const cornerName = ({ corner, named }: TaughtCorner): string => named?.name ?? `Corner ${corner.number}`;

/**
 * The cones of a circuit: brake, turn-in, apex and exit of each corner, computed from line and speed, and what has been
 * moved or placed by hand.
 *
 * @param brakesM where to brake for each corner, metres along the centre line; `undefined` where nobody brakes
 */
export function conesOf(
  circuit: Circuit,
  centre: CentreLine,
  taught: readonly TaughtCorner[],
  brakesM: readonly (number | undefined)[],
): ConePlan {
  const legend = legendOf(circuit);
  const moved = new Map(circuit.movedCones.map((one) => [one.id, one]));
  const cones: PlacedCone[] = [];
  const omitted: OmittedCone[] = [];
  const wrap = (atM: number) => around(atM, centre.lengthM);

  const place = (taughtCorner: TaughtCorner, kind: ConeKind, side: 'left' | 'right', where: number, more = '') => {
    const name = cornerName(taughtCorner);
    const id = `${name}-${kind}${more}`;
    const marker = legend[kind];
    if (marker.by === 'none') {
      omitted.push({ corner: name, atM: wrap(where), kind, reason: fact('notMarked', {}, { kind }) });
      return;
    }
    const shift = moved.get(id);
    const atM = wrap(where);
    const i = stationAt(centre, atM);
    const edgeM = side === 'left' ? centre.leftM[i]! : centre.rightM[i]!;
    const offsetM = (side === 'left' ? 1 : -1) * (edgeM + OFF_EDGE_M);
    const point = shift ?? pointBeside(centre, atM, offsetM);
    cones.push({
      ...beside(centre, point.xM, point.yM),
      id,
      kind,
      corner: name,
      xM: point.xM,
      yM: point.yM,
      marker,
      landmark: marker.by === 'landmark' ? landmarkNear(circuit, point) : undefined,
      note: shift?.note,
      origin: shift ? 'moved' : 'computed',
    });
  };

  taught.forEach((one, index) => {
    const inside = one.corner.direction;
    const outside = inside === 'left' ? 'right' : 'left';
    const brakeM = brakesM[index];
    if (brakeM !== undefined) place(one, 'brake', outside, brakeM);
    place(one, 'turnIn', outside, one.turnInM);
    one.apexesM.forEach((apexM, which) => place(one, 'apex', inside, apexM, which === 0 ? '' : `-${which + 1}`));
    if (one.exitFree) place(one, 'exit', outside, one.exitM);
    else {
      omitted.push({
        corner: cornerName(one),
        atM: wrap(one.exitM),
        kind: 'exit',
        reason: fact('shortStraight', {}, { inside }),
      });
    }
  });
  for (const hand of circuit.cones) {
    const marker = legend[hand.kind];
    cones.push({
      ...beside(centre, hand.xM, hand.yM),
      id: hand.id,
      kind: hand.kind,
      corner: hand.corner,
      xM: hand.xM,
      yM: hand.yM,
      marker: hand.colour ? { ...marker, colour: hand.colour } : marker,
      landmark: marker.by === 'landmark' ? landmarkNear(circuit, hand) : undefined,
      note: hand.note,
      origin: 'hand',
    });
  }
  return { cones: cones.sort((a, b) => a.atM - b.atM), omitted };
}

function beside(centre: CentreLine, xM: number, yM: number): Pick<PlacedCone, 'atM' | 'side' | 'beyondEdgeM'> {
  const { atM, offsetM } = besideCentre(centre, xM, yM);
  const i = stationAt(centre, atM);
  return offsetM >= 0
    ? { atM, side: 'left', beyondEdgeM: offsetM - centre.leftM[i]! }
    : { atM, side: 'right', beyondEdgeM: -offsetM - centre.rightM[i]! };
}

function landmarkNear({ landmarks }: Circuit, point: { xM: number; yM: number }): string | undefined {
  const away = (place: { xM: number; yM: number }) => Math.hypot(place.xM - point.xM, place.yM - point.yM);
  const nearest = [...landmarks].sort((a, b) => away(a) - away(b))[0];
  return nearest && away(nearest) <= LANDMARK_WITHIN_M ? nearest.name : undefined;
}

/** What must be loaded to set a circuit out: cones and boards by colour, with their number. */
export function loadOf({
  cones,
}: ConePlan): { readonly colour: string; readonly css: string; readonly count: number }[] {
  const counts = new Map<string, { colour: string; css: string; count: number }>();
  for (const { marker } of cones) {
    if (marker.by === 'landmark' || marker.by === 'none') continue;
    const known = counts.get(marker.colour) ?? { colour: marker.colour, css: marker.css, count: 0 };
    counts.set(marker.colour, { ...known, count: known.count + marker.count });
  }
  return [...counts.values()].sort((a, b) => b.count - a.count);
}

/** What a venue puts out, by kind, in the order of a corner. */
export function markersOf(legend: Legend): { readonly kind: ConeKind; readonly marker: Marker }[] {
  return coneKind.options.filter((kind) => legend[kind].by !== 'none').map((kind) => ({ kind, marker: legend[kind] }));
}
