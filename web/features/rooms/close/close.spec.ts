import type { CloseFigure } from '@core/venue/closing';
import { Close } from './close';
import { show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { running, seen } from '../../../testing/two-guests';

const figure = (key: CloseFigure['key'], value: number, more: Partial<CloseFigure> = {}): CloseFigure => ({
  ...{ key, unit: '', value, entries: [] },
  ...more,
});

async function shown(data = running('10:20')) {
  const it = await show(Close, data);
  /** The server tells the figures, as often as it is asked. */
  const tell = async (figures: readonly CloseFigure[], toDo: readonly object[] = []) => {
    await settle();
    const today = { date: '2027-05-22', figures, toDo };
    const before = { date: '2027-05-15', figures: [figure('drivesDone', 31)], toDo: [] };
    for (const one of it.http.match('/api/days/2027-05-22/close')) one.flush({ today, before });
    await it.follow();
  };
  return { ...it, data, tell };
}
const cells = (element: HTMLElement) =>
  [...element.querySelectorAll('tbody tr')].map((row) => [...row.children].map((cell) => cell.textContent.trim()));

describe('The close of the day', () => {
  it('tells each figure beside what was planned and the same weekday a week before', async () => {
    const { element, tell } = await shown();
    await tell([figure('drivesDone', 28, { planned: 40 }), figure('crewHours', 21.25, { unit: 'h' })]);
    expect(cells(element).map((row) => row.slice(1))).toEqual([
      ['28', '40', '31'],
      ['21.3 h', '', ''],
    ]);
    expect(element.querySelector('thead')!.textContent).toContain('2027-05-15');
  });

  it('opens the entries a figure is made of, with their guests', async () => {
    const { element, data, tell } = await shown();
    const released = data.entries().find(({ entry }) => entry.kind === 'released')!;
    await tell([figure('drivesDone', 1, { entries: [released.entry.id] })]);
    const button = element.querySelector<HTMLButtonElement>('tbody button')!;
    button.click();
    await settle();
    expect(button.ariaExpanded).toBe('true');
    const made = element.querySelectorAll('.made-of li');
    expect(made.length).toBe(1);
    expect(made[0]!.textContent).toMatch(/\d\d:\d\d.*(Ines Faro|Piet Verhoeve)/);
  });

  it('stays on screen while it is read again with an entry that comes', async () => {
    const { element, data, tell } = await shown();
    await tell([figure('drivesDone', 28)]);
    expect(data.record({ kind: 'noteTaken', text: 'Wind from the lake' })).toBeTrue();
    await settle();
    expect(cells(element)[0]![1]).toBe('28');
    await tell([figure('drivesDone', 29)]);
    expect(cells(element)[0]![1]).toBe('29');
  });

  it('closes the day, and opens it again', async () => {
    const { press, data, tell } = await shown(seen());
    await tell([]);
    await press('Close the day');
    expect(data.state().closed).toBeDefined();
    await press('Open the day again');
    expect(data.state().closed).toBeUndefined();
  });

  it('is refused while a car is on the circuit', async () => {
    const { press, data, tell } = await shown();
    await tell([]);
    await press('Close the day');
    expect(data.state().closed).toBeUndefined();
    expect(data.refused.at(-1)).toContain('circuit');
  });
});
