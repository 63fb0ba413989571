import * as fc from 'fast-check';
import { BY_ID, wordsIn } from '@words';
import { coneKind, legend as legendSchema, type Legend } from './circuit-file';
import { legendFaults, LEGENDS, legendWarnings } from './legend';

const told = wordsIn('en', BY_ID);
const [four, counted] = LEGENDS as [Legend, Legend, Legend];
const faults = (change: Partial<Legend>) => legendFaults({ ...four, ...change }).map(told.legendFault);

describe('A legend', () => {
  for (const one of LEGENDS) {
    it(`to begin with can be told apart, even with a cone knocked over: ${one.name}`, () => {
      expect(legendFaults(one)).toEqual([]);
      expect(legendWarnings(one)).toEqual([]);
    });
  }

  it('is refused where two meanings look the same, whatever they are called in capitals', () => {
    const violet = { ...four.turnIn, colour: ' Violet ' };
    expect(faults({ exit: violet })).toEqual([
      'violet cone would mean both turn in and exit: give one of them another colour, number or pattern',
    ]);
    for (const change of [{ count: 2 }, { pattern: 'banded' as const }, { by: 'board' as const }]) {
      expect(faults({ exit: { ...violet, ...change } })).toEqual([]);
    }
  });

  it('may show the apex as it shows the turn-in: one stands inside the corner, one outside', () => {
    expect(faults({ apex: four.turnIn })).toEqual([]);
    expect(faults({ gate: four.turnIn }).length).toBe(1);
  });

  it('warns of a pair that looks like a single of its colour once one has fallen, and of a single beside a lying one', () => {
    const warned = (change: Partial<Legend>) => legendWarnings({ ...four, ...change }).map(told.legendWarning);
    expect(warned({ exit: { ...four.brake, count: 1 } })).toEqual([
      'where one cone falls over, a pair of white cones (brake) looks like exit',
    ]);
    expect(warned({ exit: { ...four.turnIn, pattern: 'lying' } }).length).toBe(1);
    expect(warned({ apex: { ...four.brake, count: 1 } })).toEqual([]);
  });

  it('as kept by earlier versions is read, with nothing placed of what they did not know', () => {
    const { distance: _, keepOff: __, guideLine: ___, safetyZone: ____, ...earlier } = counted;
    const plain = Object.fromEntries(
      Object.entries(earlier).map(([key, value]) => {
        if (typeof value === 'string') return [key, value];
        const { pattern: _____, ...marker } = value;
        return [key, marker];
      }),
    );
    const read = legendSchema.parse(plain);
    expect([read.exit.pattern, read.keepOff.by]).toEqual(['plain', 'none']);
  });

  it('names each pair of meanings at most once, in any mixture', () => {
    const marker = fc.record({
      by: fc.constantFrom('cone' as const, 'board' as const, 'none' as const),
      count: fc.integer({ min: 1, max: 2 }),
      colour: fc.constantFrom('white', 'black'),
      pattern: fc.constant('plain' as const),
      css: fc.constant('#ffffff'),
    });
    fc.assert(
      fc.property(fc.tuple(...coneKind.options.map(() => marker)), (markers) => {
        const mixed = {
          ...four,
          ...Object.fromEntries(coneKind.options.map((kind, i) => [kind, markers[i]])),
        };
        const pairs = legendFaults(mixed).map(({ values: { kinds } }) => [...kinds].sort().join());
        expect(new Set(pairs).size).toBe(pairs.length);
        for (const { values } of legendFaults(mixed)) {
          const [one, other] = values.kinds;
          expect([mixed[one].by, mixed[one].count, mixed[one].colour]).toEqual([
            mixed[other].by,
            mixed[other].count,
            mixed[other].colour,
          ]);
        }
      }),
    );
  });
});
