/** The circuit: its shape, its corners, the lines on it and what stands beside them. */
export { around } from './around';
export {
  besideCentre,
  type CentreLine,
  centreLineOf,
  type DrivenLine,
  lineBeside,
  pointBeside,
  stationAt,
} from './centre-line';
export {
  type Circuit,
  type ConeKind,
  type CornerBook,
  type Legend,
  type LinePoint,
  type Marker,
  MOST_LINE_POINTS,
  type NamedCorner,
  type Origin,
} from './circuit-file';
export { type CircuitMap, measure, type PointM } from './circuit-map';
export { type ConePlan, conesOf, cornerName, loadOf, markersOf, type OmittedReason, type PlacedCone } from './cones';
export { type BlindCrest, blindCrests, cornersOf } from './corners';
export { circuitOfDrawing, type DrawnPoint, FEWEST_DRAWN } from './drawn';
export { circuitFaults, crossingOf } from './faults';
export { type LegendFault, legendFaults, legendOf, LEGENDS, type LegendWarning, legendWarnings } from './legend';
export { mapOf } from './map-of';
export { corridorOf, minimumCurvature } from './minimum-curvature';
export { type KnownPlace, placed, type Placing, placingOnGlobe, withHeights } from './placing';
export { type LatLon, middleOf, toLatLon, toPlane } from './plane';
export { type FlatPoint, SegmentGrid } from './segment-grid';
export { type TaughtCorner, taughtCorners, teachingOffsets } from './teaching-line';
export { circuitOfTrack, progressOfTrack, type TrackPoint } from './track';
export { Wheeled, type WheeledLine } from './wheeled';
