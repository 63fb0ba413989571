import { around } from './around';
import { besideCentre, pointBeside, stationAt, type CentreLine } from './centre-line';
import { coneKind, type Circuit, type ConeKind, type Legend, type Marker } from './circuit-file';
import { legendOf } from './legend';
import { fact, type Fact } from '../../values';
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

/**
 * Why a cone is left away: the legend has none of the kind, the next turn-in is on the same side soon after, one brakes for
 * the next corner there or before, or somebody has taken it away.
 */
export type OmittedReason =
  | Fact<'notMarked', object, { kind: ConeKind }>
  | Fact<'shortStraight', object, { inside: 'left' | 'right' }>
  | Fact<'brakesThere' | 'brakesBefore', object, { next: string }>
  | Fact<'takenAway', object, { note: string }>;

/** A cone that is not there on purpose. */
interface OmittedCone {
  readonly id: string;
  readonly corner: string;
  readonly atM: number;
  readonly kind: ConeKind;
  readonly reason: OmittedReason;
}

export interface ConePlan {
  /** In the order in which one drives by. */
  readonly cones: readonly PlacedCone[];
  readonly omitted: readonly OmittedCone[];
  /** Ids of cones that have been moved out of the order in which their corner is driven. */
  readonly outOfOrder: readonly string[];
}

/** Cones stand so far off the edge, metres. */
const OFF_EDGE_M = 0.3;
const LANDMARK_WITHIN_M = 40;
/** What is so much of a lap before a place is behind it. */
const BEHIND_SHARE = 0.95;
/** Nearer to each other than this an exit and the next braking are one place. */
const ONE_PLACE_M = 12;

/** What a corner is called: its name, or its number. */
export const cornerName = ({ corner, named }: TaughtCorner): string => named?.name ?? `Corner ${corner.number}`;

/**
 * The cones of a circuit: brake, turn-in, apex and exit of each corner, computed from line and speed, and what has been
 * moved, placed or taken away by hand. Along the road the computed ones of a corner come in this order, and after the
 * exit of the corner before: where one brakes there or earlier, that exit is left away.
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
  const removed = new Map(circuit.removedCones.map((one) => [one.id, one]));
  const cones: PlacedCone[] = [];
  const omitted: OmittedCone[] = [];
  for (const wanted of wantedCones(taught, brakesM, centre.lengthM)) {
    const { id, kind, corner, side } = wanted;
    const atM = around(wanted.atM, centre.lengthM);
    const marker = legend[kind];
    const away = removed.get(id);
    const reason: OmittedReason | undefined =
      marker.by === 'none'
        ? fact('notMarked', {}, { kind })
        : (wanted.omitted ?? (away && fact('takenAway', {}, { note: away.note })));
    if (reason) {
      omitted.push({ id, corner, atM, kind, reason });
      continue;
    }
    const shift = moved.get(id);
    const i = stationAt(centre, atM);
    const edgeM = side === 'left' ? centre.leftM[i]! : centre.rightM[i]!;
    const point = shift ?? pointBeside(centre, atM, (side === 'left' ? 1 : -1) * (edgeM + OFF_EDGE_M));
    cones.push({
      ...beside(centre, point.xM, point.yM),
      id,
      kind,
      corner,
      xM: point.xM,
      yM: point.yM,
      marker,
      landmark: marker.by === 'landmark' ? landmarkNear(circuit, point) : undefined,
      note: shift?.note,
      origin: shift ? 'moved' : 'computed',
    });
  }
  const outOfOrder = disordered(cones, centre.lengthM);
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
  return { cones: cones.sort((a, b) => a.atM - b.atM), omitted, outOfOrder };
}

/** A cone that a corner would have; `atM` may lie beyond the lap's length. */
interface WantedCone {
  readonly id: string;
  readonly kind: ConeKind;
  readonly corner: string;
  readonly side: 'left' | 'right';
  readonly atM: number;
  readonly omitted: OmittedReason | undefined;
}

