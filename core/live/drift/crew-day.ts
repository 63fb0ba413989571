import type { Instructor, PersonOccupancy } from '../../day';
import type { Interval } from '../../values';
import { Stints } from './stints';

/** Work that takes a little longer than planned does not by itself cost a rest that the plan does not have. */
export const TOLERATED = 0.05;

/**
 * How far an instructor has come with work, rests and the meal: what begins next waits for the rest that is due before it,
 * and for the meal where the plan has no later room for one.
 */
export class CrewDay {
  private readonly stints: Stints<PersonOccupancy>;
  private endS = -Infinity;
  private hasEaten: boolean;
  /** The gap of the accepted plan before this activity is the last one that holds the meal. */
  private readonly mealBefore: PersonOccupancy | undefined;

  /** @param accepted the instructor's activities, in order */
  constructor(
    private readonly instructor: Instructor,
    accepted: readonly PersonOccupancy[],
  ) {
    const { meal, available, maxSeatS, restS } = instructor;
    this.stints = new Stints(accepted, ({ startS, endS }) => endS - startS, maxSeatS, restS, TOLERATED);
    this.hasEaten = !available.some(({ from, to }) => from <= meal.from && meal.to <= to);
    const last = accepted.at(-1);
    this.mealBefore =
      last && this.feeds(last.endS, meal.to)
        ? undefined
        : accepted.findLast(({ startS }, place) => this.feeds(accepted[place - 1]?.endS ?? 0, startS));
  }

  /** When an activity can begin at the earliest, if it could begin at `readyS` otherwise. */
  earliestS(activity: PersonOccupancy, readyS: number): number {
    const { meal } = this.instructor;
    const atS = this.stints.earliestS(activity, readyS);
    if (this.hasEaten || activity !== this.mealBefore || this.feeds(this.endS, atS)) return atS;
    const fedS = Math.max(this.endS, meal.from) + meal.durationS;
    return fedS <= meal.to ? Math.max(atS, fedS) : atS;
  }

  /** What the instructor does next; to be told in the order of time. */
  work({ startS, endS }: Interval): void {
    if (this.feeds(this.endS, startS)) this.hasEaten = true;
    this.stints.add(startS, endS, endS - startS);
    this.endS = Math.max(this.endS, endS);
  }

  private feeds(fromS: number, toS: number): boolean {
    const { from, to, durationS } = this.instructor.meal;
    return Math.min(toS, to) - Math.max(fromS, from) >= durationS;
  }
}
