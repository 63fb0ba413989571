import type { DayContext, DayState } from '@core/journal';
import { atDesk, atGate } from './gate';
import { inGarage, inTrouble } from './garage';
import { atCars, inClassroom } from './instructors';
import { atPitExit, lastReleaseOf, mayLetOut, type LetOut } from './marshal';
import { Memory, type Deed } from './scene';

/** Lets out whoever has waited longest, as soon as the venue's rules allow it. */
export const asSoonAsAllowed: LetOut = (scene, queue) =>
  queue.length > 0 && mayLetOut(scene, lastReleaseOf(scene)) ? queue[0] : undefined;

export interface CrewOptions {
  readonly seed: number;
  /** When each guest was booked to come, seconds since midnight. */
  readonly bookedS: (guest: string) => number;
  readonly letOut?: LetOut;
  /** Names of corners that are marked. */
  readonly corners?: readonly string[];
}

/**
 * The people of an event day: sees the state of the day and says what each of them enters now. Knows nothing of how an
 * entry gets into a journal; what is refused is tried again, as long as it is still to be done. The same seed and the same
 * states give the same day.
 */
export class Crew {
  private readonly memory: Memory;

  constructor(private readonly options: CrewOptions) {
    this.memory = new Memory(options.seed);
  }

  /** What is entered at a moment; the state must be that of this moment. */
  look(context: DayContext, state: DayState, nowS: number): Deed[] {
    const { bookedS, letOut = asSoonAsAllowed, corners = [] } = this.options;
    const scene = this.memory.scene(context, state, nowS);
    return [
      ...atGate(scene, bookedS),
      ...inClassroom(scene),
      ...inTrouble(scene),
      ...atCars(scene, corners),
      ...atPitExit(scene, letOut),
      ...inGarage(scene),
      ...atDesk(scene),
    ];
  }
}
