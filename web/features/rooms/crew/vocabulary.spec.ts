import { Vocabulary } from './vocabulary';
import { show } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/two-guests';

describe('The vocabulary on screen', () => {
  it('is the common one with the venue’s words, and is searched', async () => {
    const shown = await show(Vocabulary, dayAt('10:00'));
    const fields = {
      id: 'coasts',
      phase: 'balance',
      name: 'Lets it roll',
      cause: 'unsure',
      does: 'slow',
      cure: 'a toe of throttle',
      say: 'Toe',
      sayOtherwise: 'A little toe',
      weight: 1,
      retired: true,
    };
    shown.http.expectOne('/api/faults').flush({ faults: [{ id: 'coasts', version: 2, fields }] });
    await shown.follow();
    expect(shown.text()).toContain('32 faults, 1 of them in words of this venue');
    expect(shown.text()).toContain('Lets it roll');
    expect(shown.text()).not.toContain('Rolls without a pedal');
    expect(shown.text()).toContain('out of use');
    const find = shown.element.querySelector<HTMLInputElement>('#find-fault')!;
    find.value = 'lake';
    find.dispatchEvent(new Event('input'));
    await shown.follow();
    expect(shown.text()).toContain('No fault has this in its words.');
  });
});
