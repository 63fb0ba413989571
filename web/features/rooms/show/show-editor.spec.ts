import { ORDINARY_SHOW, type ShowFields } from '@core/people/classroom';
import { guestWords } from '@words/guests';
import { ShowEditor } from './show-editor';
import { show, type Shown } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/two-guests';

const OWN = { id: 'own-1', kind: 'own' as const, title: 'Our boathouse', words: ['Please keep off the slipway'] };

const SHORT: ShowFields = {
  slides: [{ id: 'seat', kind: 'seat' }, OWN, { id: 'welcome', kind: 'welcome' }],
  questions: [ORDINARY_SHOW.questions[0]!],
};

describe('The editor of the show', () => {
  async function editor(fields = SHORT) {
    const shown = await show(ShowEditor, dayAt('10:00'));
    shown.http.expectOne('/api/show').flush({ version: 3, fields });
    const { follow } = shown;
    await follow();
    const labelled = <T extends HTMLElement = HTMLInputElement>(name: string) =>
      shown.element.querySelector<T>(`[aria-label="${name}"]`)!;
    const type = async (name: string, value: string) => {
      labelled(name).value = value;
      labelled(name).dispatchEvent(new Event('change'));
      await follow();
    };
    const save = async () => {
      await shown.press('Save');
      return shown.http.expectOne({ method: 'PUT', url: '/api/show' });
    };
    const titles = () =>
      [...shown.element.querySelectorAll<HTMLInputElement>('[aria-label^="Title of slide"]')].map(({ value }) => value);
    return { ...shown, labelled, type, save, titles };
  }
  const saveButton = ({ element }: Pick<Shown<ShowEditor>, 'element'>) => element.querySelector('button')!;

  it('changes the order, and saves at the version that was read', async () => {
    const it = await editor();
    expect(it.titles()).toEqual(['How to sit', 'Our boathouse', 'Welcome']);
    expect(saveButton(it).disabled).toBeTrue();
    expect(it.labelled<HTMLButtonElement>('Up: How to sit').disabled).toBeTrue();
    await it.press('Down: How to sit');
    expect(it.titles()).toEqual(['Our boathouse', 'How to sit', 'Welcome']);
    const saving = await it.save();
    expect(saving.request.body.version).toBe(3);
    expect(saving.request.body.fields.slides.map(({ id }: { id: string }) => id)).toEqual(['own-1', 'seat', 'welcome']);
    saving.flush({ version: 4, fields: saving.request.body.fields });
    await it.follow();
    expect(saveButton(it).disabled).toBeTrue();
    expect(it.titles()).toEqual(['Our boathouse', 'How to sit', 'Welcome']);
    await it.press('Up: How to sit');
    expect((await it.save()).request.body.version).toBe(4);
  });

  it('takes own words, and goes back to the common ones where they are emptied', async () => {
    const it = await editor();
    await it.type('Title of slide 1', 'How we sit');
    await it.type('Words of slide 1, a line each', '  Belts first \n\n Mirrors for me');
    const first = (await it.save()).request.body.fields.slides[0];
    expect([first.title, first.words]).toEqual(['How we sit', ['Belts first', 'Mirrors for me']]);
  });

  it('shows the common words again as soon as own ones are emptied', async () => {
    const it = await editor();
    await it.type('Title of slide 1', '   ');
    expect(it.titles()[0]).toBe('How to sit');
    await it.type('Words of slide 1, a line each', '');
    expect(it.labelled('Words of slide 1, a line each').value).toBe(guestWords('en').show.slide.seat.words.join('\n'));
  });

  it('leaves what comes from the circuit to the circuit, unless the venue wants own words', async () => {
    const it = await editor();
    expect(it.labelled('Words of slide 3, a line each')).toBeNull();
    await it.press('Write own ones');
    expect(it.labelled('Words of slide 3, a line each').value).toBe('Own words');
  });

  it('adds and removes slides and questions, and keeps the right answer among the answers', async () => {
    const it = await editor();
    await it.press('Add a slide');
    expect(it.titles().at(-1)).toBe('New slide');
    await it.press('Add a question');
    await it.type('Answers, a line each', 'Yes\nNo');
    const { slides, questions } = (await it.save()).request.body.fields;
    expect(slides.length).toBe(4);
    // The second of three answers was right, and is the last of two.
    expect(questions[0]).toEqual({ ...SHORT.questions[0], answers: ['Yes', 'No'], right: 1 });
    await it.type('Answers, a line each', 'Yes');
    expect(it.element.querySelectorAll(`[name="${SHORT.questions[0]!.id}"]`).length).toBe(1);
  });

  it('names what is wrong, and sends nothing', async () => {
    const it = await editor();
    await it.type('Answers, a line each', 'Only one');
    await it.press('Save');
    it.http.expectNone({ method: 'PUT', url: '/api/show' });
    expect(it.element.querySelector('[role="alert"]')!.textContent).toContain('answers');
  });

  it('keeps what is changed while it is being saved, to be saved', async () => {
    const it = await editor();
    await it.type('Title of slide 2', 'The boathouse');
    const saving = await it.save();
    await it.type('Title of slide 1', 'Sit well');
    saving.flush({ version: 4, fields: saving.request.body.fields });
    await it.follow();
    expect(it.titles().slice(0, 2)).toEqual(['Sit well', 'The boathouse']);
    expect(saveButton(it).disabled).toBeFalse();
    const again = await it.save();
    expect(again.request.body.version).toBe(4);
  });

  it('tells of somebody else, keeps what is written, and saves it over theirs when told to', async () => {
    const it = await editor();
    await it.type('Title of slide 1', 'Sit well');
    const current = { version: 7, fields: SHORT };
    const detail = 'Somebody else has changed the show meanwhile.';
    const problem = { type: 'about:blank', title: 'Conflict', status: 409, detail, current };
    (await it.save()).flush(problem, { status: 409, statusText: 'Conflict' });
    await it.follow();
    expect(it.text()).toContain(`${detail} Saving again puts yours over it.`);
    expect(it.titles()[0]).toBe('Sit well');
    expect((await it.save()).request.body.version).toBe(7);
  });
});
