/** What is loaded before the first screen, apart from the room: the rest comes with the screens that use it. */
export { moveDrive, moveGroup, restated, shiftDrives, swapDrives } from './questions/edits';
export { groupChanges } from './questions/other-changes';
