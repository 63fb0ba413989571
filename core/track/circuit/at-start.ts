/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { circuitFile, coneKind, origin } from './circuit-file';
export { circuitMap } from './circuit-map';
export { WHEELED_LINES } from './wheeled';
