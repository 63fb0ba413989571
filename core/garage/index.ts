/** What each car has done, has left and will need. */
export * from './fuel';
export * from './refuel';
export * from './usage';
export * from './wear';
