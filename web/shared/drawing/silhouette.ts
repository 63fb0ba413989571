/** A drive on the time axis, in pixels. */
export interface SilhouetteEdges {
  readonly startX: number;
  readonly releaseX: number;
  readonly trackEndX: number;
  readonly endX: number;
}

/**
 * The outline of a drive: low while car, guest and instructor are held only, high while on the circuit, so that lead-in,
 * laps and tail make one silhouette. Path data from (0, 0) at the top left of the row.
 */
export function silhouette(edges: SilhouetteEdges, height: number): string {
  const { startX, releaseX, trackEndX, endX } = edges;
  const shoulder = height * 0.55;
  return `M${startX} ${height}V${shoulder}L${releaseX} 0H${trackEndX}L${endX} ${shoulder}V${height}Z`;
}

/** What holds a car, a person or a room without being a drive. */
export type OtherKind = 'class' | 'run' | 'fuel' | 'meal' | 'rest' | 'cooling' | 'away' | 'group';

/**
 * The outline of what holds somebody without being a drive, each of the same family: a class stands like a lectern, a
 * sighting run is a low drive, fuel a drum, a meal a bowl, a rest a bench, cooling a wave, and who is not there leaves a
 * flat gap, and a group climbs in steps.
 */
export function otherSilhouette(what: OtherKind, startX: number, endX: number, height: number): string {
  const slant = Math.min(5, (endX - startX) / 4);
  const [top, shoulder] = [height * 0.28, height * 0.6];
  switch (what) {
    case 'class':
      return `M${startX} ${top}H${endX}L${endX - slant} ${height}H${startX + slant}Z`;
    case 'run':
      return `M${startX} ${height}V${shoulder}L${startX + slant} ${top}H${endX - slant}L${endX} ${shoulder}V${height}Z`;
    case 'fuel': {
      const round = Math.min(4, (endX - startX) / 3);
      return `M${startX + round} ${top}H${endX - round}Q${endX} ${top} ${endX} ${top + round}V${height}H${startX}V${top + round}Q${startX} ${top} ${startX + round} ${top}Z`;
    }
    case 'meal':
      return `M${startX} ${shoulder}H${endX}Q${endX} ${height} ${(startX + endX) / 2} ${height}Q${startX} ${height} ${startX} ${shoulder}Z`;
    case 'rest': {
      const middle = height * 0.8;
      return `M${startX} ${middle}L${startX + slant} ${shoulder}H${endX - slant}L${endX} ${middle}L${endX - slant} ${height}H${startX + slant}Z`;
    }
    case 'cooling': {
      const quarter = (endX - startX) / 4;
      return `M${startX} ${height}V${shoulder}q${quarter} ${-height * 0.3} ${2 * quarter} 0t${2 * quarter} 0V${height}Z`;
    }
    case 'group': {
      // A train: one step down for each that follows.
      const step = (endX - startX) / 3;
      return `M${startX} ${height}V${top * 1.6}h${step}V${top * 1.1}h${step}V${top * 0.6}H${endX}V${height}Z`;
    }
    case 'away':
      return `M${startX} ${height}V${height * 0.72}H${endX}V${height}Z`;
  }
}

/** Below this distance between two beads they are drawn in two rows, or a count could not be seen. */
const LEAST_PITCH_PX = 5;
const ROW_PX = 6;

/** Centres of the lap beads along the time on the circuit, and their radius; in up to two rows where there is little room. */
export function beadPlaces(
  edges: SilhouetteEdges,
  count: number,
  mostRows: 1 | 2 = 2,
): { readonly places: { readonly x: number; readonly y: number }[]; readonly radius: number } {
  const room = Math.max(1, edges.trackEndX - edges.releaseX);
  const rows = room / Math.max(1, count) < LEAST_PITCH_PX && count > 1 ? mostRows : 1;
  const columns = Math.ceil(count / rows);
  const pitch = room / Math.max(1, columns);
  return {
    places: Array.from({ length: count }, (_, place) => ({
      x: edges.releaseX + ((place % columns) + 0.5) * pitch,
      y: mostRows === 1 ? 4.5 : rows === 1 ? 6.5 : 5 + Math.floor(place / columns) * ROW_PX,
    })),
    radius: Math.max(0.9, Math.min(rows === 1 && mostRows === 2 ? 3.4 : 2.4, pitch * 0.4)),
  };
}
