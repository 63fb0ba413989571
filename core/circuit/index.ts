/** The circuit: its shape and its places. */
export * from './circuit-map';
