/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { isLow, tankOf } from './fuel';
export { carDay } from './usage';
