import { aDay, aGuest, aPlan, at, drive } from '@core/testing/small-day';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { SellLap } from './sell-lap';

/** Ines drives at ten, and Rui in the same car as soon as she is out of it. */
async function shown(time = '09:50') {
  const second = aGuest({ id: 'g2', name: 'Rui Faro', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] });
  const day = aDay({ guests: [aGuest({ id: 'g1', name: 'Ines Faro' }), second] });
  const plan = aPlan({ drives: [drive('10:00'), drive('10:17', { drive: 'd2' })] });
  const data = new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);
  for (const guest of ['g1', 'g2']) data.clear(guest, '09:10');
  return { ...(await show(SellLap, data, { guest: 'g1' })), data };
}
const panel = () => document.querySelector('.p-popover')!.textContent.replace(/\s+/g, ' ');
const inPanel = () => document.querySelector<HTMLButtonElement>('.p-popover button')!;

describe('An extra lap', () => {
  it('is sold in two taps, the first of which says its price, and who waits for it', async () => {
    const { data, press } = await shown();
    await press('Extra lap: Ines Faro');
    expect(panel()).toContain('Sell for €29');
    expect(panel()).toContain('6 laps');
    expect(panel()).toContain('Rui Faro up to 1 min later.');
    inPanel().click();
    expect(data.written().at(-1)!.entry).toEqual(
      jasmine.objectContaining({ kind: 'extraLapGranted', drive: 'd1', price: 29 }),
    );
    expect([data.state().guests.get('g1')!.sold, data.state().drives.get('d1')!.extraLaps]).toEqual([29, 1]);
  });

  it('is given where the car has no price, and nobody waits for it where there is room', async () => {
    const { data, press } = await shown();
    data.view.update((view) => ({ ...view, lapPrices: {} }));
    data.planned(aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2' })] }), 2);
    await press('Extra lap: Ines Faro');
    expect(panel()).toContain('Give it: no price');
    expect(panel()).toContain('Nobody waits for it.');
    inPanel().click();
    expect(data.state().guests.get('g1')!.sold).toBe(0);
    expect(data.state().drives.get('d1')!.extraLaps).toBe(1);
  });

  it('is priced, and looked for who would wait, only once somebody asks', async () => {
    const { data, press, fixture } = await shown();
    let asked = 0;
    const counted = {
      get c1() {
        asked += 1;
        return 29;
      },
    };
    data.view.update((view) => ({ ...view, lapPrices: counted }));
    data.clockS.set(at('09:51'));
    await fixture.whenStable();
    expect(asked).toBe(0);
    await press('Extra lap: Ines Faro');
    expect(asked).toBeGreaterThan(0);
  });

  it('is sold while the drive runs, and not offered once the car is on its way in', async () => {
    const { data, press, text, fixture } = await shown();
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '09:56');
    data.record({ kind: 'released', drive: 'd1' }, '10:00');
    data.clockS.set(at('10:02'));
    await press('Extra lap: Ines Faro');
    inPanel().click();
    expect(data.state().drives.get('d1')!.extraLaps).toBe(1);
    data.clockS.set(at('10:08'));
    data.record({ kind: 'broughtIn', drive: 'd1' }, '10:08');
    expect(data.refused).toEqual([]);
    await fixture.whenStable();
    expect(text()).not.toContain('Extra lap');
  });
});
