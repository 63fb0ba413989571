import { FakeDay, show } from '../../../testing/fake-day';
import { day, plan } from '../../../testing/two-guests';
import { Times } from './times';

describe('The times of a guest on a phone', () => {
  const french = { ...day, guests: day.guests.map((guest) => ({ ...guest, languages: ['fr', 'en'] })) };
  const rows = async (inputs: Record<string, string>, data = new FakeDay(french, plan, '09:40')) => {
    const { element } = await show(Times, data, inputs);
    const lines = [...element.querySelectorAll('li')];
    return {
      element,
      words: lines.map((li) => li.querySelector('b')!.textContent),
      past: lines.filter((li) => li.classList.contains('past')).length,
    };
  };

  it('are in their language, what is over set back', async () => {
    const { element, words, past } = await rows({ id: 'g1' });
    expect(element.querySelector('article')!.lang).toBe('fr');
    expect(words[0]).toBe('Arrivée');
    expect(words.at(-1)).toMatch(/, \d+ tours$/);
    expect(past).toBeGreaterThan(0);
    expect(past).toBeLessThan(words.length);
  });

  it('can be read in another language, which the address names', async () => {
    const { words } = await rows({ id: 'g1', language: 'de' });
    expect(words[0]).toBe('Ankunft');
  });

  it('say so where nobody of that name is booked', async () => {
    const { element } = await rows({ id: 'g99' });
    expect(element.textContent).toContain('There is no such guest');
  });

  it('say so where nothing is planned yet', async () => {
    const unplanned = { ...plan, briefings: [], sightings: [], drives: [], unplanned: [] };
    const { element } = await rows({ id: 'g1' }, new FakeDay(french, unplanned, '09:40'));
    expect(element.textContent).toContain('Rien n’est encore prévu');
  });
});
