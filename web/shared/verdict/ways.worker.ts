import { expose } from 'comlink';
import { headingAt, repairOptionsAt } from './moment';

/** What the thread that looks ahead answers: it replays the journal, which the one that checks plans need not know. */
const thread = { heading: headingAt, repairOptions: repairOptionsAt };
export type WaysThread = typeof thread;
expose(thread);
