/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { callCustoms } from './call-customs';
export { carFile } from './car-file';
