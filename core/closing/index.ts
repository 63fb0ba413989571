/** The close of a day: its figures and what is left to do. */
export * from './close-of-day';
export type { ToDo } from './to-do';
