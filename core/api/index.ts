/** The contract between web and server. */
export * from './booking';
export * from './contract';
export * from './devices';
export * from './import';
export * from './planning';
export * from './circuit';
export * from './crew';
