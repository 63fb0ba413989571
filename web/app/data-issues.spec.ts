import type { DataIssue } from '@core/api';
import { fact } from '@core/values';
import { aDay, aPlan } from '@core/testing/small-day';
import { DataIssues } from './data-issues';
import { FakeDay, show } from '../testing/fake-day';
import { settle } from '../testing/two-drives';

const issue = (more: Partial<DataIssue> = {}): DataIssue => ({
  place: 'rules',
  fact: fact('leftOut', {}, { place: 'rules', whole: false }),
  path: 'timeZone',
  message: 'expected a time zone such as Europe/London',
  ...more,
});

describe('What is at fault in a day', () => {
  const shownWith = async (...dataIssues: DataIssue[]) => {
    const data = new FakeDay(aDay(), aPlan(), '09:00');
    data.view.update((view) => ({ ...view, dataIssues }));
    return { data, ...(await show(DataIssues, data)) };
  };

  it('is told in one line, opened for more, with the way to where it is mended', async () => {
    const { element, text } = await shownWith(
      issue(),
      issue({ place: 'cars', fact: fact('leftOut', { id: 'c9' }, { place: 'cars', whole: true }) }),
    );
    expect(element.querySelector('[role=alert] summary')!.textContent).toContain('2 things in this day are at fault');
    expect(text()).toContain(
      'timeZone: expected a time zone such as Europe/London. Look through the rules and save them.',
    );
    const links = [...element.querySelectorAll('a')].map((a) => [a.textContent.trim(), a.getAttribute('href')]);
    expect(links).toEqual([
      ['Rules', '/rules'],
      ['Cars', '/cars'],
    ]);
  });

  it('can be taken back where an entry makes it', async () => {
    const { data, press } = await shownWith();
    expect(data.record({ kind: 'noteTaken', text: 'cones are wet' }, '08:50')).toBeTrue();
    data.view.update((view) => ({ ...view, dataIssues: [issue({ place: 'journal', entry: 'entry-0000' })] }));
    await settle();
    await press('Take back');
    expect(data.kinds()).toEqual(['noteTaken', 'correction']);
  });

  it('takes no place where there is none', async () => {
    const { text } = await shownWith();
    expect(text()).toBe('');
  });
});
