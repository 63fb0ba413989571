/** The car on the line: what it is, how a lap in it comes out, and what an instructor makes of it. */
export * from './braking';
export * from './call-kinds';
export * from './call-progress';
export * from './calls';
export * from './car-file';
export * from './difference';
export * from './lap';
export * from './lines';
export * from './shares';
export * from './study';
export * from './taught-gears';
