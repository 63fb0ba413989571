/** The contract between web and server. */
export * from '../booking';
export * from '../fleet';
export * from '../venue';
export type { RosterEntry } from '../crew/roster';
export * from './setup';
export * from './circuit';
export * from './contract';
export * from './crew';
export * from './day-view';
export * from './devices';
export {
  type Access,
  addressOf,
  isRaw,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type QueryOf,
  type Raw,
  type ReplyOf,
} from './endpoint';
export * from './flags';
export * from './import';
export * from './phones';
export * from './planning';
export { anyFact, type AnyFact } from './facts';
export * from './practice';
export * from './problem';
export * from './troubles';
export type { NamedThing, RecordName, RequestRefusal } from './request-refusal';
