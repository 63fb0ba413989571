import { fact } from '../../values';
import { BY_ID, wordsIn } from '@words';
import { talkOf, type TalkSource } from './talk';

const words = wordsIn('en', BY_ID);
const SOURCE: TalkSource = {
  customs: { talk: ['Strap', 'Belts'], passing: 'straights', lock: 'left', parkedIn: 'neutral' },
  wayIn: 'in at the anchor board, stall 9',
  answers: {},
  gearbox: undefined,
  occasion: undefined,
  workOn: undefined,
  good: [],
  notes: undefined,
  traps: [],
  advice: [],
  after: false,
  lap: undefined,
  ticked: new Set(),
  saidBefore: new Set(),
};
const lines = (more: Partial<TalkSource>, group: string) =>
  talkOf({ ...SOURCE, ...more })
    .find(({ name }) => name === group)
    ?.lines.map(({ what }) => words.talk(what));

describe('The talk in the car', () => {
  it('comes in the order in which it is done, and leaves out groups of which nothing is known', () => {
    expect(talkOf(SOURCE).map(({ name }) => name)).toEqual(['seat', 'guest', 'car', 'ways']);
    const all = talkOf({
      ...SOURCE,
      answers: { homeCar: 'electric', drivesOn: 'left' },
      lap: { topSpeedKmh: 183.9, gearChanges: 2, gearsUsed: [3, 4] },
      after: true,
      advice: [fact('alike', {})],
    });
    expect(all.map(({ name }) => name)).toEqual(['seat', 'guest', 'car', 'before', 'home', 'ways', 'speed']);
  });

  it('is never cut short: every trap, every difference and the whole list of the venue', () => {
    const traps = Array.from({ length: 8 }, (_, i) => `trap ${i}`);
    expect(lines({ traps }, 'car')!.filter((text) => text.startsWith('Mind:')).length).toBe(8);
    expect(lines({}, 'seat')).toEqual(['Strap', 'Belts']);
  });

  it('says of touch what was answered, and that nobody has asked', () => {
    expect(lines({}, 'guest')![0]).toContain('Ask whether a touch');
    expect(lines({ answers: { touch: false } }, 'guest')![0]).toContain('in a pass or an emergency you steady');
    expect(lines({ answers: { touch: true, sick: true } }, 'guest')!.length).toBe(2);
  });

  it('promises no more speed than the car reaches, and speaks of shifts to those who shift', () => {
    const lap = { topSpeedKmh: 183.9, gearChanges: 2, gearsUsed: [3, 4] };
    expect(lines({ lap }, 'speed')).toEqual(['Up to 180 km/h here, at your pace']);
    expect(lines({ lap, gearbox: 'paddle' }, 'car')).toContain('2 shifts a lap, in 3 and 4');
    expect(lines({ lap, gearbox: 'auto' }, 'car')!.join()).not.toContain('shifts a lap');
  });

  it('folds a group that was said before to this guest, and opens it again where something in it is another', () => {
    const seat = talkOf(SOURCE).find(({ name }) => name === 'ways')!;
    const saidBefore = new Set(seat.lines.map(({ id }) => id));
    const again = (more: Partial<TalkSource>) =>
      talkOf({ ...SOURCE, saidBefore, ...more }).find(({ name }) => name === 'ways')!.folded;
    expect(seat.folded).toBeFalse();
    expect(again({})).toBeTrue();
    expect(again({ wayIn: 'in at the anchor board, stall 4' })).toBeFalse();
    const ticked = talkOf({ ...SOURCE, ticked: saidBefore }).find(({ name }) => name === 'ways')!;
    expect([ticked.folded, ticked.lines.every(({ done }) => done)]).toEqual([true, true]);
  });
});
