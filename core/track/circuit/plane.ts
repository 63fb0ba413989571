import type { Origin } from './circuit-file';

/** Mean radius of the earth (IUGG), metres. */
const EARTH_M = 6_371_008.8;
const DEG = Math.PI / 180;

export interface LatLon {
  readonly latDeg: number;
  readonly lonDeg: number;
}

/** Middle of the box around some places. */
export function middleOf(places: readonly LatLon[]): Origin {
  const middle = (values: number[]) =>
    (values.reduce((a, b) => Math.min(a, b)) + values.reduce((a, b) => Math.max(a, b))) / 2;
  return { latDeg: middle(places.map(({ latDeg }) => latDeg)), lonDeg: middle(places.map(({ lonDeg }) => lonDeg)) };
}

/** Metres east and north of the origin, on a sphere: accurate enough for a few kilometres. */
export function toPlane({ latDeg, lonDeg }: LatLon, origin: Origin): { xM: number; yM: number } {
  return {
    xM: EARTH_M * Math.cos(origin.latDeg * DEG) * (lonDeg - origin.lonDeg) * DEG,
    yM: EARTH_M * (latDeg - origin.latDeg) * DEG,
  };
}

/** Back to degrees, with the decimals that keep a place to the millimetre. */
export function toLatLon({ xM, yM }: { readonly xM: number; readonly yM: number }, origin: Origin): LatLon {
  const decimals = (value: number) => Math.round(value * 1e9) / 1e9;
  return {
    latDeg: decimals(origin.latDeg + yM / EARTH_M / DEG),
    lonDeg: decimals(origin.lonDeg + xM / (EARTH_M * Math.cos(origin.latDeg * DEG)) / DEG),
  };
}
