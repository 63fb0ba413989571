import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { ORDINARY_SHOW, type ShowFields } from '@core/people/classroom';
import { CircuitService } from '../../../shared/data/circuit.service';
import { Show } from './show';
import { FakeDay, show } from '../../../testing/fake-day';
import { day, dayAt, plan } from '../../../testing/two-guests';

const OWN = { id: 'own-1', kind: 'own' as const, title: 'Our boathouse', words: ['Please keep off the slipway'] };

const SHORT: ShowFields = {
  slides: [{ id: 'seat', kind: 'seat' }, OWN, { id: 'welcome', kind: 'welcome' }],
  questions: [ORDINARY_SHOW.questions[0]!],
};

describe('The show on the big screen', () => {
  async function stage() {
    const data = dayAt('09:25');
    const shown = await show(Show, data);
    const key = async (name: string) => {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
      await shown.follow();
    };
    const read = async (fields = SHORT) => {
      shown.http.expectOne('/api/show').flush({ version: 3, fields });
      await shown.follow();
    };
    const title = () => shown.element.querySelector('h1')!.textContent;
    return { ...shown, data, key, read, title };
  }

  it('goes on and back by clicker, and to its ends', async () => {
    const { key, read, title, text } = await stage();
    await read();
    expect([title(), text().includes('1 / 4')]).toEqual(['How to sit', true]);
    await key('PageDown');
    expect(title()).toBe('Our boathouse');
    await key('End');
    expect(title()).toBe(SHORT.questions[0]!.text);
    await key('ArrowRight');
    expect(title()).toBe(SHORT.questions[0]!.text);
    await key('PageUp');
    expect(title()).toBe('Welcome');
    await key('Home');
    expect(title()).toBe('How to sit');
  });

  it('is in the language of most of the class until another one is chosen, and counts in the words of the venue', async () => {
    const german = { ...day, guests: day.guests.map((guest) => ({ ...guest, languages: ['de'] })) };
    const shown = await show(Show, new FakeDay(german, plan, '09:05'));
    shown.http.expectOne('/api/show').flush({ version: 3, fields: SHORT });
    await shown.follow();
    expect(shown.element.querySelector('h1')!.textContent).toBe('So sitzt man');
    await shown.press('Français');
    expect(shown.element.querySelector('h1')!.textContent).toBe('Comment s’asseoir');
    expect(shown.element.querySelector('[role=region]')!.getAttribute('lang')).toBe('fr');
  });

  it('counts hands by digits and keeps them with the class, once', async () => {
    const { key, read, data, text, press, element } = await stage();
    await read();
    data.clear('g1', '09:00');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1'] }, '09:20');
    await key('End');
    for (const digit of ['2', '2', '1', '9']) await key(digit);
    await press('One hand less for: Yes, to be quick');
    expect(text()).toContain('kept with the class of Anselm Holt');
    await key('Enter');
    await key('Enter');
    expect(element.querySelector('.right')!.textContent).toContain('Never');
    expect(text()).toContain(SHORT.questions[0]!.because!);
    const [entry, ...others] = data.written().filter((one) => one.entry.kind === 'answersCounted');
    expect(others).toEqual([]);
    expect(entry!.entry).toEqual(
      jasmine.objectContaining({
        instructor: 'i1',
        question: SHORT.questions[0]!.text,
        hands: [0, 2, 0],
        right: 1,
        misread: jasmine.any(Array),
      }),
    );
  });

  it('counts nothing where nobody raised a hand', async () => {
    const { key, read, data } = await stage();
    await read();
    await key('End');
    await key('Enter');
    expect(data.kinds()).toEqual([]);
  });

  it('is dark on request, and ends with Escape', async () => {
    const { key, read, element } = await stage();
    await read();
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await key('.');
    expect(element.querySelector('.stage.dark')).not.toBeNull();
    await key('.');
    expect(element.querySelector('.stage.dark')).toBeNull();
    await key('Escape');
    expect(navigate).toHaveBeenCalledOnceWith(['/classroom']);
  });

  it('is the ordinary one where the venue’s own cannot be read', async () => {
    const { http, title, text, key, follow } = await stage();
    http.expectOne('/api/show').error(new ProgressEvent('error'));
    await follow();
    await key('Home');
    expect(TestBed.inject(CircuitService).draft()).toBeUndefined();
    // Without a circuit there are no corners, and the calls take two slides.
    expect([title(), text().includes(`/ ${ORDINARY_SHOW.slides.length + ORDINARY_SHOW.questions.length}`)]).toEqual([
      'Welcome',
      true,
    ]);
  });
});
