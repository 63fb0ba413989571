import { aDay, aGuest, aPlan, at, drive } from '@core/testing/small-day';
import { guestTimes, layOut } from '@core/day';
import { CALL_ORDER, type CallCustoms } from '@core/track/car';
import { GOOD_THINGS, VOCABULARY } from '@core/people/coaching';
import { ORDINARY_SHOW } from '@core/people/classroom';
import { slideKind } from '@core/people/classroom/show';
import { GUEST_LANGUAGES, groupLanguage, guestLanguage, guestTimeWords, guestWords, lapTexts } from './';

describe('What guests read', () => {
  it('is in the first of their languages that there is, else in English', () => {
    expect(guestLanguage(['pl', 'de-AT', 'en'])).toBe('de');
    expect(guestLanguage(['FR_ca'])).toBe('fr');
    expect(guestLanguage(['pl', 'fo'])).toBe('en');
    expect(guestLanguage([])).toBe('en');
  });

  it('is, for a class, in the language of most', () => {
    const speak = (...languages: string[]) => ({ languages });
    expect(groupLanguage([speak('de'), speak('en'), speak('de', 'en')])).toBe('de');
    expect(groupLanguage([speak('fr'), speak('en')])).toBe('en');
    // One that all of them speak, though it is the best of fewer.
    expect(groupLanguage([speak('fr', 'en'), speak('fr', 'en'), speak('en')])).toBe('en');
    expect(groupLanguage([speak('fr', 'en'), speak('fr')])).toBe('fr');
    expect(groupLanguage([])).toBe('en');
  });

  it('has numbers, dates and lap times as the language writes them', () => {
    const written = GUEST_LANGUAGES.map((language) => {
      const { lapTime, fixed, date } = guestWords(language).numbers;
      return [lapTime(88.96), fixed(1.25, 1), date('2027-05-22').replace(',', '')];
    });
    expect(written).toEqual([
      ['1:29.0', '1.3', 'Saturday 22 May 2027'],
      ['1:29,0', '1,3', 'Samstag 22. Mai 2027'],
      ['1:29,0', '1,3', 'samedi 22 mai 2027'],
    ]);
    expect(guestWords('en').numbers.lapTime(59.96)).toBe('1:00.0');
  });

  it('translates common faults, praise and questions, and leaves alone what a venue has written itself', () => {
    const common = VOCABULARY.find(({ id }) => id === 'rough')!;
    const [pedals] = ORDINARY_SHOW.questions;
    for (const language of ['de', 'fr'] as const) {
      const { results, show } = guestWords(language);
      for (const fault of VOCABULARY) expect(results.fault(fault).name).not.toBe(fault.name);
      for (const good of GOOD_THINGS) expect(results.goodThing(good)).not.toBe(good);
      expect(results.fault({ ...common, name: 'Rough at the quay' }).name).toBe('Rough at the quay');
      expect(results.goodThing('kept out of the lake')).toBe('kept out of the lake');
      expect(show.question(pedals!).text).not.toBe(pedals!.text);
      expect(show.question(pedals!).answers.length).toBe(pedals!.answers.length);
      const own = { ...pedals!, answers: ['Yes', 'Never'] };
      expect(show.question(own)).toBe(own);
    }
  });

  it('has as many lines on a slide in each language, and they fit on it', () => {
    for (const kind of slideKind.options) {
      const slides = GUEST_LANGUAGES.map((language) => guestWords(language).show.slide[kind]);
      expect(new Set(slides.map(({ words }) => words.length)).size).toBe(1);
      for (const { title, words } of slides) {
        expect(title.length).toBeGreaterThan(2);
        for (const line of words) expect(line.length).toBeLessThan(110);
      }
    }
  });

  it('tells every call that a venue makes, in its own words where it has some', () => {
    const of = (language: 'en' | 'de' | 'fr', customs: CallCustoms = {}) => guestWords(language).show.calls(customs);
    for (const language of GUEST_LANGUAGES) {
      expect(of(language).map(({ kind }) => kind)).toEqual(CALL_ORDER);
      expect(new Set(of(language).map(({ say }) => say)).size).toBe(CALL_ORDER.length);
    }
    expect(of('en').find(({ kind }) => kind === 'lift')).toEqual({
      kind: 'lift',
      say: 'Lift',
      means: 'foot off the throttle, no brake',
      holds: 'until the next call',
    });
    const customs = { lift: { off: true }, gearUp: { say: 'Zug nach oben, {gear}' } };
    const kinds = of('de', customs);
    expect(kinds.some(({ kind }) => kind === 'lift')).toBe(false);
    expect(kinds.find(({ kind }) => kind === 'gearUp')!.say).toBe('Zug nach oben, dritten');
  });

  it('counts laps by the rules of the language', () => {
    const laps = { laps: [{ lapS: 152.4, laps: 2 }] as never, untimed: 1 };
    const told = GUEST_LANGUAGES.map((language) => lapTexts(laps, guestWords(language)).join(', '));
    expect(told).toEqual([
      'two laps in 2:32.4, one lap without a time',
      'zwei Runden in 2:32,4, eine Runde ohne Zeit',
      'deux tours en 2:32,4, un tour sans temps',
    ]);
    expect(GUEST_LANGUAGES.map((language) => guestWords(language).results.laps(0))).toEqual(['laps', 'Runden', 'tour']);
  });
});

describe('The times of a guest', () => {
  const day = aDay({ guests: [aGuest({ arrives: at('09:10') })] });
  const briefing = { instructor: 'i1', start: at('09:30'), guests: ['g1'] };
  const schedule = layOut(day, aPlan({ briefings: [briefing], drives: [drive('10:00')] }));

  it('begin with the arrival and name class and drive with whom and how far', () => {
    const times = guestTimes(schedule, 'g1');
    expect(times.map(({ kind }) => kind)).toEqual(['arrive', 'briefing', 'drive']);
    const starts = times.map(({ atS }) => atS);
    expect(starts).toEqual([...starts].sort((a, b) => a - b));
    expect(times.map((time) => guestTimeWords(time, guestWords('de')))).toEqual([
      ['Ankunft'],
      ['Einweisung', 'mit Anselm Holt'],
      ['Dunnock Cup, 5 Runden', 'mit Anselm Holt'],
    ]);
  });

  it('are none for somebody who is not booked', () => {
    expect(guestTimes(schedule, 'nobody')).toEqual([]);
  });
});
