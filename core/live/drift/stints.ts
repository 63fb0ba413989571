import type { Interval } from '../../values';

/**
 * Work of one after the other, with rests that it needs: an instructor's time between two rests, a car's laps between two
 * coolings. A rest that the accepted plan has and that what follows needs is kept, where it is, before anything gets too
 * much.
 */
export class Stints<T extends Interval> {
  private amount = 0;
  private endS = -Infinity;

  /**
   * @param accepted in order
   * @param amountOf what one of them adds
   * @param most that may come together without a rest
   */
  constructor(
    private readonly accepted: readonly T[],
    private readonly amountOf: (one: T) => number,
    private readonly most: number,
    private readonly restS: number,
    /** Share of the most by which it may be more: what took a little longer does not by itself cost another rest. */
    private readonly tolerated = 0,
  ) {}

  /** When it can begin at the earliest, if it could begin at `readyS` otherwise. */
  earliestS(one: T, readyS: number): number {
    if (readyS - this.endS >= this.restS) return readyS;
    const place = this.accepted.indexOf(one);
    const restsBefore = place > 0 && this.gapBefore(place) >= this.restS;
    const comes = restsBefore ? this.stintFrom(place) : this.amountOf(one);
    return this.amount + comes > this.most * (1 + this.tolerated) ? Math.max(readyS, this.endS + this.restS) : readyS;
  }

  /** What is done next; to be told in the order of time. */
  add(startS: number, endS: number, amount: number): void {
    if (startS - this.endS >= this.restS) this.amount = 0;
    this.amount += amount;
    this.endS = Math.max(this.endS, endS);
  }

  private gapBefore(place: number): number {
    return this.accepted[place]!.startS - this.accepted[place - 1]!.endS;
  }

  /** All that the accepted plan has from one on until its next rest. */
  private stintFrom(place: number): number {
    let sum = this.amountOf(this.accepted[place]!);
    for (let next = place + 1; next < this.accepted.length && this.gapBefore(next) < this.restS; next++) {
      sum += this.amountOf(this.accepted[next]!);
    }
    return sum;
  }
}
