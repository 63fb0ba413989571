/** What is loaded before the first screen: the rest comes with the screens that use it. */
export { carFields } from './car-fields';
