/** The close of a day: its figures and what is left to do. */
export { type CloseFigure, closeOfDay, dayClose, type DayClose, figureText, receivedByMeans } from './close-of-day';
export type { ToDo } from './to-do';
