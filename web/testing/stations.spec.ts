import { at } from '@core/testing/small-day';
import { Classroom } from '../classroom/classroom';
import { Debrief } from '../debrief/debrief';
import { Desk } from '../desk/desk';
import { Gate } from '../gate/gate';
import { GuestCard } from '../guest-card/guest-card';
import { Stations } from '../shell/stations';
import { FakeDay, show } from './fake-day';
import { day, dayAt, plan, seen } from './two-guests';

describe('The gate', () => {
  it('lists who is to come in the order of arrival, and says who is late', async () => {
    const { element, text } = await show(Gate, dayAt('09:05'));
    expect([...element.querySelectorAll('li a')].map((link) => link.textContent)).toEqual([
      'Ines Faro',
      'Piet Verhoeve',
    ]);
    expect(text()).toContain('5 min late');
    expect(text()).toContain('0 of 2 have come, 1 late');
    expect(text()).toContain('Motion sickness once');
  });

  it('clears a guest with Enter, step by step, and the next one at once with C', async () => {
    const data = dayAt('09:12');
    const { element, key } = await show(Gate, data);
    const row = () => element.querySelector('li')!;
    for (let step = 0; step < 4; step++) await key(row(), 'Enter');
    expect(data.kinds()).toEqual(['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']);
    expect(row().textContent).toContain('Piet Verhoeve');
    await key(row(), 'c');
    expect(data.kinds().length).toBe(8);
    expect(element.textContent).toContain('Everybody who is booked has come and is cleared.');
  });

  it('takes the last entry about a guest back with U', async () => {
    const data = dayAt('09:05');
    const { element, key } = await show(Gate, data);
    await key(element.querySelector('li')!, 'a');
    await key(element.querySelector('li')!, 'u');
    expect(data.state().guests.get('g1')!.arrivedS).toBeUndefined();
    await key(element.querySelector('li')!, 'x');
    expect(data.state().guests.get('g1')!.stage).toBe('noShow');
  });

  it('says what happens next to a step that is not possible', async () => {
    const data = dayAt('09:05');
    const { element, key } = await show(Gate, data);
    await key(element.querySelector('li')!, 'w');
    expect(data.refused).toEqual(['Ines Faro has not arrived yet.']);
  });
});

describe('The classroom', () => {
  it('ticks who is cleared, and begins the class with those only', async () => {
    const data = dayAt('09:20');
    data.clear('g1', '09:00');
    const { press, element } = await show(Classroom, data);
    expect([...element.querySelectorAll<HTMLInputElement>('input')].map((box) => [box.checked, box.disabled])).toEqual([
      [true, false],
      [false, true],
    ]);
    await press('Begin class');
    expect(data.state().guests.get('g1')!.stage).toBe('inClass');
    expect(data.state().guests.get('g2')!.stage).toBe('expected');
  });

  it('briefs only those who stay ticked to the end', async () => {
    const data = dayAt('09:45');
    data.clear('g1', '09:00');
    data.clear('g2', '09:10');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1', 'g2'] }, '09:20');
    const { press, element, fixture } = await show(Classroom, data);
    element.querySelectorAll<HTMLInputElement>('input')[1]!.click();
    await fixture.whenStable();
    await press('End class');
    expect([...data.state().guests.values()].map(({ briefed }) => briefed)).toEqual([true, false]);
  });

  it('refuses a class and a sighting run for which nobody is ready', async () => {
    const data = dayAt('09:20');
    const { press } = await show(Classroom, data);
    await press('Begin class');
    await press('Let out');
    expect(data.refused).toEqual([
      'Nobody of this class is ready: clear the guests at the gate first.',
      'Nobody of this run is briefed yet.',
    ]);
  });

  it('offers a seat to a guest who missed an earlier class', async () => {
    const two = {
      ...plan,
      briefings: [
        { start: at('08:30'), instructor: 'i2', guests: ['g1'] },
        { start: at('09:40'), instructor: 'i1', guests: ['g2'] },
      ],
    };
    const data = new FakeDay(day, two, '09:39');
    data.clear('g1', '09:30');
    data.clear('g2', '09:30');
    data.clockS.set(at('10:00'));
    const { text } = await show(Classroom, data);
    expect(text()).toContain('missed an earlier class');
  });

  it('shows the seats of a sighting run, and lets it out and back', async () => {
    const data = dayAt('09:55');
    data.clear('g1', '09:00');
    data.record({ kind: 'classBegan', instructor: 'i1', guests: ['g1'] }, '09:20');
    data.record({ kind: 'classEnded', instructor: 'i1', guests: ['g1'] }, '09:45');
    const { press, element } = await show(Classroom, data);
    expect(element.querySelectorAll('.seats .ready').length).toBe(1);
    expect(element.querySelectorAll('.seats .free').length).toBe(1);
    await press('Let out');
    expect(data.state().guests.get('g1')!.stage).toBe('onSighting');
    await press('Back');
    expect(data.state().guests.get('g1')!.sighted).toBeTrue();
  });
});

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

describe('The stations', () => {
  it('count who is where', async () => {
    const data = seen();
    const { element } = await show(Stations, data);
    const counts = () => [...element.querySelectorAll('ol a')].map((link) => link.textContent?.replace(/\D/g, ''));
    expect(counts()).toEqual(['0', '0', '0', '2', '0', '0', '0']);
    data.showTime(at('09:30'));
    await new Promise((resolve) => setTimeout(resolve));
    expect(data.state().guests.get('g1')!.stage).toBe('inClass');
  });
});
