import type { Bead } from './bead-list';

/** The beads of a drive as few shapes: one path for all that look alike, so that hundreds of drives stay light. */
export interface BeadPaths {
  readonly kind: string;
  readonly path: string;
}

/**
 * @param places centres of the beads, in pixels
 * @param radius of a bead, in pixels; a spoiled one has a ring around it
 */
export function beadPaths(
  beads: readonly Bead[],
  places: readonly { readonly x: number; readonly y: number }[],
  radius: number,
): BeadPaths[] {
  const paths = new Map<string, string>();
  const add = (kind: string, { x, y }: { x: number; y: number }, r: number) => {
    const px = (value: number) => value.toFixed(1);
    const circle = `M${px(x - r)} ${px(y)}a${px(r)} ${px(r)} 0 1 0 ${px(2 * r)} 0a${px(r)} ${px(r)} 0 1 0 ${px(-2 * r)} 0`;
    paths.set(kind, (paths.get(kind) ?? '') + circle);
  };
  beads.forEach((bead, index) => {
    const place = places[index];
    if (!place) return;
    if (bead.spoiled) add('ring', place, radius + 1.8);
    add(`bead ${bead.fill}${bead.extra ? ' extra' : ''}`, place, radius);
  });
  return [...paths].map(([kind, path]) => ({ kind, path }));
}
