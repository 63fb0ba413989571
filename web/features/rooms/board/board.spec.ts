import { COST_TERMS, type TermName } from '@core/cost';
import { fact } from '@core/values';
import { planFile } from '@core/day';
import { aGroup } from '@core/testing/group-days';
import { aPlan, drive, at } from '@core/testing/small-day';
import * as z from 'zod';
import { Board } from './board';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { show, type FakeDay, type Shown } from '../../../testing/fake-day';
import { day, settle, theDay } from '../../../testing/two-drives';
import { VerdictsHere } from '../../../testing/verdicts-here';

const PLANS = '/api/days/2027-05-22/plans';

/** The server accepts what has been sent. */
function reply(http: Shown<Board>['http']) {
  const request = http.expectOne(PLANS);
  const sent = request.request.body as {
    plan: z.input<typeof planFile>;
    despiteRules: boolean;
    base: number;
    reason: string;
  };
  const revision = sent.base + 1;
  const by = { author: 'M', reason: 'r', acceptedAt: '2027-05-22T07:00:00.000Z', despite: [] };
  request.flush({ revision, ...by, plan: sent.plan });
  return { ...sent, revision };
}

/** How good a plan is takes the server long: here it is never there. */
const UNKNOWN = { bound: null, cost: null, leftOut: 0, drives: 2 };
let answering: ReturnType<typeof setInterval>;
afterEach(() => clearInterval(answering));

const board = async (data: FakeDay) => {
  const shown = await show(Board, data, {}, [{ provide: Verdicts, useClass: VerdictsHere }]);
  answering = setInterval(() => {
    for (const asked of shown.http.match(({ url }) => url.endsWith('/bound'))) asked.flush(UNKNOWN);
  }, 5);
  const block = (id: string) => shown.element.querySelector<SVGGElement>(`[data-block="${id}"]`)!;
  const key = async (id: string, pressed: string, more: KeyboardEventInit = {}) => {
    block(id).dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true, ...more }));
    await settle();
    await shown.fixture.whenStable();
  };
  /** The server accepts what has been sent, and the day goes by it. */
  const accept = () => {
    const sent = reply(shown.http);
    data.planned(z.decode(planFile, sent.plan), sent.revision);
    return sent;
  };
  return { ...shown, block, key, accept, verdict: () => shown.element.querySelector('.verdict')?.textContent ?? '' };
};

const releaseOf = (of: z.input<typeof planFile>, id: string) => of.drives.find((it) => it.drive === id)!.release;

