import fc from 'fast-check';
import { dateIn, dateOrderOf, timeIn } from './usual-writing';

const at = (hours: number, minutes: number) => hours * 3600 + minutes * 60;

describe('A date', () => {
  it('is read in the usual ways of writing', () => {
    for (const text of [
      ...['2027-05-22', '22.5.2027', '22.05.27', '22/05/2027', '5/22/2027', '22-5-2027', '22 May 2027', 'May 22, 2027'],
      ...[
        '22. Mai 2027',
        'Samstag, 22. Mai 2027',
        '22 mai 2027',
        '22 de mayo de 2027'.replaceAll(' de', ''),
        '22nd May 2027',
      ],
      ...['22 maggio 2027', '22 mei 2027', 'Sat 22 May 2027'],
    ]) {
      expect([text, dateIn(text)]).toEqual([text, '2027-05-22']);
    }
    expect(dateIn('12 août 1990')).toBe('1990-08-12');
    expect(dateIn('3.1.85')).toBe('1985-01-03');
  });

  it('is none where the month does not have the day, or it is something else', () => {
    for (const text of ['31.4.2027', '2027-02-30', '13/13/2027', 'tomorrow', '', '22 Foo 2027', '22.5.', '1.1.202']) {
      expect([text, dateIn(text)]).toEqual([text, undefined]);
    }
  });

  it('has its month first where one in the column can be read in no other way', () => {
    expect(dateOrderOf(['5/4/2027', '5/22/2027'])).toBe('monthFirst');
    expect(dateOrderOf(['5/4/2027', '22/5/2027'])).toBe('dayFirst');
    expect(dateIn('5/4/2027', 'monthFirst')).toBe('2027-05-04');
    expect(dateIn('5/4/2027')).toBe('2027-04-05');
  });

  it('comes back as it was written, whatever the day and the way', () => {
    const day = fc.date({ min: new Date('1950-01-01'), max: new Date('2040-12-31'), noInvalidDate: true });
    fc.assert(
      fc.property(day, fc.constantFrom('en', 'de', 'fr', 'es', 'it', 'nl'), (on, language) => {
        const iso = on.toISOString().slice(0, 10);
        const [year, month, number] = iso.split('-').map(Number);
        const name = new Intl.DateTimeFormat(language, { month: 'long', timeZone: 'UTC' }).format(on);
        expect(dateIn(`${number}.${month}.${year}`)).toBe(iso);
        expect(dateIn(`${number} ${name} ${year}`)).toBe(iso);
      }),
    );
  });
});

describe('A time of day', () => {
  it('is read in the usual ways of writing', () => {
    for (const text of [
      '9:40',
      '09:40',
      '9.40',
      '9h40',
      '0940',
      '9:40 am',
      '9.40 Uhr',
      '09:40:00',
      '22.05.2027 09:40',
      '2027-05-22T09:40',
    ]) {
      expect([text, timeIn(text)]).toEqual([text, at(9, 40)]);
    }
    expect([timeIn('1 pm'), timeIn('12:15 am'), timeIn('12 pm'), timeIn('9 Uhr'), timeIn('14h')]).toEqual([
      at(13, 0),
      at(0, 15),
      at(12, 0),
      at(9, 0),
      at(14, 0),
    ]);
  });

  it('is none where it is something else', () => {
    for (const text of ['', '25:00', '9:70', '13 pm', '0 am', 'soon', '9', '941', '9:4']) {
      expect([text, timeIn(text)]).toEqual([text, undefined]);
    }
  });
});
