import { CHANGE_TAKES_S } from '@core/programmes/presets';
import { trainNow, type FollowProgramme } from '@core/programmes';
import { TRAIN } from '@core/testing/group-days';
import { changeCalls, colourName, partWords, radioLostWords } from './train';

const NAMES: Record<string, string> = { a: 'Ada', b: 'Ben', c: 'Cleo', d: 'Dan' };
const CARS: Record<string, string> = { a: '#c0392b', b: '#f4f4f0', c: '#2b56aa', d: '#e8c832' };
const names = { guest: (id: string) => NAMES[id]!, colour: (id: string) => colourName(CARS[id]!) };
const START = ['a', 'b', 'c', 'd'];

describe('The words for the radio', () => {
  const said = (change: Partial<FollowProgramme['change']>) => {
    const programme = { ...TRAIN, change: { ...TRAIN.change, ...change } };
    const { next } = trainNow(programme, { start: START, order: START, done: [START, START] });
    return changeCalls(next!, programme, names);
  };

  it('call by first name: where, which side, how slow, in behind which colour, who is first then', () => {
    const lines = said({ how: 'straight', place: 'the long straight', side: 'right', slowToKmh: 60 });
    expect(lines.map(({ words }) => words)).toEqual([
      'Ada: on the long straight, pull to the right and slow to 60.',
      'The others: pass on the left, one after the other, and stay in line.',
      'Ada: in behind the yellow one, number 4.',
      'Dan, you are last: flash when Ada is behind you.',
      '4 of 4 there? Then Ben is first. Here we go.',
    ]);
  });

  it('call a stop where the change is a stopped one, and the corner that is left where it is rolling there', () => {
    expect(said({ how: 'stopped', side: 'left' })[0]!.words).toBe('Ada: pull to the left and stop.');
    expect(said({ how: 'corner', place: 'Anchor', slowToKmh: 50 })[0]!.words).toBe(
      'Ada: leaving Anchor, pull to the right and slow to 50.',
    );
  });

  it('have a cue for the last car, which cannot see the leader', () => {
    expect(said({}).filter(({ to }) => to === 'last').length).toBe(1);
  });

  it('say what everybody does when a radio is lost', () => {
    expect(
      radioLostWords('Ben', 'left')
        .map(({ words }) => words)
        .join(' '),
    ).toContain('Ben pulls to the left');
  });
});

describe('The name of a colour', () => {
  it('is that of the nearest one that people have a word for', () => {
    expect(['#5d8aa8', '#a34a3e', '#e3daca', '#8a5a33', '#c9b458'].map(colourName)).toEqual([
      'blue',
      'red',
      'cream',
      'brown',
      'yellow',
    ]);
    expect(['#ffffff', '#101010', '#b03020', '#3366cc', '#2f8040', '#f0d040'].map(colourName)).toEqual([
      'white',
      'black',
      'red',
      'blue',
      'green',
      'yellow',
    ]);
  });
});

describe('What a group’s time is made of', () => {
  it('is told part by part', () => {
    expect(partWords({ what: 'changes', times: 1, eachS: CHANGE_TAKES_S.stopped })).toBe('1 change of 1 min 30 s');
    expect(partWords({ what: 'laps', times: 8, eachS: 80 })).toBe('8 laps of 1 min 20 s');
  });
});
