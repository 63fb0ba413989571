/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { dayBefore } from './before';
export { CUE_PLACES } from './cues';
export { teachingDrive } from './teaching';
export { faultEntry, vocabularyOf } from './vocabulary';
