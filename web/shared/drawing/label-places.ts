/** A box on a drawing, by its middle and half its size. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly halfWidth: number;
  readonly halfHeight: number;
}

/** How much two boxes cover of each other. */
export function overlap(a: Box, b: Box): number {
  const across = Math.min(a.x + a.halfWidth, b.x + b.halfWidth) - Math.max(a.x - a.halfWidth, b.x - b.halfWidth);
  const down = Math.min(a.y + a.halfHeight, b.y + b.halfHeight) - Math.max(a.y - a.halfHeight, b.y - b.halfHeight);
  return across > 0 && down > 0 ? across * down : 0;
}

/** Sixteen places round something: eight near, then eight further off; straight up first, then by turns to both sides. */
const TURNS = [0, 1, -1, 2, -2, 3, -3, 4];
const NEAR = [1, 1.7];

/**
 * Where a label of a size stands beside a point so that it keeps clear of what is there already: the first place round it
 * that covers nothing, or the one that covers least.
 *
 * @param first direction of the first place, radians
 * @param off how far from the point the middle of the nearest places is
 * @param before the place it had when it was last drawn, which it keeps as long as it covers nothing
 */
export function clearPlace(
  at: { readonly x: number; readonly y: number },
  size: Pick<Box, 'halfWidth' | 'halfHeight'>,
  taken: readonly Box[],
  { first, off, before }: { readonly first: number; readonly off: number; readonly before?: number | undefined },
): { readonly box: Box; readonly place: number } {
  const places = NEAR.flatMap((near) =>
    TURNS.map((turn) => {
      const angle = first + (turn * Math.PI) / 4;
      const box = { ...size, x: at.x + near * off * Math.cos(angle), y: at.y + near * off * Math.sin(angle) };
      return { box, covers: taken.reduce((sum, other) => sum + overlap(box, other), 0) };
    }),
  );
  const order = [...places.keys()];
  if (before !== undefined) order.unshift(before);
  let best = order[0]!;
  for (const place of order) {
    if (places[place]!.covers === 0) return { box: places[place]!.box, place };
    if (places[place]!.covers < places[best]!.covers) best = place;
  }
  return { box: places[best]!.box, place: best };
}
