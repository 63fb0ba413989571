import { Debrief } from '../../stations/debrief/debrief';
import { Desk } from '../../stations/desk/desk';
import { GuestCard } from './guest-card';
import { type FakeDay, show } from '../../../testing/fake-day';
import { running, seen } from '../../../testing/two-guests';

/** The card of a guest who has never been here before. */
async function guestCard(data: FakeDay, id: string) {
  const shown = await show(GuestCard, data, { id });
  shown.http.expectOne(`/api/days/2027-05-22/guests/${id}/before`).flush({ days: [] });
  await shown.fixture.whenStable();
  return shown;
}

describe('After the drive', () => {
  function parked(...crossings: string[]): FakeDay {
    const it = seen();
    it.record({ kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' }, '10:02');
    it.record({ kind: 'released', drive: 'd2' }, '10:04');
    for (const at of crossings) it.record({ kind: 'lapCounted', drive: 'd2', source: 'hand' }, at);
    it.record({ kind: 'broughtIn', drive: 'd2' }, '10:09:25');
    it.record({ kind: 'parked', drive: 'd2' }, '10:09:30');
    return it;
  }

  it('say what being unwell has changed, as long as it holds', async () => {
    const data = running('10:21');
    const { press, text } = await show(GuestCard, data, { id: 'g2' });
    await press('Unwell');
    expect(text()).toMatch(/Unwell\. In the car now: brought in, \d laps? stay owed\./);
    await press('Well again');
    expect(text()).not.toContain('stay owed');
  });

  it('the debrief shows the laps and how much quicker they became', async () => {
    const data = parked('10:05:30', '10:06:50', '10:08:06', '10:09:20');
    const { text, press } = await show(Debrief, data);
    expect(text()).toContain('1:30.0 · 1:20.0 · 1:16.0 · 1:14.0');
    expect(text()).toContain('6.0 s quicker from the first clean lap to the last');
    await press('Debriefed: Piet Verhoeve');
    expect(text()).toContain('Debriefed in the last half hour');
  });

  it('the desk has who has driven everything, and what each owes', async () => {
    const data = parked('10:05:40', '10:07:10');
    data.record({ kind: 'debriefed', drive: 'd2' }, '10:09:40');
    const { text, press, http, fixture } = await show(Desk, data);
    http.match('/api/venue').forEach((request) => request.error(new ProgressEvent('error')));
    await fixture.whenStable();
    expect(text()).toContain('1 at the desk, 1 on the way, 0 finished');
    expect(text()).toContain('€100 due');
    await press('Finished: Piet Verhoeve');
    expect(text()).toContain('0 at the desk, 1 on the way, 1 finished');
  });

  it('the guest card has the booking, the drive and the history, newest first', async () => {
    const data = parked('10:05:40', '10:07:10');
    const { text, element, press } = await guestCard(data, 'g2');
    expect(text()).toContain('in debrief');
    expect(text()).toContain('2 of 2');
    const history = () => [...element.querySelectorAll('ol li')].map((row) => row.textContent ?? '');
    expect(history()[0]).toContain('Parked');
    await press(/^Take back: Parked/);
    expect(data.state().drives.get('d2')!.stage).toBe('rollingIn');
    expect(history().join()).toContain('taken back');
  });

  it('the guest card warns of a health note, and takes unwell and left', async () => {
    const data = seen();
    const { text, press } = await guestCard(data, 'g1');
    expect(text()).toContain('Health note Motion sickness once');
    expect(text()).toContain('No earlier day is known');
    await press('Unwell');
    expect(text()).toContain('unwell');
    await press('Well again');
    await press('Has left');
    expect(data.state().guests.get('g1')!.stage).toBe('left');
  });

  it('the guest card tells of laps owed after a drive that was broken off, and looks for their place', async () => {
    const data = seen();
    data.record({ kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i2' }, '10:02');
    data.record({ kind: 'released', drive: 'd2' }, '10:04');
    data.record({ kind: 'intervened', drive: 'd2', lap: 1, corner: 'Slip' }, '10:05');
    data.record({ kind: 'brokenOff', drive: 'd2', reason: 'fault' }, '10:05');
    const { text, press } = await guestCard(data, 'g2');
    expect(text()).toContain('Broken off: fault of the car');
    expect(text()).toContain('The instructor had to brake or steer: 1');
    expect(text()).toContain('2 laps are owed');
    await press('When for 2 laps owed');
    const dialog = document.querySelector('.p-dialog')!;
    expect(dialog.textContent).toContain('Laps owed: 2');
    expect(dialog.querySelector<HTMLInputElement>('#more-laps')!.value).toBe('2');
  });

  it('a guest who is not of this day is said to be none', async () => {
    const { text } = await show(GuestCard, seen(), { id: 'nobody' });
    expect(text()).toContain('There is no such guest on this day.');
  });
});
