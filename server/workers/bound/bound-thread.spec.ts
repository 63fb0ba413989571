import type { Day } from '@core/day';
import { aDay, aGuest } from '@core/testing/small-day';
import { BoundThread } from './bound-thread';

describe('The thread that works bounds out', () => {
  let thread: BoundThread;
  beforeEach(() => (thread = new BoundThread()));
  afterEach(() => thread.close());

  const twoGuests = aDay({ guests: [aGuest(), aGuest({ id: 'g2', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] })] });

  it('answers for each day once, however often and by whomever it is asked', async () => {
    const asked = thread.work(aDay());
    expect(thread.work(aDay())).toBe(asked);
    expect([thread.busy, thread.known(aDay())]).toEqual([true, undefined]);
    const other = thread.work(twoGuests);
    const bounds = await Promise.all([asked, other]);
    expect(bounds.map(({ waiting }) => waiting!.minutes > 0)).toEqual([false, true]);
    expect(thread.busy).toBe(false);
    expect(thread.known(aDay())).toBe(bounds[0]);
    expect(await thread.work(twoGuests)).toBe(bounds[1]);
  });

  it('that breaks down says so to all who wait, and answers the next one', async () => {
    const [broken, behind] = [thread.work({} as Day), thread.work(twoGuests)];
    await Promise.all([expectAsync(broken).toBeRejected(), expectAsync(behind).toBeRejected()]);
    expect(thread.busy).toBe(false);
    expect((await thread.work(twoGuests)).leftOut.atLeast).toBe(0);
  });
});
