import { aCar, aGuest, anInstructor, aDay, aPlan, at, drive } from '@core/testing/small-day';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { VerdictsHere } from '../../../testing/verdicts-here';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { BoardEdits } from './board-edits';
import { ToSolvePanel } from './to-solve-panel';

describe('What makes others late, to be solved', () => {
  /** One guest drives long, the next in this car has to leave, and another car and instructor stand idle. */
  const day = aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [
      aGuest(),
      aGuest({
        id: 'g2',
        name: 'Piet Verhoeve',
        leavesBy: at('10:42'),
        drives: [{ id: 'd2', cars: ['c1', 'c2'], laps: 5 }],
      }),
    ],
  });
  const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', instructor: 'i2' })] });

  const panel = async () => {
    const data = new FakeDay(day, plan, '10:21');
    for (const guest of ['g1', 'g2']) data.clear(guest, '09:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '10:14');
    data.record({ kind: 'released', drive: 'd1' }, '10:20');
    const shown = await show(ToSolvePanel, data, { leftOut: [], broken: [] }, [
      { provide: Verdicts, useClass: VerdictsHere },
      BoardEdits,
    ]);
    shown.http.match(({ url }) => url.endsWith('/planning')).forEach((asked) => asked.flush({ job: null }));
    await shown.fixture.debugElement.injector.get(BoardEdits).lookAgain();
    await settle();
    await shown.follow();
    return { ...shown, data };
  };

  it('is one line with its cause, what it does, and what it would break', async () => {
    const { element } = await panel();
    const [line, ...others] = [...element.querySelectorAll('[aria-label="What makes others late"] > li')];
    expect(others).toEqual([]);
    const text = line!.textContent.replace(/\s+/g, ' ');
    expect(text).toContain('Dunnock Cup with Ines Faro runs 20 min late');
    expect(text).toContain('1 drive begins 7 min later');
    expect(text).toContain('1 Dunnock Cup is still taken until 10:32:40');
    expect(text).toContain('and 1 more');
  });

  it('slides at somebody’s word, for all that is late', async () => {
    const { press, http, element } = await panel();
    const label = [...element.querySelectorAll('button')].find((it) => it.textContent.includes('Slide'))!.ariaLabel!;
    await press(label);
    const sent = http.expectOne('/api/days/2027-05-22/slides');
    expect(sent.request.body).toEqual({ author: 'Office' });
    sent.flush({ slid: 1 }, { status: 201, statusText: 'Created' });
  });

  it('is left as it is, and told no more', async () => {
    const { element, data, follow } = await panel();
    [...element.querySelectorAll('button')].find((it) => it.textContent.includes('Leave it'))!.click();
    await follow();
    expect(data.kinds()).toContain('leftAsIs');
    expect(element.textContent).toContain('nothing is late');
  });

  it('has ways out, the cheapest first, and takes one', async () => {
    const { element, http, follow } = await panel();
    [...element.querySelectorAll('button')].find((it) => it.textContent.includes('Ways out'))!.click();
    await settle();
    await follow();
    const ways = [...element.querySelectorAll('[aria-label="Ways out"] li')];
    const car = ways.find((way) => way.textContent.includes('Piet Verhoeve in 2 Sabrel R'));
    expect(ways.length).toBeGreaterThan(0);
    car!.querySelector('button')!.click();
    await settle();
    const sent = http.expectOne('/api/days/2027-05-22/plans').request.body as { plan: { drives: { car: string }[] } };
    expect(sent.plan.drives[1]!.car).toBe('c2');
  });
});
