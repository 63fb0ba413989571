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

/** Below this distance between two beads they are drawn in two rows, or a count could not be seen. */
const LEAST_PITCH_PX = 5;
const ROW_PX = 6;

/** Centres of the lap beads along the time on the circuit, and their radius; in two rows where there is little room. */
export function beadPlaces(
  edges: SilhouetteEdges,
  count: number,
): { readonly places: { readonly x: number; readonly y: number }[]; readonly radius: number } {
  const room = Math.max(1, edges.trackEndX - edges.releaseX);
  const rows = room / Math.max(1, count) < LEAST_PITCH_PX && count > 1 ? 2 : 1;
  const columns = Math.ceil(count / rows);
  const pitch = room / Math.max(1, columns);
  return {
    places: Array.from({ length: count }, (_, place) => ({
      x: edges.releaseX + ((place % columns) + 0.5) * pitch,
      y: rows === 1 ? 6.5 : 5 + Math.floor(place / columns) * ROW_PX,
    })),
    radius: Math.max(0.9, Math.min(rows === 1 ? 3.4 : 2.4, pitch * 0.4)),
  };
}
