import { around } from './around';
import type { CentreLine, DrivenLine } from './centre-line';

/** A corner found from the curvature of a line. */
export interface Corner {
  /** From 1, in the order in which they come after the start line. */
  readonly number: number;
  readonly direction: 'left' | 'right';
  /** Along the line, metres; a corner over the start line ends beyond the line's length. */
  readonly entryM: number;
  /** Where it is tightest. */
  readonly apexM: number;
  readonly exitM: number;
  /** At the apex. */
  readonly radiusM: number;
  /** By how much the direction turns, degrees, always positive. */
  readonly angleDeg: number;
  readonly shape: 'tightening' | 'even' | 'opening';
}

/** A corner is where the radius stays under this … */
const WIDEST_RADIUS_M = 300;
/** … for so long. */
const SHORTEST_CORNER_M = 15;

/** The corners of a line, numbered from the start line by where they are tightest. */
export function cornersOf(line: DrivenLine): Corner[] {
  const n = line.curvature.length;
  const bends = (i: number) => {
    const curvature = line.curvature[around(i, n)]!;
    return Math.abs(curvature) > 1 / WIDEST_RADIUS_M ? Math.sign(curvature) : 0;
  };
  const found: Omit<Corner, 'number'>[] = [];
  let first = 0;
  while (first < n && bends(first) !== 0 && bends(first) === bends(first - 1)) first += 1;
  if (first === n) return [corner(line, 0, n, bends(0))].map((only) => ({ number: 1, ...only }));
  for (let i = first; i < first + n;) {
    const way = bends(i);
    let end = i + 1;
    while (end < first + n && bends(end) === way) end += 1;
    if (way !== 0 && (end - i) * line.stepM >= SHORTEST_CORNER_M) found.push(corner(line, i, end, way));
    i = end;
  }
  return found
    .sort((a, b) => (a.apexM % line.lengthM) - (b.apexM % line.lengthM))
    .map((one, index) => ({ number: index + 1, ...one }));
}

function corner(line: DrivenLine, from: number, end: number, way: number): Omit<Corner, 'number'> {
  const n = line.curvature.length;
  let tightest = from;
  let turned = 0;
  for (let i = from; i < end; i++) {
    const curvature = Math.abs(line.curvature[i % n]!);
    turned += curvature * line.stepM;
    if (curvature > Math.abs(line.curvature[tightest % n]!)) tightest = i;
  }
  const entryM = from * line.stepM;
  const exitM = end * line.stepM;
  const apexM = tightest * line.stepM;
  const share = (apexM - entryM) / (exitM - entryM);
  return {
    direction: way > 0 ? 'left' : 'right',
    entryM,
    apexM,
    exitM,
    radiusM: 1 / Math.abs(line.curvature[tightest % n]!),
    angleDeg: (turned * 180) / Math.PI,
    shape: share > 0.62 ? 'tightening' : share < 0.38 ? 'opening' : 'even',
  };
}

/** How high eyes and what they look for are above the road. */
const EYES_M = 1.1;
const FARTHEST_M = 400;

/** A place from which the road ahead is hidden by its own crest. */
export interface BlindCrest {
  /** Along the centre line, where the sight is shortest. */
  readonly atM: number;
  readonly sightM: number;
  /** What is needed to stop or slow from the speed that is driven there. */
  readonly brakingM: number;
}

/**
 * Crests that hide the road: where the line of sight from 1.1 m over the height profile to the road is shorter than the
 * distance needed to brake. Only heights are looked at, not what stands beside the road.
 *
 * @param brakingM distance needed to brake to a standstill at each station
 */
export function blindCrests(centre: CentreLine, brakingM: (station: number) => number): BlindCrest[] {
  if (!centre.hilly) return [];
  const n = centre.zM.length;
  const sight = Float64Array.from({ length: n }, (_, i) => sightM(centre, i));
  const blind = (i: number) => sight[i % n]! < brakingM(i % n);
  const crests: BlindCrest[] = [];
  const gapStations = Math.ceil(30 / centre.stepM);
  let first = 0;
  while (first < n && blind(first)) first += 1;
  let shortest: number | undefined;
  let clear = 0;
  for (let i = first; i <= first + n + gapStations; i++) {
    if (i < first + n && blind(i)) {
      clear = 0;
      if (shortest === undefined || sight[i % n]! < sight[shortest % n]!) shortest = i;
    } else if (shortest !== undefined && (clear += 1) > gapStations) {
      const at = shortest % n;
      crests.push({ atM: at * centre.stepM, sightM: sight[at]!, brakingM: brakingM(at) });
      shortest = undefined;
    }
  }
  return crests;
}

/** How far along the road can be seen from a station; at most 400 m. */
function sightM(centre: CentreLine, from: number): number {
  const n = centre.zM.length;
  const eye = centre.zM[from]! + EYES_M;
  let steepest = -Infinity;
  const most = Math.min(n - 1, Math.floor(FARTHEST_M / centre.stepM));
  for (let ahead = 1; ahead <= most; ahead++) {
    const slope = (centre.zM[(from + ahead) % n]! - eye) / (ahead * centre.stepM);
    // A place is hidden once something nearer stands higher in the view.
    if (slope < steepest - 1e-9) return ahead * centre.stepM;
    steepest = Math.max(steepest, slope);
  }
  return FARTHEST_M;
}
