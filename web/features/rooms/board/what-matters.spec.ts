import { WhatMatters } from './what-matters';
import { A_VENUE } from '../../../testing/a-venue';
import { show } from '../../../testing/fake-day';
import { day, settle, theDay } from '../../../testing/two-drives';

describe('What matters', () => {
  it('is saved as weights, and a weight that nobody touches stays exact', async () => {
    const { http, fixture } = await show(WhatMatters, theDay(), { open: true });
    await settle();
    const rules = { ...day.rules, weights: { passes: 2.1 } };
    const fields = { ...A_VENUE, rules };
    http.expectOne('/api/venue').flush({ version: 3, fields });
    await settle();
    await fixture.whenStable();
    const handle = document.querySelector<HTMLElement>('[role=slider][aria-labelledby="wish-waiting"]')!;
    handle.dispatchEvent(new KeyboardEvent('keydown', { code: 'ArrowRight', key: 'ArrowRight', bubbles: true }));
    await fixture.whenStable();
    const save = [...document.querySelectorAll<HTMLElement>('[role=dialog] button')].find(
      (it) => it.textContent === 'Save',
    );
    save!.click();
    const { body } = http.expectOne('/api/venue').request;
    expect(body.fields.rules.weights).toEqual({ passes: 2.1, waiting: 2 });
  });
});
