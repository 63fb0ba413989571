import fc from 'fast-check';
import { wallClock } from '../values';
import { aPlan, at } from '../testing/small-day';
import { tap, TAPPED_DAY } from '../testing/taps';
import { writtenJournal } from '../testing/written-journal';
import { effectiveEntries, replay, stateOf } from './reduce';
import { stateAt } from './statuses';

describe('The state at a time', () => {
  it('is the same whether all is replayed or only what the time changes is derived anew', () => {
    fc.assert(
      fc.property(
        fc.array(tap, { minLength: 5, maxLength: 60 }),
        fc.integer({ min: at('09:00'), max: at('17:00') }),
        (taps, timeS) => {
          const it = writtenJournal(TAPPED_DAY, aPlan());
          taps.forEach((fields, i) => it.enter(wallClock(at('09:00') + i * 240), fields));
          const happened = effectiveEntries(it.entries).filter((entry) => entry.at <= timeS);
          const replayed = replay(it.context, happened);
          const [first, again] = [at('09:00'), timeS].map((s) => stateAt(it.context, replayed, s));
          expect(again).toEqual(stateOf(it.context, it.entries, timeS));
          // The copies know nothing of each other.
          if (first!.guests.get('g1') === again!.guests.get('g1')) throw new Error('one guest in two states');
        },
      ),
      { numRuns: 60 },
    );
  });
});
