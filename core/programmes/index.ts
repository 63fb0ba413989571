/** The ways to drive beside the coached drive: order of a train, steps of throttle, stations, as data and as arithmetic. */
export * from './advice';
export * from './asks';
export * from './order-table';
export * from './outing';
export * from './presets';
export * from './programme';
export * from './rotation';
export * from './spacing';
export * from './train';
