import { fact } from '@core/values';
import type { Assignment } from '@core/planner';
import { aPlan, drive } from '@core/testing/small-day';
import { show } from '../../../testing/fake-day';
import { day, theDay } from '../../../testing/two-drives';
import { VerdictsHere } from '../../../testing/verdicts-here';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { BoardEdits } from './board-edits';
import { DriveDetails } from './drive-details';
import { TestBed } from '@angular/core/testing';

const atMeal = { code: 'CREW_MEAL', detail: 'none', subjects: { instructor: 'i3' } } as const;
const RANKED: readonly Assignment[] = [
  {
    instructor: 'i1',
    name: 'Anselm Holt',
    broken: undefined,
    costs: 0,
    reasons: [fact('speaks', {}, { languages: ['en'] }), fact('together', {}, { drives: 2 })],
  },
  {
    instructor: 'i2',
    name: 'Ife Okoro',
    broken: undefined,
    costs: 2.25,
    reasons: [fact('teaches', { car: 'c1' })],
  },
  {
    instructor: 'i3',
    name: 'Odile Varga',
    broken: { ...atMeal, values: { durationS: 1800, fromS: 41_400, toS: 50_400, longestS: 900 } },
    costs: 0,
    reasons: [],
  },
  { instructor: 'i4', name: 'Bo Lund', broken: undefined, costs: -1.5, reasons: [] },
  { instructor: 'i5', name: 'Ada Quist', broken: undefined, costs: 0.2, reasons: [] },
];

class RankedVerdicts extends VerdictsHere {
  readonly asked: string[] = [];
  assignments(_: unknown, id: string): Promise<readonly Assignment[]> {
    this.asked.push(id);
    return Promise.resolve(RANKED);
  }
}

async function details(data = theDay(), driveId = 'd1') {
  const verdicts = new RankedVerdicts();
  const shown = await show(DriveDetails, data, { driveId }, [BoardEdits, { provide: Verdicts, useValue: verdicts }]);
  const entries = () =>
    [...shown.element.querySelectorAll('ol li')].map((li) => li.textContent.replace(/\s+/g, ' ').trim());
  return { data, verdicts, shown, entries };
}

describe('One drive beside the board', () => {
  it('is told with its times, its laps and what to mind', async () => {
    const { shown } = await details();
    expect(shown.element.querySelector('aside')!.getAttribute('aria-label')).toBe('Drive of Ines Faro');
    expect(shown.text()).toContain('Dunnock Cup, with Anselm Holt');
    expect(shown.text()).toContain('seat 09:56, out 10:00, back 10:10');
    expect(shown.text()).toContain('0 of 5');
    expect(shown.text()).toContain('Nothing yet.');
  });

  it('names the car and the instructor as they are once the guest sits, whatever the plan had', async () => {
    const data = theDay();
    data.clear('g1', '08:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c2', instructor: 'i2' });
    const { shown, entries } = await details(data);
    expect(data.refused).toEqual([]);
    expect(shown.text()).toContain('Sabrel R, with Ife Okoro');
    expect(shown.element.querySelector('.car-number')!.textContent).toBe('2');
    expect(shown.text()).not.toContain('Pin it here');
    expect(entries().length).toBe(1);
  });

  it('shows what was taken back as taken back, by whom', async () => {
    const data = theDay();
    data.clear('g1', '08:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    data.undo(data.written().at(-1)!.entry.id);
    const { entries, shown } = await details(data);
    expect(entries()).toEqual([jasmine.stringMatching(/^08:10 .*taken back by Test$/)]);
    expect(shown.element.querySelector('li')!.classList).toContain('taken-back');
  });

  it('tells only what has happened by the time that is shown', async () => {
    const data = theDay();
    data.clear('g1', '08:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    data.showTime(8 * 3600 + 300);
    const { entries } = await details(data);
    expect(entries()).toEqual(['Nothing yet.']);
  });

  it('says of one that is left out that it is not planned, and offers nothing that needs a place', async () => {
    const reason = 'No instructor is free who speaks en.';
    const data = theDay(day, aPlan({ drives: [drive('10:00')], unplanned: [{ drive: 'd2', reason }] }));
    const { shown } = await details(data, 'd2');
    expect(shown.text()).toContain('not planned');
    expect(shown.text()).not.toContain(', with');
    expect(shown.element.querySelector('.buttons')).toBeNull();
    expect(shown.text()).not.toContain('Why this instructor?');
  });

  it('ranks who else could drive along: reasons, what it costs, or the rule in the way', async () => {
    const { shown, verdicts } = await details();
    await shown.press('Why this instructor?');
    await shown.follow();
    expect(verdicts.asked).toEqual(['d1']);
    const rows = [...shown.element.querySelectorAll('.why')].map((row) =>
      [...row.children].flatMap(({ textContent }) => textContent.trim() || []).join(' '),
    );
    expect(rows).toEqual([
      'Anselm Holt speaks en; has 2 other drives of this guest',
      'Ife Okoro may teach in the 1 Dunnock Cup costs 2.3 more Give it to this one',
      'Odile Varga i3 has no gap of 30 min for a meal between 11:30 and 14:00',
      'Bo Lund saves 1.5 Give it to this one',
      'Ada Quist costs nothing more Give it to this one',
    ]);
    shown.fixture.componentRef.setInput('driveId', 'd2');
    await shown.follow();
    expect(shown.element.querySelectorAll('.why').length).toBe(0);
  });

  it('offers the other cars at this time, and takes one as if the block had been carried there', async () => {
    const { shown } = await details();
    await shown.press('Another car at this time?');
    await shown.follow();
    const [row] = [...shown.element.querySelectorAll('.why')];
    expect(row!.textContent).toContain('2 Sabrel R');
    const edits = shown.fixture.debugElement.injector.get(BoardEdits);
    const dropped = spyOn(edits, 'drop').and.resolveTo(true);
    const shifted = spyOn(edits, 'shift').and.callThrough();
    if (row!.querySelector('button')) {
      await shown.press('Take 2 Sabrel R');
      expect(shifted).toHaveBeenCalledOnceWith(0, { car: 'c2' });
      expect(dropped).toHaveBeenCalledOnceWith(false);
    } else expect(row!.querySelector('.stop')!.textContent).not.toBe('');
  });

  it('is pinned where it stands, and kept with its instructor, as a change of the booking', async () => {
    const { shown } = await details();
    await shown.press('Pin it here');
    const pinned = shown.http.expectOne({ method: 'PUT' }).request.body.fields.drives[0];
    expect(pinned.pin).toEqual({ release: '10:00', car: 'c1', instructor: 'i1' });
    await shown.press('Keep with Anselm Holt');
    const kept = shown.http.match({ method: 'PUT' }).at(-1)!.request.body.fields.drives[0];
    expect(kept.pin).toEqual({ instructor: 'i1' });
  });

  it('is selected for a change with others, and let go', async () => {
    const { shown } = await details();
    const edits = TestBed.inject(BoardEdits);
    await shown.press('Select');
    expect([...edits.selection()]).toEqual(['d1']);
    await shown.press('Not selected');
    expect(edits.selection().size).toBe(0);
  });
});
