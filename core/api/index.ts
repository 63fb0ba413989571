/** The contract between web and server. */
export {
  type SetOutSheet,
  type StandingCone,
  storedCircuit,
  type StoredCircuit,
  storedShow,
  type StoredShow,
} from './circuit';
export { contract } from './contract';
export {
  managerCode,
  type ManagerAccess,
  type PairingReason,
  type RosterPreview,
  storedRosterEntry,
  type StoredRosterEntry,
} from './crew';
export { type DayPatch, patchBetween, patched, type WrittenDay, type WrittenPatch } from './day-patch';
export { clock, type ClockReading, type DaySummary, dayView, type DayView } from './day-view';
export {
  type Device,
  deviceBody,
  type DeviceBody,
  deviceLine,
  type DeviceLine,
  type DeviceReceipt,
  type DeviceRefusal,
  type LivePositions,
  type TrackedCar,
} from './devices';
export {
  type Access,
  addressOf,
  type BodyOf,
  type Endpoint,
  type RequestLimit,
  isRaw,
  type ParamsOf,
  type QueryOf,
  type Raw,
  type ReplyOf,
} from './endpoint';
export { bookingsEndpoints } from './endpoints/bookings';
export { carsEndpoints } from './endpoints/cars';
export { circuitEndpoints } from './endpoints/circuit';
export { crewEndpoints } from './endpoints/crew';
export { daysEndpoints } from './endpoints/days';
export { devicesEndpoints } from './endpoints/devices';
export { faultsEndpoints } from './endpoints/faults';
export { flagsEndpoints } from './endpoints/flags';
export { groupsEndpoints } from './endpoints/groups';
export { guestsEndpoints } from './endpoints/guests';
export { managerEndpoints } from './endpoints/manager';
export { phonesEndpoints } from './endpoints/phones';
export { photosEndpoints } from './endpoints/photos';
export { plansEndpoints } from './endpoints/plans';
export { practiceEndpoints } from './endpoints/practice';
export { serviceEndpoints } from './endpoints/service';
export { sheetsEndpoints } from './endpoints/sheets';
export { showEndpoints } from './endpoints/show';
export { venueEndpoints } from './endpoints/venue';
export { type RunningFlag } from './flags';
export { importPreview, type ImportPreview, type ImportRow, type ListPreview, type ListWord } from './import';
export { ACCESS_WORDS, openApiDocument } from './openapi';
export { type NetworkView, type Phone, type PhoneCode, phoneReport, type PhoneReport } from './phones';
export {
  type AcceptedPlan,
  type AcceptPlan,
  type HowGood,
  type OfferedPlace,
  type OfferedPlaces,
  type OneMoreDrive,
  planJob,
  type PlanJob,
  type PlanningMode,
  type PlanProgress,
  type PlanRevision,
  type StartPlanning,
} from './planning';
export type { PracticeStatus } from './practice';
export { problem, type Problem } from './problem';
export type { NamedThing, RecordName, RequestRefusal } from './request-refusal';
export {
  booking,
  type Booking,
  type FoundGuest,
  type Mention,
  storedCar,
  type StoredCar,
  storedGroup,
  type StoredGroup,
  storedInstructor,
  type StoredInstructor,
  storedSetup,
  type StoredSetup,
  storedVenue,
  type StoredVenue,
} from './setup';
export type { DataIssue, DataIssueFact, DataIssuePlace } from './data-issues';
export { type ChangedWhat, readEvent, STREAM_EVENT_NAMES, type StreamEvent, writtenAs, writtenEvent } from './stream';
