/** What a group does together: trains, ovals and pans, in their order and their room. */
export { adviceFor, type GroupAdvice } from './advice';
export { asksOnLap, type CornerAsk, cornerAsks } from './asks';
export {
  carsNeeded,
  CIRCUIT,
  group,
  type Group,
  GROUP_ROLES,
  groupFields,
  type GroupFields,
  type GroupRole,
  outingOf,
  preset,
  type Preset,
  rideCar,
  rides,
  SPEAKING_ROLES,
  surface,
  type Surface,
  vehiclesOf,
  type Zone,
  ZONE_KINDS,
  type ZoneKind,
} from './group';
export { ordersByLap, orderTable } from './order-table';
export { lapsOfEachCar, type Outing, type OutingPart, outingS, partsOf, stationS } from './outing';
export { PRESETS } from './presets';
export {
  CHANGE_WAYS,
  CORNER_STEPS,
  type CornerStep,
  DRIVING_AIDS,
  type DrivingAids,
  type FollowProgramme,
  type LowGripProgramme,
  ORDINARY_SPACING,
  type ProgrammeKind,
  SPACING_PHASES,
  type SpacingPhase,
  STATION_KINDS,
  type StationKind,
  type ThrottleProgramme,
  TRAIN_CARS,
} from './programme';
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