describe('A drive on the board', () => {
  it('is moved by keyboard, with the verdict beside it, and accepted when let go', async () => {
    const { key, verdict, text, accept } = await board(theDay());
    await key('d1', 'm');
    for (let minutes = 0; minutes < 3; minutes++) await key('d1', 'ArrowRight');
    expect(verdict()).toContain('10:03, 1 Dunnock Cup, with Anselm Holt');
    expect(verdict()).toContain('Allowed.');
    await key('d1', 'Enter');
    const { plan: sent, despiteRules, base, reason } = accept();
    expect([releaseOf(sent, 'd1'), releaseOf(sent, 'd2'), despiteRules, base]).toEqual(['10:03', '10:10', false, 1]);
    expect(reason).toBe('Moved Ines Faro by hand');
    await settle();
    expect(text()).toContain('Take back: Moved Ines Faro by hand');
  });

  it('is refused on a broken rule with the sentence, unless the manager decides otherwise', async () => {
    const data = theDay();
    const { key, verdict, http, accept } = await board(data);
    await key('d1', 'm');
    await key('d1', 'ArrowDown');
    await key('d1', 'ArrowRight', { altKey: true });
    expect(verdict()).toContain('Sabrel R');
    expect(verdict()).toContain('your decision');
    await key('d1', 'Enter');
    http.expectNone(PLANS);
    expect(data.refused.at(-1)).toContain('Sabrel R');
    await key('d1', 'm');
    await key('d1', 'ArrowDown');
    await key('d1', 'Enter', { shiftKey: true });
    const { plan: sent, despiteRules } = accept();
    expect([sent.drives.find((it) => it.drive === 'd1')!.car, despiteRules]).toEqual(['c2', true]);
  });

  it('is given back to where it was with Escape', async () => {
    const { key, http, verdict } = await board(theDay());
    await key('d1', 'm');
    await key('d1', 'ArrowRight');
    await key('d1', 'Escape');
    expect(verdict()).toBe('');
    http.expectNone(PLANS);
  });

  it('is carried by pointer to another time', async () => {
    const { block, element, fixture, accept } = await board(theDay());
    const box = block('d1').getBoundingClientRect();
    const pointer = async (kind: string, dx: number) => {
      const options = { bubbles: true, button: 0, pointerId: 1, clientX: box.x + 5 + dx, clientY: box.y + 5 };
      block('d1').dispatchEvent(new PointerEvent(kind, options));
      await settle();
      await fixture.whenStable();
    };
    spyOn(SVGElement.prototype, 'setPointerCapture');
    await pointer('pointerdown', 0);
    await pointer('pointermove', 2);
    expect(element.querySelector('.ghost')).toBeNull();
    await pointer('pointermove', 40);
    expect(element.querySelector('.ghost')).not.toBeNull();
    await pointer('pointerup', 40);
    const { plan: sent } = accept();
    expect(releaseOf(sent, 'd1') > '10:00').toBeTrue();
  });

  it('is taken back, and done again', async () => {
    const { key, press, accept } = await board(theDay());
    await key('d1', 'm');
    await key('d1', 'ArrowRight');
    await key('d1', 'Enter');
    accept();
    await settle();
    await press(/^Take back/);
    await settle();
    expect(releaseOf(accept().plan, 'd1')).toBe('10:00');
    await settle();
    await press(/^Do again/);
    await settle();
    expect(releaseOf(accept().plan, 'd1')).toBe('10:01');
  });

  it('is taken back once the day goes by it, however fast that is asked for, and moved again only then', async () => {
    const data = theDay();
    const { key, http, element, verdict } = await board(data);
    await key('d1', 'm');
    await key('d1', 'ArrowRight');
    await key('d1', 'Enter');
    const { plan: moved, revision } = reply(http);
    await settle();
    expect(verdict()).toContain('10:01');
    element.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    await key('d2', 'm');
    expect(data.refused).toEqual(['The change before is still being stored. Try again in a moment.']);
    http.expectNone(PLANS);
    data.planned(z.decode(planFile, moved), revision);
    await settle();
    await settle();
    const { plan: sent, base } = reply(http);
    expect([releaseOf(sent, 'd1'), base]).toEqual(['10:00', 2]);
  });

  it('moves together with others that are selected, and two change places', async () => {
    const { key, press, accept } = await board(theDay());
    await key('d1', ' ');
    await key('d2', ' ');
    await key('d1', 'm');
    await key('d1', 'ArrowRight', { altKey: true });
    await key('d1', 'Enter');
    const { plan: sent } = accept();
    expect([releaseOf(sent, 'd1'), releaseOf(sent, 'd2')]).toEqual(['10:05', '10:15']);
    await settle();
    await key('d1', ' ');
    await key('d2', ' ');
    await press('Swap the two');
    await settle();
    const swapped = accept().plan;
    expect([releaseOf(swapped, 'd1'), releaseOf(swapped, 'd2')]).toEqual(['10:15', '10:05']);
  });

  it('stays once it is under way', async () => {
    const data = theDay();
    data.clear('g1', '08:05');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    const { key, verdict } = await board(data);
    await key('d1', 'm');
    expect(verdict()).toBe('');
    expect(data.refused).toEqual(['Ines Faro is under way, or gone: it stays where it is.']);
  });

  it('is pinned where it stands', async () => {
    const { key, http, press } = await board(theDay());
    await key('d1', 'Enter');
    await press('Pin it here');
    const { body, method } = http.expectOne('/api/days/2027-05-22/bookings/g1').request;
    expect([method, body.fields.drives[0].pin]).toEqual(['PUT', { release: '10:00', car: 'c1', instructor: 'i1' }]);
  });

  it('is marked for as long as it breaks a rule', async () => {
    const both = aPlan({ drives: [drive('10:00'), drive('10:03', { drive: 'd2', car: 'c2', instructor: 'i1' })] });
    const { element, text } = await board(theDay(day, both));
    await settle();
    expect(element.querySelectorAll('.drive.broken').length).toBe(2);
    expect(text()).toContain('1 broken');
  });
});

