import { TestBed } from '@angular/core/testing';
import { aDay, aGuest, aPlan, drive } from '@core/testing/small-day';
import { OwedWishes } from './owed-wish';
import { Ask } from '../../../shared/frame/ask';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';

describe('Laps that are owed', () => {
  const owing = async () => {
    const data = new FakeDay(aDay({ guests: [aGuest()] }), aPlan({ drives: [drive('10:00')] }), '10:03');
    data.clear('g1', '09:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '09:56');
    data.record({ kind: 'released', drive: 'd1' }, '10:00');
    data.record({ kind: 'brokenOff', drive: 'd1', reason: 'fault' }, '10:02');
    const shown = await show(OwedWishes, data, { drive: 'd1' });
    const answer = async (text: string | undefined) => {
      TestBed.inject(Ask).answer(text);
      await settle();
    };
    return { data, answer, ...shown };
  };

  it('wait as the guest says: not before a time, not today, or any time again', async () => {
    const { data, answer, press, text } = await owing();
    await press('Not before…');
    await answer('14:30');
    expect(text()).toContain('not before 14:30');
    await press('Any time');
    await press('Not today');
    expect(text()).toContain('not today, says the guest');
    expect(data.kinds().filter((kind) => kind === 'owedAgreed').length).toBe(3);
  });

  it('stay as they were where what was typed is no time, or nothing', async () => {
    const { data, answer, press } = await owing();
    await press('Not before…');
    await answer('half past two');
    expect(data.refused).toEqual(['"half past two" is no time of day; write 15:00, say.']);
    await press('Not before…');
    await answer(undefined);
    expect(data.kinds()).not.toContain('owedAgreed');
  });
});
