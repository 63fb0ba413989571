import { show } from '../../../testing/fake-day';
import { settle, theDay } from '../../../testing/two-drives';
import { HowGood } from './how-good';

const BOUND = '/api/days/2027-05-22/bound';
const cost = {
  total: 30,
  terms: {
    ...{ unplanned: 0, waiting: 24, continuity: 0, preference: 0, ladder: 0 },
    ...{ passes: 0, balance: 6, party: 0, friends: 0, moved: 0, reassigned: 0 },
  },
};
const bound = { leftOut: { atLeast: 0, because: [], never: [] }, waiting: { minutes: 12, because: 'cars' }, total: 12 };

describe('How good a plan is', () => {
  it('waits for what is being worked out, and tells it once that is there', async () => {
    const data = theDay();
    const { http, fixture, element } = await show(HowGood, data);
    await settle();
    http.expectOne(BOUND).flush({ bound: null, cost, leftOut: 0, drives: 2 });
    await settle();
    await fixture.whenStable();
    expect(element.textContent).toContain('being worked out');

    data.boundChanged.next();
    await settle();
    http.expectOne(BOUND).flush({ bound, cost, leftOut: 0, drives: 2 });
    await settle();
    await fixture.whenStable();
    const sentences = [...element.querySelectorAll('li')].map((it) => it.textContent);
    expect(sentences).toEqual([
      'Guests wait 24 min in all; no plan with as many drives makes it less than 12: the cars they are booked in are not free sooner.',
      'All that counts together is at most 18 min above the best there can be, in minutes that one guest waits.',
    ]);
  });

  it('judges a proposal by its own cost', async () => {
    const best = { ...cost, total: 12, terms: { ...cost.terms, waiting: 12, balance: 0 } };
    const { http, fixture, element } = await show(HowGood, theDay(), { cost: best });
    await settle();
    http.expectOne(BOUND).flush({ bound, cost, leftOut: 0, drives: 2 });
    await settle();
    await fixture.whenStable();
    expect(element.textContent).toContain('No plan of this day is better: that is proven.');
  });
});
