import fc from 'fast-check';
import { matched } from './matching';

const free = () => true;

describe('Who takes which place', () => {
  it('is found where somebody has to make way', () => {
    // The first place would take 1, which the second one needs.
    expect(matched([[1, 2], [1]], free)).toEqual([2, 1]);
  });

  it('is nothing where they are too few, or not free', () => {
    expect(matched([[1], [1]], free)).toBeUndefined();
    expect(matched([[1, 2]], (one) => one > 2)).toBeUndefined();
    expect(matched([], free)).toEqual([]);
  });

  it('gives every place somebody who may, nobody twice, whenever that is possible', () => {
    const lists = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { maxLength: 4 }), { maxLength: 5 });
    const possible = (able: readonly (readonly number[])[], taken: readonly number[] = []): boolean =>
      able.length === 0 || able[0]!.some((one) => !taken.includes(one) && possible(able.slice(1), [...taken, one]));
    fc.assert(
      fc.property(lists, (able) => {
        const chosen = matched(able, free);
        expect(chosen !== undefined).toBe(possible(able));
        chosen?.forEach((one, place) => expect(able[place]).toContain(one));
        expect(new Set(chosen).size).toBe(chosen?.length ?? 0);
      }),
    );
  });
});
