/** The circuit: its shape, its corners, the lines on it and what stands beside them. */
export { around } from './around';
export { averageLaps } from './average-laps';
export * from './centre-line';
export * from './circuit-file';
export * from './circuit-map';
export * from './corners';
export { mapOf } from './map-of';
export { circuitOfDrawing, FEWEST_DRAWN, type DrawnPoint } from './drawn';
export { circuitFaults, crossingOf } from './faults';
export { SegmentGrid, type FlatPoint } from './segment-grid';
export { corridorOf, minimumCurvature, type Corridor } from './minimum-curvature';
export { taughtCorners, teachingOffsets, type TaughtCorner } from './teaching-line';
export * from './cones';
export { legendFaults, legendOf, LEGENDS, legendWarnings, type LegendFault, type LegendWarning } from './legend';
export * from './placing';
export * from './plane';
export * from './track';
export { Wheeled, WHEELED_LINES, type WheeledLine } from './wheeled';
