import { at } from '@core/testing/small-day';
import { Desk } from './desk';
import { show } from '../../../testing/fake-day';
import { dayAt, running } from '../../../testing/two-guests';

describe('The desk', () => {
  it('has who is missing at a class, where they were seen last, and says that they are on the way', async () => {
    const data = dayAt('09:20');
    data.record({ kind: 'guestArrived', guest: 'g2' }, '09:05');
    data.record({ kind: 'guestSentFor', guest: 'g2', instructor: 'i1' }, '09:19');
    const { text, press, fixture } = await show(Desk, data);
    expect(text()).toContain('Missing at a class');
    expect(text()).toContain('at the gate since 09:05');
    expect(text()).toContain('Class with Anselm Holt, sent for 09:19');
    await press('Found, on the way: Piet Verhoeve');
    expect(text()).toContain('on the way since 09:20');
    data.record({ kind: 'waiverSigned', guest: 'g2' }, '09:20:30');
    data.clockS.set(at('09:21'));
    await fixture.whenStable();
    expect(text()).not.toContain('Missing at a class');
  });

  it('sells a ride before the recording is handed out, where a car gives rides', async () => {
    const { text, press, data } = await atDesk(true);
    await press('A ride for Piet Verhoeve');
    expect(document.querySelector('[role=dialog]')!.textContent).toContain('A ride beside an instructor');
    expect(data.refused).toEqual([]);
    expect(text()).toContain('Recording out');
  });

  it('says what was taken today, by how it came in, and what is still due', async () => {
    const { text, data, fixture } = await atDesk(false);
    expect(text()).not.toContain('Taken today');
    data.record({ kind: 'moneyReceived', guest: 'g1', amount: 20.5, means: 'cash' });
    data.record({ kind: 'moneyReceived', guest: 'g2', amount: 30, means: 'card' });
    await fixture.whenStable();
    expect(text()).toContain('Taken today: cash €20.50, card €30 · ');
  });

  it('sells no ride where no car gives one', async () => {
    const { text } = await atDesk(false);
    expect(text()).toContain('Recording out');
    expect(text()).not.toContain('Ride');
  });
});

/** Piet has driven everything. */
async function atDesk(rides: boolean) {
  const data = running('10:40');
  data.record({ kind: 'broughtIn', drive: 'd2' }, '10:31');
  data.record({ kind: 'parked', drive: 'd2' }, '10:32');
  data.record({ kind: 'debriefed', drive: 'd2' }, '10:33');
  if (rides) {
    data.view.update((view) => ({
      ...view,
      day: { ...view.day, cars: view.day.cars.map((car) => ({ ...car, ride: { lapTimeS: 70, seats: 1 } })) },
    }));
  }
  return { ...(await show(Desk, data)), data };
}
