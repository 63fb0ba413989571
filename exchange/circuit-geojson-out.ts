import { centreLineOf, pointBeside, type Circuit, type LinePoint, type Origin, toLatLon } from '@core/track/circuit';

/** A circuit as GeoJSON; what is read back from it is the same circuit. Needs to know where on the globe it lies. */
export function circuitGeoJson(circuit: Circuit, origin: Origin): string {
  const coordinates = (point: { xM: number; yM: number }, zM?: number) => {
    const { latDeg, lonDeg } = toLatLon(point, origin);
    return zM === undefined ? [lonDeg, latDeg] : [lonDeg, latDeg, Math.round(zM * 1000) / 1000];
  };
  const point = (place: { xM: number; yM: number }, properties: Record<string, unknown>) => ({
    type: 'Feature',
    properties,
    geometry: { type: 'Point', coordinates: coordinates(place) },
  });
  const centre = centreLineOf(circuit.line, 2);
  const ring = circuit.line.map((one) => coordinates(one, one.zM));
  const widths = (of: (one: LinePoint) => number) => {
    const all = circuit.line.map((one) => Math.round(of(one) * 1000) / 1000);
    return all.every((one) => one === all[0]) ? all[0] : all;
  };
  const along = (atM: number) => pointBeside(centre, atM, 0);
  const features = [
    {
      type: 'Feature',
      properties: {
        role: 'centreLine',
        name: circuit.name,
        widthLeftM: widths(({ leftM }) => leftM),
        widthRightM: widths(({ rightM }) => rightM),
        ...(circuit.legend && { legend: circuit.legend }),
        ...(circuit.removedCones.length > 0 && { removedCones: circuit.removedCones }),
      },
      geometry: { type: 'LineString', coordinates: [...ring, ring[0]] },
    },
    ...(circuit.pitExitM === undefined ? [] : [point(along(circuit.pitExitM), { role: 'pitExit' })]),
    ...(circuit.pitEntryM === undefined ? [] : [point(along(circuit.pitEntryM), { role: 'pitEntry' })]),
    ...circuit.corners.map(({ name, atM, book }, index) =>
      point(along(atM), { role: 'corner', number: index + 1, name, book }),
    ),
    ...circuit.cones.map(({ xM, yM, ...properties }) => point({ xM, yM }, { role: 'cone', ...properties })),
    ...circuit.movedCones.map(({ xM, yM, ...properties }) => point({ xM, yM }, { role: 'movedCone', ...properties })),
    ...circuit.landmarks.map((place) => point(place, { role: 'landmark', name: place.name })),
    ...circuit.marshalPosts.map((place) => point(place, { role: 'marshalPost', name: place.name })),
  ];
  return JSON.stringify({ type: 'FeatureCollection', features }, null, 1);
}
