import type { LinePoint } from '../track/circuit';

/** Circuits of plain shapes, anticlockwise, for facts that have a closed form. */

export function circle(radiusM: number, points = 120, halfWidthM = 5): LinePoint[] {
  return Array.from({ length: points }, (_, i) => {
    const angle = (2 * Math.PI * i) / points;
    return {
      xM: radiusM * Math.cos(angle),
      yM: radiusM * Math.sin(angle),
      leftM: halfWidthM,
      rightM: halfWidthM,
    };
  });
}

/** Two straights joined by half circles, the start line in the middle of a straight; a point about every five metres. */
export function oval(straightM: number, radiusM: number, halfWidthM = 6): LinePoint[] {
  const arcM = Math.PI * radiusM;
  const lengthM = 2 * (straightM + arcM);
  const n = Math.round(lengthM / 5);
  return Array.from({ length: n }, (_, i) => {
    const s = (i * lengthM) / n;
    return { ...onOval((s + straightM / 2) % lengthM, straightM, radiusM), leftM: halfWidthM, rightM: halfWidthM };
  });
}

function onOval(s: number, straightM: number, radiusM: number): { xM: number; yM: number } {
  const arcM = Math.PI * radiusM;
  if (s < straightM) return { xM: s - straightM / 2, yM: -radiusM };
  if (s < straightM + arcM) {
    const angle = (s - straightM) / radiusM - Math.PI / 2;
    return { xM: straightM / 2 + radiusM * Math.cos(angle), yM: radiusM * Math.sin(angle) };
  }
  if (s < 2 * straightM + arcM) return { xM: straightM / 2 - (s - straightM - arcM), yM: radiusM };
  const angle = (s - 2 * straightM - arcM) / radiusM + Math.PI / 2;
  return { xM: -straightM / 2 + radiusM * Math.cos(angle), yM: radiusM * Math.sin(angle) };
}

/** A square with rounded corners, the start line in the middle of a side. */
export function square(sideM: number, radiusM: number, halfWidthM = 5): LinePoint[] {
  const straightM = sideM - 2 * radiusM;
  const quarterM = straightM + (Math.PI / 2) * radiusM;
  const n = 4 * Math.round(quarterM / 5);
  return Array.from({ length: n }, (_, i) => {
    const s = (4 * i * quarterM) / n + straightM / 2;
    const quarter = Math.floor(s / quarterM);
    const along = s - quarter * quarterM;
    const bend = Math.max(0, along - straightM) / radiusM;
    const x = Math.min(along, straightM) - straightM / 2 + radiusM * Math.sin(bend);
    const y = -sideM / 2 + radiusM * (1 - Math.cos(bend));
    const turn = (quarter * Math.PI) / 2;
    return {
      xM: x * Math.cos(turn) - y * Math.sin(turn),
      yM: x * Math.sin(turn) + y * Math.cos(turn),
      leftM: halfWidthM,
      rightM: halfWidthM,
    };
  });
}

/**
 * A smooth closed line without crossings: a circle whose radius swings, by waves that are given.
 *
 * @param waves amplitude as a share of the radius and phase in radians, for 2, 3, 4 … swings a lap
 */
export function swinging(radiusM: number, waves: readonly (readonly [number, number])[], halfWidthM = 5): LinePoint[] {
  const n = Math.round((2 * Math.PI * radiusM) / 6);
  return Array.from({ length: n }, (_, i) => {
    const angle = (2 * Math.PI * i) / n;
    const r = waves.reduce(
      (sum, [size, phase], k) => sum + size * radiusM * Math.cos((k + 2) * angle + phase),
      radiusM,
    );
    return { xM: r * Math.cos(angle), yM: r * Math.sin(angle), leftM: halfWidthM, rightM: halfWidthM };
  });
}

/** The same circuit seen in a mirror: left is right. */
export const mirrored = (line: readonly LinePoint[]): LinePoint[] =>
  line.map((point) => ({ ...point, xM: -point.xM, leftM: point.rightM, rightM: point.leftM }));
