import { aDay, aGuest, aPlan, at } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { misreadBy } from './misread';

const guests = ['g1', 'g2', 'g3'].map((id) => aGuest({ id, name: id, briefed: false, drives: [] }));
const MIXED = 'mixed up brake and turn in cones';

/** Two guests in the class of i1, a third one stays away; one hand of two is up for the wrong cone. */
function taught() {
  const it = writtenJournal(
    aDay({ guests }),
    aPlan({ briefings: [{ start: at('09:20'), instructor: 'i1', guests: ['g1', 'g2', 'g3'] }] }),
  );
  for (const guest of ['g1', 'g2']) {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
      it.enter('09:00', { kind, guest });
  }
  it.enter('09:20', { kind: 'classBegan', instructor: 'i1', guests: ['g1', 'g2'] });
  const question = 'Which says brake?';
  it.enter('09:40', {
    kind: 'answersCounted',
    instructor: 'i1',
    question,
    hands: [1, 1],
    right: 1,
    misread: [MIXED, ''],
  });
  it.enter('09:45', { kind: 'classEnded', instructor: 'i1', guests: ['g1', 'g2'] });
  const of = (guest: string) => misreadBy(it.state('10:00'), guest);
  return { it, question, of };
}

describe('What was misunderstood in class', () => {
  it('may be anybody’s of the class, until somebody says whose hand it was', () => {
    const { it, question, of } = taught();
    const anybody = { words: MIXED, hands: { wrong: 1, all: 2 } };
    expect([of('g1'), of('g2'), of('g3')]).toEqual([[anybody], [anybody], []]);
    it.enter('09:46', { kind: 'answerMissed', guest: 'g2', question, misread: MIXED });
    expect([of('g1'), of('g2')]).toEqual([[], [{ words: MIXED, hands: undefined }]]);
  });

  it('is not that of the class which the same instructor holds next', () => {
    const { it, of } = taught();
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
      it.enter('09:00', { kind, guest: 'g3' });
    it.enter('09:50', { kind: 'classBegan', instructor: 'i1', guests: ['g3'] });
    const misread = ['thinks the mirrors are the driver’s', ''];
    it.enter('09:55', {
      kind: 'answersCounted',
      instructor: 'i1',
      question: 'Mirrors?',
      hands: [1, 0],
      right: 1,
      misread,
    });
    it.enter('09:58', { kind: 'classEnded', instructor: 'i1', guests: ['g3'] });
    expect([of('g1'), of('g3')].map((all) => all.map(({ words }) => words))).toEqual([[MIXED], [misread[0]!]]);
  });

  it('is nobody’s where all were right, or nobody has said what a wrong answer shows', () => {
    const { it, of } = taught();
    it.enter('09:44', { kind: 'answersCounted', instructor: 'i1', question: 'Mirrors?', hands: [2, 0], right: 0 });
    it.enter('09:44', { kind: 'answersCounted', instructor: 'i1', question: 'Pedals?', hands: [1, 1], right: 0 });
    expect(of('g1').map(({ words }) => words)).toEqual([MIXED]);
  });
});
