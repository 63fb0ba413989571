import { answersWords, touchWords } from '@words';
import { aDay, aGuest, aPlan } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { amendedDay, withoutWords } from '../../journal';
import { gateAnswers } from './answers';
import { knownAnswers, withAnswers } from './known-answers';

describe('What a guest is asked at the gate', () => {
  it('is not asked, yes or no, and not asked is never told as no', () => {
    expect(touchWords(undefined)).toContain('not asked');
    expect(touchWords(false)).toBe('no touch as a prompt');
    expect(knownAnswers({}, {}).touch).toBeUndefined();
    expect(answersWords({})).toEqual([]);
  });

  it('holds where the booking says otherwise, question by question', () => {
    expect(knownAnswers({ touch: true, drivesOn: 'left' }, { touch: false })).toEqual({
      touch: false,
      drivesOn: 'left',
    });
    const own = withAnswers({ own: { 'in a kart': true } }, { own: { 'with a friend': false } }).own;
    expect(own).toEqual({ 'in a kart': true, 'with a friend': false });
  });

  it('takes the last answer, of a guest who has not come yet as well, and forgets one that is taken back', () => {
    const it = writtenJournal(aDay({ guests: [aGuest({ id: 'g1' })] }), aPlan());
    it.enter('09:00', { kind: 'guestAnswered', guest: 'g1', answers: { touch: true, glasses: true } });
    const last = it.enter('09:01', { kind: 'guestAnswered', guest: 'g1', answers: { touch: false } });
    const answers = () => it.state('09:30').guests.get('g1')!.answers;
    expect(answers()).toEqual({ touch: false, glasses: true });
    it.enter('09:02', { kind: 'correction', corrects: last });
    expect(answers()).toEqual({ touch: true, glasses: true });
  });

  it('is emptied where the guest has everything erased, and of others nothing is', () => {
    const entry = { id: 'entry-0001', at: 9 * 3600, by: 'Gate', kind: 'guestAnswered', guest: 'g1' } as const;
    const asked = { ...entry, answers: gateAnswers.parse({ sick: true }) };
    expect(withoutWords(asked, 'g1', new Set(), ['Ines Faro'])).toEqual({ ...asked, answers: {} });
    expect(withoutWords(asked, 'g2', new Set(), ['Piet Verhoeve'])).toBeUndefined();
  });

  it('changes the day where it decides which cars are right', () => {
    const guest = aGuest({ id: 'g1', drives: [{ id: 'd1', cars: ['c1'], laps: 5 }] });
    const it = writtenJournal(aDay({ guests: [guest] }), aPlan());
    it.enter('09:00', { kind: 'guestFitted', guest: 'g1', heightCm: 198 });
    it.enter('09:01', { kind: 'guestFitted', guest: 'g1', gearbox: 'auto' });
    const [fitted] = amendedDay(it.context.day, it.entries).day.guests;
    expect([fitted!.heightCm, fitted!.drives[0]!.gearbox]).toEqual([198, 'auto']);
  });
});
