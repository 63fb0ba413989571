import { guestTimes, layOut } from '@core/day';
import { aDay, aGuest, aPlan, at, drive } from '@core/testing/small-day';
import { guestWords } from '@words/guests';
import { timesSheet, type TimesSource } from './times';

describe('The slip with the times of a guest', () => {
  const day = aDay({ guests: [aGuest({ arrives: at('09:10'), languages: ['fr'] })] });
  const schedule = layOut(
    day,
    aPlan({ briefings: [{ instructor: 'i1', start: at('09:30'), guests: ['g1'] }], drives: [drive('10:00')] }),
  );
  const sheet = (more: Partial<TimesSource> = {}) =>
    JSON.stringify(
      timesSheet({
        venue: 'Test field',
        date: '2027-05-22',
        guest: day.guests[0]!,
        times: guestTimes(schedule, 'g1'),
        words: guestWords('fr'),
        ...more,
      }),
    );

  it('says when to be where and with whom, in the guest’s language, on a page for the pocket', () => {
    const text = sheet();
    for (const part of ['Ines Faro', '09:10', 'Arrivée', '09:30', 'Cours', 'Dunnock Cup, 5 tours', 'avec Anselm Holt'])
      expect(text).toContain(part);
    expect(text).toContain('"pageSize":"A6"');
    expect(text).toMatch(/samedi 22 mai 2027/);
  });

  it('has no code to scan: no guest can open the venue’s own pages', () => {
    expect(sheet()).not.toMatch(/"qr"|https?:/);
  });

  it('says so where nothing is planned yet', () => {
    const text = sheet({ times: guestTimes(layOut(day, aPlan()), 'g1') });
    expect(text).toContain('Rien n’est encore prévu pour vous.');
    expect(text).not.toContain('09:10');
  });
});