describe('A proposal', () => {
  const cost = proposedCost();
  const proposed = aPlan({
    drives: [drive('10:20'), drive('10:40', { drive: 'd2', car: 'c2', instructor: 'i2' })],
  });
  const change = (id: string, guest: string, before: string, after: string) => ({
    drive: id,
    guest,
    kind: 'moved',
    before: { drive: id, car: id === 'd1' ? 'c1' : 'c2', instructor: 'i1', release: before },
    after: { drive: id, car: id === 'd1' ? 'c1' : 'c2', instructor: 'i1', release: after },
    why: { code: 'waitsLess', subjects: { guest: id === 'd1' ? 'g1' : 'g2' }, values: { savedS: 1200 } },
  });
  const job = (more: Record<string, unknown> = {}) => ({
    id: 'job-1',
    author: 'Maren',
    reason: 'Sabrel R withdrawn',
    mode: 'repair',
    seconds: 3,
    startedAt: '2027-05-22T07:00:00.000Z',
    base: 1,
    asOf: '08:12',
    state: 'ready',
    found: {
      plan: z.encode(planFile, proposed),
      cost,
      costBefore: { ...cost, total: 30 },
      changes: [change('d1', 'Ines Faro', '10:00', '10:20'), change('d2', 'Piet Verhoeve', '10:10', '10:40')],
      steps: 100,
    },
    ...more,
  });
  async function boardWith(reply: unknown, data = theDay()) {
    const shown = await board(data);
    shown.http.expectOne('/api/days/2027-05-22/planning').flush({ job: reply });
    await settle();
    await shown.fixture.whenStable();
    return { ...shown, data };
  }

  it('stands beside the plan with who is affected, and is accepted as a whole', async () => {
    const { text, element, press, accept } = await boardWith(job());
    expect(text()).toContain('−20');
    expect(element.querySelectorAll('.ghost.proposal').length).toBe(2);
    expect(element.querySelectorAll('.drive.leaving').length).toBe(2);
    await press('Accept');
    await settle();
    const { plan: sent, base } = accept();
    expect([releaseOf(sent, 'd1'), releaseOf(sent, 'd2'), base]).toEqual(['10:20', '10:40', 1]);
  });

  it('says and shows where it moves a group', async () => {
    const group = {
      release: at('10:00'),
      cars: ['c1'],
      crew: [{ role: 'lead' as const, instructor: 'i1' }],
      group: 'one',
    };
    const groups = [aGroup({ id: 'one', name: 'The two', members: ['g1', 'g2'], cars: ['c1'] })];
    const data = theDay({ ...day, version: 2, groups }, { ...aPlan({}), version: 2, groups: [group] });
    const later = { ...aPlan({}), version: 2 as const, groups: [{ ...group, release: at('11:00') }] };
    const found = { ...job().found, plan: z.encode(planFile, later), changes: [] };
    const { text, element } = await boardWith(job({ found }), data);
    expect(text()).toContain('The two at 11:00 instead of 10:00');
    expect(text()).toContain('No drive changes.');
    expect(element.querySelectorAll('.ghost.proposal').length).toBe(1);
  });

  it('asks what would help only for guests who still take part', async () => {
    const out = aPlan({
      drives: [],
      unplanned: [
        { drive: 'd1', reason: fact('guestGone', { guest: 'g1' }) },
        { drive: 'd2', reason: fact('leavesEarly', { guest: 'g2' }, { leavesBy: at('10:00') }) },
      ],
    });
    const found = { ...job().found, plan: z.encode(planFile, out), changes: [] };
    const { element } = await boardWith(job({ found }));
    const groups = [...element.querySelectorAll('.warn-box.left')].map((group) => [
      group.querySelector('span')!.textContent,
      group.querySelectorAll('button').length,
    ]);
    expect(groups).toEqual([
      ['Ines Faro is not taking part any more; book another day if wished.', 0],
      ['Piet Verhoeve leaves by 10:00, too early for this drive; ask for a longer stay.', 1],
    ]);
  });

  it('is accepted in part where that is valid', async () => {
    const { press, fixture, accept } = await boardWith(job());
    await press(/^Leave this one: /);
    await fixture.whenStable();
    await press('Accept 1 of 2');
    await settle();
    const { plan: sent, reason } = accept();
    expect([releaseOf(sent, 'd1'), releaseOf(sent, 'd2')]).toEqual(['10:00', '10:40']);
    expect(reason).toBe('Sabrel R withdrawn (in part)');
  });

  it('is dropped, and shows its progress and its interruption', async () => {
    const { press, http, data, text, fixture } = await boardWith(job({ state: 'running', found: null }));
    data.planningProgress.next({
      id: 'job-1',
      elapsedS: 1,
      steps: 5,
      cost: proposedCost(),
      costBefore: null,
      unplanned: 2,
    });
    await fixture.whenStable();
    expect(text()).toContain('2 drives have no place yet');
    await press('Stop, keep the best');
    http.expectOne('/api/days/2027-05-22/planning/stop').flush({ stopping: true });
    data.planningChanged.next();
    http.expectOne('/api/days/2027-05-22/planning').flush({ job: job({ state: 'interrupted', found: null }) });
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('The server stopped before a plan was found.');
    await press('Drop');
    http.expectOne('/api/days/2027-05-22/planning/drop').flush({ dropped: true });
  });

  it('for an older plan can only be looked for again', async () => {
    const { text, press, http } = await boardWith(job({ base: 0 }));
    expect(text()).toContain('The plan has changed since this was made.');
    await press('Look again');
    const { body } = http.expectOne('/api/days/2027-05-22/planning').request;
    expect([body.mode, body.reason]).toEqual(['repair', 'Sabrel R withdrawn']);
  });
});

