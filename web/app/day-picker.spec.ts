import { aCar, aDay, aPlan, drive } from '@core/testing/small-day';
import { DayPicker } from './day-picker';
import { aBooking, FakeDay, show } from '../testing/fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

describe('The event days', () => {
  it('are chosen, and another one is added', async () => {
    const data = Object.assign(dayAt('10:00'), {
      opened: [] as string[],
      open(date: string) {
        this.opened.push(date);
      },
      practised: undefined as boolean | undefined,
      addDay(date: string, practice: boolean) {
        this.practised = practice;
        return { subscribe: ({ next }: { next: () => void }) => next(), date };
      },
    });
    data.days.set([
      { date: '2027-05-22', bookings: 40, drives: 61, revision: 2, practice: false, byCalendar: false },
      { date: '2027-05-20', bookings: 4, drives: 6, revision: 1, practice: true, byCalendar: false },
    ]);
    const { fixture } = await show(DayPicker, data, { open: true });
    await fixture.whenStable();
    const dialog = document.querySelector('[role=dialog]')!;
    expect(dialog.textContent).toContain('40 bookings, 61 drives, plan 2');
    const marked = [...dialog.querySelectorAll('li')].map((row) => row.textContent.includes('practice'));
    expect(marked).toEqual([false, true]);
    const input = dialog.querySelector<HTMLInputElement>('#new-day')!;
    input.value = '2027-05-23';
    input.dispatchEvent(new Event('input'));
    dialog.querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    expect(data.practised).toBeTrue();
    expect(data.opened).toEqual(['2027-05-23']);
  });
});
