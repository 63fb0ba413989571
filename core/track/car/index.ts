/** The car on the line: what it is, how a lap in it comes out, and what an instructor makes of it. */
export { stationAtTime } from './braking';
export { type CallCustoms } from './call-customs';
export { CALL_KINDS, CALL_ORDER, type CallKind, type CallKindFacts } from './call-kinds';
export { callsOnLap } from './call-progress';
export {
  type Call,
  type CallFact,
  callId,
  type CallSettings,
  callSheet,
  type CornerCalls,
  type CornerRemark,
  plainCall,
} from './calls';
export { carOf, ORDINARY_CAR } from './car';
export { type CarFile } from './car-file';
export {
  type CardAdvice,
  type CardSubject,
  type CardTopic,
  type CardValue,
  type CarNotes,
  differenceCard,
  type DifferenceCard,
  fromTameToFierce,
} from './difference';
export { isLap, type Lap, type LapFault, LapModel, type LapObstacle, type Pace } from './lap';
export { type LineName, racingLine, teachingLine } from './lines';
export {
  type CircuitStudy,
  type FleetCar,
  gearTeaching,
  lapNearest,
  type StudiedCorner,
  studyCircuit,
  type TeachingCustom,
} from './study';
export { taughtGears } from './taught-gears';
