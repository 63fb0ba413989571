import type { Day } from '@core/day';
import { FakeDay, show } from '../../../testing/fake-day';
import { day, plan } from '../../../testing/two-guests';
import { Party } from './party';

/** Both guests of one party, briefed and sighted; laps as they are given, in seconds. */
function friends(laps: readonly (readonly number[])[]): FakeDay {
  const together: Day = {
    ...day,
    guests: day.guests.map((guest, i) => ({
      ...guest,
      party: 'Harbour',
      briefed: true,
      sighted: true,
      drives: guest.drives.map((one) => ({ ...one, laps: Math.max(2, laps[i]?.length ?? 2) })),
    })),
  };
  const it = new FakeDay(together, { ...plan, briefings: [], sightings: [] }, '11:30');
  laps.forEach((times, i) => {
    const [guest, drive, car, instructor] = [`g${i + 1}`, `d${i + 1}`, `c${i + 1}`, `i${i + 1}`];
    it.clear(guest, '09:10');
    it.record({ kind: 'seated', drive, car, instructor }, '10:10');
    it.record({ kind: 'released', drive }, '10:15');
    let atS = 10 * 3600 + 15 * 60;
    for (const lapS of times) {
      atS += lapS;
      const [minutes, seconds] = [Math.floor((atS % 3600) / 60), atS % 60];
      it.record(
        { kind: 'lapCounted', drive, source: 'hand' },
        `10:${String(minutes).padStart(2, '0')}:${String(seconds).padStart(2, '0')}`,
      );
    }
    it.record({ kind: 'broughtIn', drive }, '10:40');
    it.record({ kind: 'parked', drive }, '10:41');
  });
  return it;
}

async function party(data: FakeDay) {
  const shown = await show(Party, data, { id: 'Harbour' });
  const rows = (contest: string) =>
    [...shown.element.querySelectorAll(`section[aria-label="${contest}"] li`)].map((li) =>
      [...li.children].map((one) => one.textContent.trim()),
    );
  return { shown, rows };
}

describe('Friends side by side', () => {
  it('are each shown first where they did best', async () => {
    const data = friends([
      [95, 88, 84, 81, 80],
      [82, 80, 80, 80, 80],
    ]);
    expect(data.refused).toEqual([]);
    const { rows } = await party(data);
    expect(rows('Gain')[0]).toEqual(['Ines Faro', jasmine.stringMatching(/^\d+\.\d s$/) as never, 'first']);
    expect(rows('Steadiness')[0]![0]).toBe('Piet Verhoeve');
    for (const contest of ['Pace', 'Gain', 'Steadiness', 'Fewest faults']) expect(rows(contest).length).toBe(2);
  });

  it('who drove alike are a draw', async () => {
    const { rows } = await party(
      friends([
        [82, 80, 80, 80, 80],
        [82, 80, 80, 80, 80],
      ]),
    );
    expect(rows('Steadiness').map((row) => row.at(-1))).toEqual(['a draw', 'a draw']);
  });

  it('have nothing first where nothing was marked', async () => {
    const { rows } = await party(
      friends([
        [82, 80, 80],
        [82, 81, 80],
      ]),
    );
    expect(rows('Fewest faults').map((row) => row[1])).toEqual(['not marked', 'not marked']);
    expect(rows('Fewest faults').every((row) => row.length === 2)).toBeTrue();
  });

  it('are compared once two of them have driven', async () => {
    const { shown } = await party(friends([[82, 80, 80]]));
    expect(shown.text()).toContain('once two of the party have driven');
  });
});
