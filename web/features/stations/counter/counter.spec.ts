import { TestBed } from '@angular/core/testing';
import { at } from '@core/testing/small-day';
import { Counter } from './counter';
import { show } from '../../../testing/fake-day';
import { running, seen } from '../../../testing/two-guests';

describe('The counter on the phone', () => {
  const ofIfe = async (time: string) => {
    localStorage.setItem('joylap.counter', 'i2');
    const data = running(time);
    return { data, ...(await show(Counter, data)) };
  };
  afterEach(() => {
    localStorage.removeItem('joylap.counter');
    localStorage.removeItem('joylap.carsLeft');
  });

  it('counts with one button, says how many are left, and the way in at the end', async () => {
    const { data, press, text, fixture } = await ofIfe('10:21:25');
    await press(/Count lap$/);
    expect(text()).toContain('last lap');
    data.clockS.set(at('10:22:45'));
    await fixture.whenStable();
    await press(/Count lap$/);
    expect(text()).toContain('In at the anchor board');
    expect(data.state().drives.get('d2')!.count.hand).toBe(2);
  });

  it('puts laps right on the spot, with who and why, and takes it back by one tap for a while', async () => {
    const { data, press, text, follow } = await ofIfe('10:21:25');
    await press(/Count lap$/);
    await press('One more');
    const settled = data.entries().at(-1)!.entry;
    expect(settled).toEqual(jasmine.objectContaining({ kind: 'lapsSettled', crossings: 2, why: 'one was missed' }));
    expect(text()).toContain('In at the anchor board');
    await press(/Undo: .*Laps settled at 2/);
    expect(data.state().drives.get('d2')!.crossings.length).toBe(1);
    await press('One less');
    expect(data.state().drives.get('d2')!.crossings.length).toBe(0);
    data.clockS.set(at('10:24'));
    await follow();
    expect(text()).not.toContain('Laps settled at 0');
  });

  it('seats the guest who is next, and takes it back', async () => {
    localStorage.setItem('joylap.counter', 'i2');
    const data = seen();
    const { press, text } = await show(Counter, data);
    expect(text()).toContain('Piet Verhoeve: waiting at the cars');
    await press('Guest is seated');
    expect(data.state().drives.get('d2')).toEqual(
      jasmine.objectContaining({ stage: 'seated', car: 'c2', instructor: 'i2' }),
    );
    expect(text()).toContain('Last check');
    await press(/^Undo: .*[Ss]eated/);
    expect(data.state().drives.get('d2')!.stage).toBe('planned');
  });

  it('is through with a parked car by Debriefed, there or beside the next guest, and stays so when it is opened anew', async () => {
    const { data, press, text, follow, fixture } = await ofIfe('10:22:40');
    data.record({ kind: 'broughtIn', drive: 'd2' }, '10:22:50');
    data.record({ kind: 'parked', drive: 'd2' }, '10:23');
    data.clockS.set(at('10:23:05'));
    await follow();
    await press('No further drive today.');
    expect(text()).toContain('No further drive today for');
    // As after the handover or a reload.
    fixture.destroy();
    TestBed.resetTestingModule();
    const again = await show(Counter, data);
    expect(again.text()).not.toContain('is parked');
    await again.press(/^Debriefed: Piet Verhoeve$/);
    expect(data.state().drives.get('d2')!.stage).toBe('done');
    expect(again.text()).not.toContain('Debriefed');
    localStorage.removeItem('joylap.carsLeft');
  });

  it('asks the marshal for one more lap, and says so until there is an answer', async () => {
    const { data, press, text, follow } = await ofIfe('10:21:25');
    await press('Ask for one more lap: traffic');
    expect(text()).toContain('Asked for one more lap: traffic');
    data.record({ kind: 'extraLapGranted', drive: 'd2' }, '10:21:40');
    data.clockS.set(at('10:21:41'));
    await follow();
    expect(text()).not.toContain('Asked for one more lap');
    expect(data.state().drives.get('d2')!.extraLaps).toBe(1);
  });

  it('goes on at the parked car: fuel by quarters, a fault where it is, the card, and whom I get next', async () => {
    const { data, press, text, key, element, follow } = await ofIfe('10:22:40');
    data.record({ kind: 'broughtIn', drive: 'd2' }, '10:22:50');
    data.record({ kind: 'parked', drive: 'd2' }, '10:23');
    data.clockS.set(at('10:23:05'));
    await follow();
    await press(/^Fuel ½/);
    await key(element.querySelector('[aria-label="Fault: rear"]')!, 'Enter');
    await press(/Hand over the card/);
    expect(data.kinds().slice(-3)).toEqual(['fuelRead', 'faultFound', 'cardMoved']);
    expect(
      data
        .entries()
        .slice(-3)
        .every(({ entry }) => 'car' in entry && entry.car === 'c2'),
    ).toBeTrue();
    expect(text()).toContain('Card is handed over');
    await press('No further drive today.');
    expect(text()).toContain('No further drive today for');
  });

  it('keeps an intervention with its lap', async () => {
    const { data, press } = await ofIfe('10:20:40');
    await press('I had to brake or steer');
    expect(
      data
        .state()
        .drives.get('d2')!
        .interventions.map(({ lap }) => lap),
    ).toEqual([1]);
  });

  it('asks who counts on this phone', async () => {
    const { text, press } = await show(Counter, running('10:21'));
    expect(text()).toContain('Who counts on this phone?');
    await press('Ife Okoro');
    expect(text()).toContain('Piet Verhoeve');
  });
});
