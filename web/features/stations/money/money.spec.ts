import { aDay, aGuest, aPlan } from '@core/testing/small-day';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { balanceDue, dueWords } from './money';
import { TakeMoney } from './take-money';

const BOOKED = { price: 149.5, paid: 50 };

const inPanel = (words: string) =>
  [...document.querySelectorAll('button')].find((button) =>
    [button.getAttribute('aria-label'), button.textContent?.trim()].includes(words),
  )!;

async function shown() {
  const data = new FakeDay(aDay({ guests: [aGuest({ id: 'g1', name: 'Ines Faro' })] }), aPlan(), '09:00', [
    aBooking('g1', { name: 'Ines Faro', ...BOOKED }),
  ]);
  const it = await show(TakeMoney, data, { guest: 'g1' });
  const open = () => it.press('€99.50 due: Ines Faro, take money');
  return { ...it, data, open };
}

describe('Money that a guest owes', () => {
  it('is what was sold, less what was paid before and what has come in since', () => {
    expect(balanceDue(BOOKED)).toBe(99.5);
    expect(balanceDue(BOOKED, { received: 100 })).toBe(0);
    expect(balanceDue(BOOKED, { received: 100, sold: 29 })).toBe(28.5);
    expect([dueWords(BOOKED, {}, 'EUR'), dueWords(BOOKED, { received: 99.5 }, 'EUR')]).toEqual(['€99.50 due', 'paid']);
    expect(dueWords({ price: 0, paid: 0 }, {}, 'EUR')).toBe('no price');
  });

  it('is taken in two taps: all of it', async () => {
    const { data, open } = await shown();
    await open();
    inPanel('Card €99.50').click();
    expect(data.state().guests.get('g1')!.received).toBe(99.5);
    expect(data.written().at(-1)!.entry).toEqual(jasmine.objectContaining({ kind: 'moneyReceived', means: 'card' }));
  });

  it('comes in parts, by different ways, and each is taken back by a tap', async () => {
    const { data, fixture } = await shown();
    data.record({ kind: 'moneyReceived', guest: 'g1', amount: 20.1, means: 'voucher' });
    data.record({ kind: 'moneyReceived', guest: 'g1', amount: 0.2, means: 'cash' });
    await fixture.whenStable();
    expect(data.state().guests.get('g1')!.received).toBe(20.3);
    const button = (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('.due')!;
    expect(button.textContent?.trim()).toBe('€79.20 due');
    button.click();
    await fixture.whenStable();
    inPanel('Take back').click();
    expect(data.state().guests.get('g1')!.received).toBe(0.2);
  });

  it('is more than nothing where it comes in', async () => {
    const { data } = await shown();
    expect(data.record({ kind: 'moneyReceived', guest: 'g1', amount: 0, means: 'cash' })).toBe(false);
    expect(data.refused).toEqual(['An amount of money is more than nothing.']);
  });
});
