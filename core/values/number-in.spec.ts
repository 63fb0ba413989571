import fc from 'fast-check';
import { currencyDecimals, money } from './money';
import { numberIn } from './number-in';

const read = (text: string, decimals = 2, more = {}) => {
  const found = numberIn(text, { decimals, ...more });
  return found.kind === 'number' ? found.value : found.kind === 'either' ? found.values : found.kind;
};

describe('A number as people write it', () => {
  it('takes point and comma, blanks and apostrophes between thousands, and its unit', () => {
    expect(['66,5', '66.5', ',5', '-3,25', '−3.25'].map((text) => read(text))).toEqual([66.5, 66.5, 0.5, -3.25, -3.25]);
    for (const text of ['1 234,5', '1\u202f234,5', '1’234.50', '1,234.5', '1.234,5']) {
      expect(read(text)).withContext(text).toBe(1234.5);
    }
    expect(read('1.234.567')).toBe(1_234_567);
    expect(['66,5 l', '66.5L', 'EUR 8', '8 €'].map((text) => read(text, 2, { units: ['l', 'EUR', '€'] }))).toEqual([
      66.5, 66.5, 8, 8,
    ]);
    expect(read('')).toBe('empty');
  });

  it('is asked about where three digits behind one sign may be thousands', () => {
    expect(read('8.000')).toEqual([8, 8000]);
    expect(read('8,500')).toEqual([8.5, 8500]);
    expect(read('0,500')).toBe(0.5);
    expect(read('48.500', 0)).toBe(48_500);
    expect(read('1.125', 3)).toBe(1.125);
  });

  it('is never made another one: what cannot be read is refused', () => {
    for (const text of ['6 6,5', '1,23,4', '1.2.3', '12-3', '1:02', 'x', '1.234,5.6', '8,5 kg', '1e5', '٣']) {
      expect(read(text)).withContext(text).toBe('unread');
    }
    expect(read('66,5', 0)).toBe('unread');
    expect(read('1.2345')).toBe('unread');
  });

  it('takes minutes where seconds are asked for', () => {
    const lap = (text: string) => read(text, 1, { seconds: true, units: ['s'] });
    expect(['62', '1:02', '1:02,5', '62 s', '1 min 2 s', '62,5'].map(lap)).toEqual([62, 62, 62.5, 62, 62, 62.5]);
    expect(lap('1:72')).toBe('unread');
  });

  it('comes back as it was, however the languages write it, or is asked about', () => {
    const written = fc.record({
      value: fc.integer({ min: -99_999_999, max: 99_999_999 }),
      decimals: fc.integer({ min: 0, max: 3 }),
      language: fc.constantFrom('en', 'de', 'fr', 'es', 'de-CH', 'sv', 'it', 'en-IN'),
    });
    fc.assert(
      fc.property(written, ({ value, decimals, language }) => {
        const number = value / 10 ** decimals;
        const text = new Intl.NumberFormat(language, { maximumFractionDigits: decimals }).format(number);
        const found = read(text, decimals);
        if (language === 'en-IN' && found === 'unread') return;
        expect(Array.isArray(found) ? found.includes(number) : found === number)
          .withContext(`${text} in ${language}: ${String(found)}`)
          .toBe(true);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('Money', () => {
  it('is written with the parts of its currency', () => {
    expect([money(48_500, 'CLP'), money(8.5, 'EUR'), money(8, 'EUR'), money(8.125, 'KWD')]).toEqual([
      'CLP\u00a048,500',
      '€8.50',
      '€8',
      'KWD\u00a08.125',
    ]);
    expect(['CLP', 'EUR', 'KWD'].map(currencyDecimals)).toEqual([0, 2, 3]);
  });
});
