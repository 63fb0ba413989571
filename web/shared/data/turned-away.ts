import { Subject } from 'rxjs';

/** Why the server has turned this device away where something can be done about it here: a code, or leaving for good. */
export const turnedAway = new Subject<'managerOnly' | 'phonePutOut'>();
