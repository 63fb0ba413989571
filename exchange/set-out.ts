import Papa from 'papaparse';
import type { SetOutSheet } from '@core/api';
import { type Origin, toLatLon } from '@core/track/circuit';
import { CONE_WORDS } from '@words';

const tenth = (value: number) => Math.round(value * 10) / 10;

/** The set-out sheet as CSV, in the order in which one drives by; degrees where the place of the circuit is known. */
export function setOutCsv({ along, cones }: SetOutSheet, origin?: Origin): string {
  return Papa.unparse(
    cones.map((cone, index) => ({
      order: index + 1,
      distance_m: tenth(cone.atM),
      from_last_m: tenth(cone.fromLastM),
      along,
      side: cone.side,
      beyond_edge_m: tenth(cone.beyondEdgeM),
      means: CONE_WORDS[cone.kind],
      corner: cone.corner ?? '',
      colour: cone.colour,
      count: cone.count,
      x_m: tenth(cone.xM),
      y_m: tenth(cone.yM),
      ...(origin && { lat: toLatLon(cone, origin).latDeg, lon: toLatLon(cone, origin).lonDeg }),
      note: cone.note ?? '',
    })),
    { escapeFormulae: true },
  );
}

/** The set-out sheet as GeoJSON points. */
export function setOutGeoJson({ circuit, along, cones }: SetOutSheet, origin: Origin): string {
  const features = cones.map(({ xM, yM, ...properties }, index) => {
    const { latDeg, lonDeg } = toLatLon({ xM, yM }, origin);
    return {
      type: 'Feature',
      properties: { role: 'cone', order: index + 1, along, ...properties },
      geometry: { type: 'Point', coordinates: [lonDeg, latDeg] },
    };
  });
  return JSON.stringify({ type: 'FeatureCollection', name: circuit, features }, null, 1);
}
