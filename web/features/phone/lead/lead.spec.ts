import { STATIONS, STEPS, TRAIN } from '@core/testing/group-days';
import { show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { dayWith, NAMES } from '../../../testing/group-here';
import { GroupSheet } from '../../rooms/groups/group-sheet';
import { Groups } from '../../rooms/groups/groups';
import { Lead } from './lead';

describe('A group on the leader’s phone', () => {
  it('is gathered, its radios tested, and let out; a train is led lap by lap to the end', async () => {
    const day = dayWith({ programme: { ...TRAIN, laps: 3, change: { ...TRAIN.change, after: 1 } } });
    const { press, text } = await show(Lead, day, { group: 'one' });
    await press('3 of 3 sit in the cars');
    expect(text()).toContain('No answer yet from Ada, Ben, Cleo');
    for (const name of NAMES) await press(`Radio of ${name} answered`);
    await press('Let out');
    expect(text()).toContain('Warming up, lap 1 of 1');
    await press('Lap done');
    expect(text()).toContain('At pace, lap 1 of 3');
    expect(text()).toContain('Ada: pull to the right and stop.');
    await press('Lap done, places changed');
    expect(day.state().groups.get('one')!.order).toEqual(['g2', 'g3', 'g1']);
    await press('Lap done, places changed');
    await press('Lap done, places changed');
    expect(day.state().groups.get('one')!.order).toEqual(['g1', 'g2', 'g3']);
    await press('Lap done');
    await press('All in and parked');
    await press(/^Undo: .*Over.*The three$/);
    await press('All in and parked');
    expect(text()).toContain('A word with each of them');
    await press('Speak with Ben Carr');
    await press('Keep');
    expect(day.state().groups.get('one')!.members.get('g2')!.marked.length).toBe(1);
    expect(day.refused).toEqual([]);
  });

  it('goes on fairly when somebody drops out, and takes them back at the tail', async () => {
    const day = dayWith({ programme: TRAIN });
    const { press, text } = await show(Lead, day, { group: 'one' });
    await press('3 of 3 sit in the cars');
    await press('Let out');
    await press('Something with Ada Brook');
    await press('falls behind');
    expect(day.state().groups.get('one')!.order).toEqual(['g2', 'g3']);
    await press(/^Undo: .*The three$/);
    expect(day.state().groups.get('one')!.order).toEqual(['g1', 'g2', 'g3']);
    await press('Something with Ada Brook');
    await press('falls behind');
    await press('Something with Ada Brook');
    await press('Back, at the tail');
    expect(day.state().groups.get('one')!.order).toEqual(['g2', 'g3', 'g1']);
    await press('Something with Ben Carr');
    await press('closer');
    expect(day.state().groups.get('one')!.members.get('g2')!.spacing).toEqual(['closer']);
    await press('Something with Ben Carr');
    await press('does not hear us');
    expect(text()).toContain('Ben does not hear us');
    await press('Ben flashed: radio works');
    expect(text()).not.toContain('Ben does not hear us');
  });

  it('leaves whoever is not ready behind, and says so', async () => {
    const day = dayWith({});
    day.record({ kind: 'guestLeft', guest: 'g3' }, '09:40');
    const { text, press } = await show(Lead, day, { group: 'one' });
    expect(text()).toContain('Cleo is not ready: the others can go.');
    await press('2 of 3 sit in the cars');
    expect(day.state().groups.get('one')!.order).toEqual(['g1', 'g2']);
  });
});

describe('The oval on the spotter’s phone', () => {
  it('goes up a step only once line, hands and answers are good, and back at any time', async () => {
    const day = dayWith({ programme: STEPS, surface: 'oval', roles: [{ role: 'spotter', count: 1 }] });
    const { press, text, element } = await show(Lead, day, { group: 'one' });
    await press('3 of 3 sit in the cars');
    await press('Let out');
    await press('Radio of Ada Brook: no answer');
    expect(text()).toContain('change the set');
    await press('Radio of Ada Brook answered');
    await press('Ada Brook is off');
    expect(text()).toContain('50 %');
    await press('Count lap');
    await press('Count lap');
    const up = () => [...element.querySelectorAll('button')].find((one) => one.textContent?.trim() === 'Up to 75 %')!;
    expect(up().disabled).toBe(true);
    for (const mark of ['Line held', 'Smooth', 'Answers']) await press(mark);
    expect(up().disabled).toBe(false);
    await press('Up to 75 %');
    expect(text()).toContain('75 %');
    await press('Step back');
    expect(day.state().groups.get('one')!.turns.get('g1')!.step).toBe(0);
    await press('Stop this group');
    expect(text()).toContain('Everybody stands');
    await press('All clear: go on');
    await press('In, brakes confirmed');
    expect(text()).toContain('done, 50 %: 2');
  });
});

describe('The stations on the spotter’s phone', () => {
  it('count spins, and let nobody onto the full course who has not passed the others, but with a reason', async () => {
    const day = dayWith({ programme: { ...STATIONS, teams: 1 }, surface: 'pan', carCount: 3 });
    const { press, text } = await show(Lead, day, { group: 'one' });
    await press('3 of 3 sit in the cars');
    await press('Let out');
    expect(text()).toContain('Behind the leader, lap 1 of 1');
    await press('Next round: all walk on');
    expect(text()).toContain('Round 1 of 3');
    await press('Run of Ada Brook at Slalom');
    await press('Spin 0');
    await press('Passed');
    expect(text()).toContain('passed, 1 runs, 1 spins');
    await press('Next round: all walk on');
    await press('Next round: all walk on');
    await press('Run of Ada Brook at Full course');
    await press('Passed');
    expect(day.refused.at(-1)).toContain('Circle');
    await press('Has done it before');
    await press('Passed');
    expect(day.state().groups.get('one')!.members.get('g1')!.runs.length).toBe(2);
    await press(/stop this group$/);
    expect(text()).toContain('everybody stands');
  });
});

describe('The room of groups', () => {
  it('tells who, when, with what and how long, and what would come out even', async () => {
    const { text } = await show(Groups, dayWith({ programme: { ...TRAIN, laps: 7 } }));
    expect(text()).toContain('The three');
    expect(text()).toContain('out at 10:00');
    expect(text()).toContain('Ada Brook');
    expect(text()).toContain('6 or 12 come out even');
  });

  it('warns where cars follow each other more closely than the venue wants, in seconds', async () => {
    const spacing = { start: [2, 3], practised: [1, 2], coolDown: [9, 10] } as const;
    const day = dayWith({ programme: { ...TRAIN, spacing: spacing as never } });
    const { text } = await show(Groups, day);
    expect(text()).toMatch(
      /Too close once they are in step: 0\.\d s from car to car .*venue wants 0\.7 s; that takes \d+ lengths/,
    );
    expect(text()).not.toContain('Too close cooling down');
    day.view.update((view) => ({ ...view, closestFollowS: 0 }));
    await settle();
    expect(text()).not.toContain('Too close');
  });

  it('tells how many trains like it fit beside each other', async () => {
    const day = dayWith({ programme: TRAIN });
    const { text } = await show(Groups, day);
    expect(text()).toContain('One train like this fits on the circuit at a time, with 2 single cars beside.');
  });

  it('opens a form for a new group of each kind, and for a new place', async () => {
    const { press } = await show(Groups, dayWith({}));
    for (const name of ['Add: follow the leader', 'Add: low grip', 'Add a place']) {
      await press(name);
      expect(document.querySelector('.p-dialog')?.textContent).withContext(name).toContain('Save');
      await press('Cancel');
    }
  });

  it('prints a sheet with the order, the calls and what to do if a radio is lost', async () => {
    const { text } = await show(GroupSheet, dayWith({ programme: { ...TRAIN, laps: 6 } }), { id: 'one' });
    expect(text()).toContain('Order by lap');
    expect(text()).toContain('Ada: pull to the right and stop.');
    expect(text()).toContain('Somebody does not hear us');
  });
});
