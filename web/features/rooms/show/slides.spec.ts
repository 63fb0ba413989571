import { ORDINARY_COACHING } from '@core/venue/settings';
import { ORDINARY_SHOW } from '@core/people/classroom';
import { CALL_ORDER, studyCircuit, type CallCustoms } from '@core/track/car';
import { circuitFile } from '@core/track/circuit/at-start';
import { legendOf } from '@core/track/circuit';
import { guestWords } from '@words/guests';
import { square } from '@core/testing/circuits';
import { slidesOf } from './slides';

describe('The slides of the show', () => {
  const circuit = circuitFile.parse({
    name: 'Loop',
    line: square(500, 40),
    corners: [{ name: 'Winch', atM: 240, book: { lookAt: 'the gantry', passing: true, kerbs: 'leave' } }],
  });
  const source = {
    show: ORDINARY_SHOW,
    venue: 'Test field',
    condition: 'dry',
    circuit,
    study: studyCircuit(circuit, [], []),
    words: guestWords('en').show,
    coaching: { ...ORDINARY_COACHING, passing: 'named' as const },
  };
  const words = (slides: ReturnType<typeof slidesOf>, title: string) => {
    const slide = slides.find((one) => one.title === title);
    return slide && slide.kind !== 'question' ? slide.words : [];
  };

  it('have one for each corner, with what its book says, and the questions at the end', () => {
    const slides = slidesOf(source);
    expect(slides.filter(({ kind }) => kind === 'corners').length).toBe(4);
    expect(words(slides, 'Winch')).toEqual(jasmine.arrayContaining(['Look at the gantry', 'Leave the kerb alone']));
    expect(slides.slice(-4).every(({ kind }) => kind === 'question')).toBe(true);
  });

  it('follow the customs of the venue and the condition of the day', () => {
    expect(words(slidesOf(source), 'Passing')[0]).toBe('Only where it is named: Winch');
    const wet = slidesOf({
      ...source,
      condition: 'wet',
      coaching: { ...source.coaching, passing: 'straights', braking: 'trailed' },
    });
    expect(words(wet, 'Passing')[0]).toBe('On any straight.');
    expect(words(wet, 'Phases of a corner')[0]).toMatch(/ease off into the turn/);
    expect(words(wet, 'One grip budget').at(-1)).toMatch(/Today it is wet/);
  });

  it('are in the order and the words of the venue, without those that are hidden', () => {
    const own = { id: 'mine', kind: 'own' as const, title: 'Lunch', words: ['in the hangar'] };
    const [welcome, seat] = ORDINARY_SHOW.slides;
    const slides = slidesOf({
      ...source,
      show: { slides: [own, { ...seat!, hidden: true }, welcome!], questions: [] },
    });
    expect(slides.map(({ title }) => title)).toEqual(['Lunch', 'Welcome']);
    expect(words(slides, 'Lunch')).toEqual(['in the hangar']);
  });

  it('are in the language of the class, but for what the venue has written itself', () => {
    const german = slidesOf({ ...source, condition: 'wet', words: guestWords('de').show });
    expect(words(german, 'Unsere Kurven')).toEqual([]);
    expect(words(german, 'Winch')).toEqual(jasmine.arrayContaining(['Blick: the gantry', 'Den Randstein meiden']));
    expect(words(german, 'Willkommen')).toContain('Heute ist es nass');
    expect(german.at(-1)).toEqual(
      jasmine.objectContaining({ title: 'In der dritten Runde ist Ihnen etwas unwohl. Was nun?' }),
    );
  });

  const asked = (slides: ReturnType<typeof slidesOf>, id: string) => {
    const slide = slides.find((one) => one.id === id);
    return slide?.kind === 'question' ? slide : undefined;
  };

  it('ask for the cones as they stand here, and know what was mixed up', () => {
    const { question, misread } = asked(slidesOf(source), 'brakeCone')!;
    const marked = legendOf(circuit).brake;
    expect(question.answers[question.right]).toBe(source.words.look(marked));
    expect(question.answers[0]).not.toBe(question.answers[1]);
    expect(misread[question.right]).toBe('');
    expect(misread).toContain('mixed up brake and turn in cones');
  });

  it('say of every other question what a wrong answer shows, by its own words or the answer', () => {
    const pedals = asked(slidesOf(source), 'pedals')!;
    expect(pedals.misread).toEqual([
      'thinks that brake and throttle may be pressed together',
      '',
      'thinks that brake and throttle may be pressed together',
    ]);
    const own = { id: 'q', text: 'Which lake?', answers: ['This', 'That'], right: 0 };
    const { misread } = asked(slidesOf({ ...source, show: { slides: [], questions: [own] } }), 'q')!;
    expect(misread).toEqual(['', 'answered “That” to “Which lake?”']);
  });

  it('list the calls that the venue makes, on as many slides as can be read', () => {
    const calls = (customs: CallCustoms) =>
      slidesOf({ ...source, coaching: { ...source.coaching, calls: customs } }).flatMap((slide) =>
        slide.kind === 'calls' ? [slide.calls!] : [],
      );
    expect(calls({}).map(({ length }) => length)).toEqual([9, 8]);
    const off = Object.fromEntries(CALL_ORDER.slice(8).map((kind) => [kind, { off: true }]));
    expect(calls(off).map(({ length }) => length)).toEqual([8]);
    expect(calls({ brake: { say: 'Anchor' } })[0]!.find(({ kind }) => kind === 'brake')!.say).toBe('Anchor');
  });

  it('can be shown before there is a circuit', () => {
    const slides = slidesOf({ ...source, circuit: undefined, study: undefined });
    expect(words(slides, 'Welcome')).toEqual(['Test field', 'Today it is dry']);
  });
});
