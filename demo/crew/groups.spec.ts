import { planDay, seededRandom } from '@core/planner';
import { mixedDay } from '@core/testing/group-days';
import { lapsLed } from '@core/journal';
import { PlayedDay } from './play';

describe('Groups and rides on a day that is played', () => {
  it('are gathered, let out, and brought to their end by the crew', () => {
    const day = mixedDay(seededRandom(3), 6, 3);
    const { plan } = planDay(day, { iterations: 30, random: seededRandom(3) });
    const it = new PlayedDay(day, plan, { seed: 3 }, day.opens - 1800);
    while (it.nowS < day.closes) it.step();
    const state = it.state();
    expect([...state.groups.values()].map(({ group, stage }) => `${group.id} ${stage}`)).toEqual([
      'train-1 over',
      'train-2 over',
      'oval over',
      'pan over',
    ]);
    const train = state.groups.get('train-1')!;
    expect(train.laps.length).toBe(10);
    const led = train.start.map((guest) => lapsLed({ laps: train.laps.slice(1, 9) }, guest));
    expect(Math.max(...led) - Math.min(...led)).toBeLessThanOrEqual(1);
    const oval = [...state.groups.get('oval')!.members.values()].filter(({ radio }) => radio?.works);
    expect(oval.every(({ lapsAtStep }) => lapsAtStep.get(2) === 3)).toBeTrue();
    const rides = [...state.drives.values()].filter(({ drive }) => drive.ride);
    expect(rides.map(({ stage }) => stage)).toEqual(['done', 'done', 'done']);
  });
});
