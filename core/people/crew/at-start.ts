/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { crewDay } from './load';
export { dateAfter, rosterEntry } from './roster';
export { instructorFields } from './skills';