describe('What is to be solved', () => {
  it('is as many as the button says: who takes no more part is named, and needs nothing', async () => {
    const reason = 'Sabrel R is away.';
    const without = aPlan({ drives: [], unplanned: ['d1', 'd2'].map((one) => ({ drive: one, reason })) });
    const data = theDay(day, without);
    const gone = data.day().guests.find(({ drives }) => drives.some(({ id }) => id === 'd2'))!;
    expect(data.record({ kind: 'guestNoShow', guest: gone.id }, '08:05')).toBeTrue();
    const { press, text, element, fixture } = await board(data);
    await press(/^1 left out/);
    await settle();
    await fixture.whenStable();
    expect(element.querySelectorAll('[aria-label="Left out of the plan"] li').length).toBe(1);
    expect(text()).toContain(`Not taking part any more, and nothing to be solved: ${gone.name}.`);
  });

  it('comes with what would help, one click away', async () => {
    const without = aPlan({ drives: [drive('10:00')], unplanned: [{ drive: 'd2', reason: 'Sabrel R is away.' }] });
    const { press, text, http, fixture } = await board(theDay(day, without));
    await press('1 left out');
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('Sabrel R is away.');
    await press(/Dunnock Cup instead/);
    const { body } = http.expectOne('/api/days/2027-05-22/drives/d2/remedies').request;
    expect(body.change).toEqual({ kind: 'car', drive: 'd2', car: 'c1' });
  });
});

function emptyTerms() {
  return Object.fromEntries(COST_TERMS.map(({ name }) => [name, 0])) as Record<TermName, number>;
}

function proposedCost() {
  return { total: 10, terms: emptyTerms() };
}
