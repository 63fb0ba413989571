/** What a group does together: trains, ovals and pans, in their order and their room. */
export { adviceFor, type GroupAdvice } from './advice';
export { asksOnLap, type CornerAsk, cornerAsks } from './asks';
export {
  group,
  type Group,
  groupFields,
  type GroupFields,
  preset,
  type Preset,
  rideCar,
  rides,
  surface,
  type Surface,
  type Zone,
  ZONE_KINDS,
  type ZoneKind,
} from './group';
export { carsNeeded, outingOf, vehiclesOf } from './group-size';
export { ordersByLap, orderTable } from './order-table';
export { lapsOfEachCar, type Outing, type OutingPart, outingS, partsOf, stationS } from './outing';
export { PRESETS } from './presets';
export {
  CHANGE_WAYS,
  CIRCUIT,
  CORNER_STEPS,
  type CornerStep,
  DRIVING_AIDS,
  type DrivingAids,
  GROUP_ROLES,
  type GroupRole,
  ORDINARY_SPACING,
  SPACING_PHASES,
  type SpacingPhase,
  SPEAKING_ROLES,
  STATION_KINDS,
  type StationKind,
  TRAIN_CARS,
} from './ordinary';
export { type FollowProgramme, type LowGripProgramme, type ProgrammeKind, type ThrottleProgramme } from './programme';
export { roundsOf, runNow, sharedRuns, spottersOf, teamsOf } from './rotation';
export { followS, type LapSpeeds, type Spacing, spacingOf } from './spacing';
export { programmeOf, traitsOf } from './traits';
export {
  lapsInAll,
  type NextChange,
  ordersToCome,
  spacingPhase,
  trainNow,
  type TrainNow,
  type TrainPhase,
} from './train';
