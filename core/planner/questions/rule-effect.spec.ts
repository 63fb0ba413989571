import { aDay, aGuest, at } from '../../testing/small-day';
import { ruleEffectWords } from '@words/en/rules';
import { effectOf, roomOf } from './rule-effect';

describe('What a rule does to a day', () => {
  const guests = Array.from({ length: 12 }, (_, i) =>
    aGuest({ id: `g${i}`, arrives: at('09:00'), briefed: true, sighted: true }),
  );
  const day = aDay({
    guests: guests.map((guest, i) => ({ ...guest, drives: guest.drives.map((drive) => ({ ...drive, id: `d${i}` })) })),
  });
  const wanted = { laps: 5, isNew: false, pace: 1.2 };
  const under = (rules: Partial<typeof day.rules>) => roomOf({ ...day, rules: { ...day.rules, ...rules } }, wanted);

  it('is nothing where it stays as it is', () => {
    const effect = effectOf(under({}), under({}));
    expect(effect).toEqual({ placed: 0, more: 0, waitS: 0 });
    expect(ruleEffectWords(effect)).toBe('changes nothing');
  });

  it('is less room where every car stands longer, and longer waits', () => {
    const effect = effectOf(under({}), under({ turnaroundS: 1800 }));
    expect(effect.placed + effect.more).toBeLessThan(0);
  });

  it('is told by what becomes more or less', () => {
    expect(ruleEffectWords({ placed: -9, more: 0, waitS: 0 })).toBe('9 drives less find a place');
    expect(ruleEffectWords({ placed: 1, more: -2, waitS: -250 })).toBe(
      '1 drive more finds a place; room for 2 drives less; guests wait 4 min less',
    );
  });
});
