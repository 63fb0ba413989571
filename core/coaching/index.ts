/** Getting better: faults and marks, laps and what they say, and what the next instructor is told. */
export * from './handover';
export * from './laps';
export * from './marks';
export * from './misread';
export * from './vocabulary';
export * from './cues';
export * from './sooner';
export * from './talk';
export * from './results';
export * from './before';
export * from './evidence';
export * from './taught-places';
export * from './teaching';
export * from './heat';
export * from './levels';
