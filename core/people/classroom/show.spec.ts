import { ORDINARY_SHOW, question, showFields, slideKind } from './show';

describe('The classroom show', () => {
  it('begins as one that could have been saved, with a slide of each kind but the venue’s own', () => {
    expect(showFields.parse(ORDINARY_SHOW)).toEqual(ORDINARY_SHOW);
    expect(ORDINARY_SHOW.slides.map(({ kind }) => kind)).toEqual(slideKind.options.filter((kind) => kind !== 'own'));
    expect(new Set(ORDINARY_SHOW.slides.map(({ id }) => id)).size).toBe(ORDINARY_SHOW.slides.length);
  });

  it('asks what catches a misunderstanding: whether brake and throttle are ever pressed together', () => {
    const pedals = ORDINARY_SHOW.questions.find(({ id }) => id === 'pedals')!;
    expect(pedals.answers[pedals.right]).toBe('Never');
    for (const one of ORDINARY_SHOW.questions) expect([one.because, one.misread].every(Boolean)).toBeTrue();
    // Slides and questions are found by their ids alike.
    const ids = [...ORDINARY_SHOW.slides, ...ORDINARY_SHOW.questions].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('refuses a question whose right answer is none of its answers, and a show without slides', () => {
    const asked = { id: 'q', text: 'Which?', answers: ['this', 'that'] };
    expect(question.safeParse({ ...asked, right: 1 }).success).toBe(true);
    const wrong = question.safeParse({ ...asked, right: 2 });
    expect(wrong.error!.issues[0]!.message).toBe('expected the right answer to be one of the answers');
    expect(question.safeParse({ ...asked, answers: ['only'], right: 0 }).success).toBe(false);
    expect(showFields.safeParse({ slides: [], questions: [] }).success).toBe(false);
  });

  it('takes a venue’s own words and pictures, within what fits on a slide', () => {
    const own = { id: 'lake', kind: 'own', title: 'The lake', words: ['Stay on the road'], picture: 'p-12345678' };
    expect(showFields.safeParse({ ...ORDINARY_SHOW, slides: [own] }).success).toBe(true);
    const long = { ...own, words: Array.from({ length: 9 }, () => 'too many lines') };
    expect(showFields.safeParse({ ...ORDINARY_SHOW, slides: [long] }).success).toBe(false);
    expect(showFields.safeParse({ ...ORDINARY_SHOW, slides: [{ ...own, kind: 'film' }] }).success).toBe(false);
  });
});
