import { show } from '../../../testing/fake-day';
import { dayWith } from '../../../testing/group-here';
import { PitExit } from './pit-exit';

function seated(rules: Parameters<typeof dayWith>[1] = {}) {
  const data = dayWith({ needsBriefing: false }, rules);
  const crew = [{ role: 'lead' as const, instructor: 'i1' }];
  const guests = ['g1', 'g2', 'g3'];
  data.record({ kind: 'groupBegan', group: 'one', guests, cars: ['c1', 'c2', 'c3'], crew }, '09:48');
  return data;
}

describe('A train at the pit exit', () => {
  it('waits with its order, who has not answered, and when to let it out', async () => {
    const data = seated();
    data.record({ kind: 'radioTested', group: 'one', guest: 'g1', answered: true }, '09:49');
    const { text, press, element } = await show(PitExit, data);
    expect(text()).toContain('The three');
    expect(text()).toContain('planned out in 10 min');
    expect(element.querySelector('.discs')!.getAttribute('aria-label')).toBe(
      'In this order: Ada Brook, Ben Carr, Cleo Dahl',
    );
    expect(text()).toContain('No answer by radio yet: Ben, Cleo');
    await press('Let out The three');
    expect(data.state().groups.get('one')!.stage).toBe('out');
    expect(text()).toContain('The three: Warming up, lap 1 of 1');
    expect(text()).not.toContain('The circuit is empty');
    await press(/^Undo: .*Let out.*The three$/);
    expect(data.state().groups.get('one')!.stage).toBe('gathered');
  });

  it('does not go where there is no room for all of its cars', async () => {
    const { text } = await show(PitExit, seated({ maxCarsOnTrack: 2 }));
    expect(text()).toContain('No room in the next 3 min');
  });

  it('that is out shows what comes next, and where the loop has counted otherwise', async () => {
    const data = seated();
    data.record({ kind: 'groupReleased', group: 'one' }, '09:48:10');
    data.record({ kind: 'groupLapCounted', group: 'one' }, '09:49:30');
    data.record({ kind: 'groupLapCounted', group: 'one' }, '09:49:50');
    data.record({ kind: 'lineCrossed', car: 'c1', ms: 0 }, '09:49:31');
    const { text } = await show(PitExit, data);
    expect(text()).toContain('At pace, lap 2 of 8');
    expect(text()).toContain('In one more lap: Ada: pull to the right and stop.');
    expect(text()).toContain('The loop has seen 1 lap, 2 are counted here.');
    expect(text()).not.toContain('not let out');
  });
});
