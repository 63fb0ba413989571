import fc from 'fast-check';
import { fact } from '../../values';
import { linkFault, VOCABULARY, vocabularyOf } from './vocabulary';
import { teachingResult } from './teaching';
import type { TeachingDrive } from './teaching-drive';

function drive(nth: number, gain: number, span = 4, faults: string[] = []): TeachingDrive {
  return { date: '2027-05-22', nth, span, spoiled: 0, gain, faults };
}

describe('The gain of an instructor’s guests', () => {
  const crew = [...Array(40).keys()].flatMap((i) => [
    drive(1, 0.04 + (i % 5) * 0.004),
    drive(2, 0.01 + (i % 5) * 0.004),
  ]);

  it('is beside the crew’s in drives of the same place in the day: first drives only is no merit', () => {
    const own = crew.filter(({ nth }) => nth === 1);
    const { beyond, says, gain } = teachingResult(own, crew);
    expect(gain!.mean).toBeGreaterThan(0.04);
    expect(beyond!.mean).toBeCloseTo(0, 9);
    expect(says).toBe('nothing');
  });

  it('is beside the crew’s in as many laps', () => {
    const long = crew.map((one) => ({ ...one, span: 7, gain: (one.gain / 4) * 7 }));
    expect(teachingResult(long, [...crew, ...long]).beyond!.mean).toBeCloseTo(0, 9);
  });

  it('says more or less only beyond chance, and nothing from a few drives', () => {
    const better = crew.map((one) => ({ ...one, gain: one.gain + 0.02 }));
    expect(teachingResult(better, crew).says).toBe('more');
    expect(
      teachingResult(
        better.map((one) => ({ ...one, gain: one.gain - 0.04 })),
        crew,
      ).says,
    ).toBe('less');
    expect(teachingResult(better.slice(0, 7), crew).says).toBe('too few');
    expect(teachingResult([], crew)).toEqual({
      drives: 0,
      spoiledLaps: 0,
      gain: undefined,
      beyond: undefined,
      says: 'too few',
      faults: [],
    });
  });

  it('is nothing beyond for the crew as a whole', () => {
    const drives = fc.array(
      fc
        .tuple(fc.integer({ min: 1, max: 5 }), fc.double({ min: -0.1, max: 0.1, noNaN: true }))
        .map(([nth, gain]) => drive(nth, gain)),
      { minLength: 2, maxLength: 60 },
    );
    fc.assert(fc.property(drives, (all) => expect(teachingResult(all, all).beyond!.mean).toBeCloseTo(0, 9)));
  });

  it('comes with what was marked most often, as a share of the drives that were marked', () => {
    const own = [drive(1, 0, 4, ['Turns in early', 'Rough']), drive(1, 0, 4, ['Turns in early']), drive(1, 0)];
    expect(teachingResult(own, crew).faults).toEqual([
      { name: 'Turns in early', share: 1 },
      { name: 'Rough', share: 0.5 },
    ]);
  });
});

describe('The vocabulary of a venue', () => {
  const own = { ...VOCABULARY[0]!, id: 'own-one', name: 'Our own', from: ['brakes-late'] };

  it('holds links that lead to an earlier phase, in the common words too', () => {
    const common = vocabularyOf([]);
    for (const entry of VOCABULARY) expect(linkFault(entry, common)).toBeUndefined();
  });

  it('refuses a cause that comes after its effect, is not there, or is the fault itself', () => {
    const words = vocabularyOf([own]);
    expect(linkFault({ ...own, phase: 'look' }, words)?.code).toBe('linkedBackwards');
    expect(linkFault({ ...own, phase: 'exit' }, words)).toBeUndefined();
    expect(linkFault({ ...own, phase: 'whole' }, words)).toBeUndefined();
    expect(linkFault({ ...own, from: ['nowhere'] }, words)).toEqual(fact('linkToNothing', { fault: 'nowhere' }));
    expect(linkFault({ ...own, from: ['own-one'] }, words)?.code).toBe('linkedToItself');
  });

  it('puts its own words in place of the common ones, under the same id', () => {
    const early = VOCABULARY.find(({ id }) => id === 'turns-early')!;
    const words = vocabularyOf([{ ...early, name: 'Turns too soon' }]);
    expect(words.get('turns-early')?.name).toBe('Turns too soon');
    expect(words.size).toBe(VOCABULARY.length);
  });
});
