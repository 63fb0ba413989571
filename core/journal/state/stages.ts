/** Where a drive stands, from the plan to the word afterwards. */
export type DriveStage = 'planned' | 'seated' | 'onCircuit' | 'standing' | 'rollingIn' | 'parked' | 'done';

/** Where a group stands. */
export type GroupStage = 'planned' | 'gathered' | 'out' | 'over';
