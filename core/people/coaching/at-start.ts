/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { dayBefore } from './before';
export { teachingDrive } from './teaching-drive';
export { CUE_PLACES, type CuePlace, faultEntry } from './fault-entry';
