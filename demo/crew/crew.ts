import type { DayContext, DayState } from '@core/journal';
import { atDesk, atGate, type Arrivals } from './gate';
import { atWalkRounds, inGarage, inTrouble } from './garage';
import { inClassroom } from './classroom';
import { withGroups } from './groups';
import { atCars } from './instructors';
import { atPitExit, asSoonAsAllowed, type LetOut } from './marshal';
import { BY_LOOP, Memory, type Deed, type Sight } from './scene';

export interface CrewOptions extends Arrivals {
  readonly seed: number;
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
  look(context: DayContext, state: DayState, nowS: number, sight: Sight = BY_LOOP): Deed[] {
    const { letOut = asSoonAsAllowed, corners = [] } = this.options;
    const scene = this.memory.scene(context, state, nowS, sight);
    return [
      ...atGate(scene, this.options),
      ...inClassroom(scene),
      ...inTrouble(scene),
      ...withGroups(scene),
      ...atCars(scene, corners),
      ...atPitExit(scene, letOut),
      ...inGarage(scene),
      ...atWalkRounds(scene),
      ...atDesk(scene),
    ];
  }
}