/** Cones of brake and turn-in that stand nearer to each other become one, metres. */
const NEAR_M = 8;

/** What the corners would have, each in the order in which it is driven. */
function wantedCones(
  taught: readonly TaughtCorner[],
  brakesM: readonly (number | undefined)[],
  lengthM: number,
): WantedCone[] {
  const after = (place: number) => (place + 1) % taught.length;
  return taught.flatMap((one, place) => {
    const corner = cornerName(one);
    const inside = one.corner.direction;
    const outside = inside === 'left' ? 'right' : 'left';
    const before = taught[(place + taught.length - 1) % taught.length]!;
    const brakeM = brakesM[place];
    const cone = (kind: ConeKind, side: 'left' | 'right', atM: number, more = '', reason?: OmittedReason) => ({
      id: `${corner}-${kind}${more}`,
      ...{ kind, corner, side, atM, omitted: reason },
    });
    // Nobody is told to brake for a corner before the last apex of the one before it.
    const straightM = beforeTurnInM(one, before.apexesM.at(-1)!, lengthM);
    const brakingM = brakeM === undefined ? 0 : Math.min(beforeTurnInM(one, brakeM, lengthM), straightM);
    // So near to the turn-in, one cone says both.
    return [
      ...(brakingM < NEAR_M ? [] : [cone('brake', outside, one.turnInM - brakingM)]),
      cone('turnIn', outside, one.turnInM),
      ...one.apexesM.map((apexM, which) => cone('apex', inside, apexM, which === 0 ? '' : `-${which + 1}`)),
      cone('exit', outside, one.exitM, '', noExit(one, taught[after(place)]!, brakesM[after(place)], lengthM)),
    ];
  });
}

/** How far before a turn-in a place lies; one that lies a little behind it counts as being there. */
function beforeTurnInM({ turnInM }: TaughtCorner, atM: number, lengthM: number): number {
  const beforeM = around(turnInM - atM, lengthM);
  return beforeM > BEHIND_SHARE * lengthM ? 0 : beforeM;
}

/** Why a corner has no exit cone, if so. */
function noExit(
  { corner, exitM, exitFree }: TaughtCorner,
  next: TaughtCorner,
  brakeM: number | undefined,
  lengthM: number,
): OmittedReason | undefined {
  if (!exitFree) return fact('shortStraight', {}, { inside: corner.direction });
  if (brakeM === undefined) return undefined;
  const beforeM = beforeTurnInM(next, brakeM, lengthM) - beforeTurnInM(next, exitM, lengthM);
  if (beforeM < -ONE_PLACE_M) return undefined;
  const code = beforeM <= ONE_PLACE_M ? 'brakesThere' : 'brakesBefore';
  return fact(code, {}, { next: cornerName(next) });
}

/** Moved cones that lie before the one that comes before them, or behind the one that comes after. */
function disordered(cones: readonly PlacedCone[], lengthM: number): string[] {
  const gapM = (from: PlacedCone, to: PlacedCone) => around(to.atM - from.atM, lengthM);
  return cones
    .filter((cone, place) => {
      const [before, after] = [cones.at(place - 1)!, cones[(place + 1) % cones.length]!];
      // Between its neighbours the way from one to the other is as long as the two ways to it.
      return cone.origin === 'moved' && gapM(before, cone) + gapM(cone, after) > lengthM;
    })
    .map(({ id }) => id);
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
    if (marker.by !== 'cone' && marker.by !== 'board') continue;
    const known = counts.get(marker.colour) ?? { colour: marker.colour, css: marker.css, count: 0 };
    counts.set(marker.colour, { ...known, count: known.count + marker.count });
  }
  return [...counts.values()].sort((a, b) => b.count - a.count);
}

/** What a venue puts out, by kind, in the order of a corner. */
export function markersOf(legend: Legend): { readonly kind: ConeKind; readonly marker: Marker }[] {
  return coneKind.options.filter((kind) => legend[kind].by !== 'none').map((kind) => ({ kind, marker: legend[kind] }));
}
