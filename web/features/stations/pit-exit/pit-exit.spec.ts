import { at } from '@core/testing/small-day';
import { BreakOff } from './break-off';
import { IncidentForm } from './incident-form';
import { PitExit } from './pit-exit';
import type { RunningDrive } from './pit-exit-model';
import { show } from '../../../testing/fake-day';
import { dayAt, running, seen } from '../../../testing/two-guests';

describe('A car on the circuit', () => {
  it('that was let out by mistake waits at the exit again', async () => {
    const data = running('10:20:10');
    const { press, text } = await show(PitExit, data);
    await press('More for Piet Verhoeve');
    await press('Not let out after all: Piet Verhoeve');
    expect(data.state().drives.get('d2')!.stage).toBe('seated');
    expect(text()).toContain('Next out');
  });

  it('that breaks down stands there, is drawn and named in the incident, until it is in', async () => {
    const data = running('10:20:40');
    const { press, text, element, fixture } = await show(PitExit, data);
    const inDialog = async (name: string) => {
      const button = [...document.querySelectorAll<HTMLElement>('[role="dialog"] button')].find(
        (it) => it.textContent?.trim() === name,
      );
      if (!button) throw new Error(`no button ${name}`);
      button.click();
      await fixture.whenStable();
    };
    await press('More for Piet Verhoeve');
    await press('Break off…');
    await inDialog('fault of the car');
    await inDialog('Stands in the way');
    await inDialog('Break off');
    expect(data.kinds().slice(-2)).toEqual(['brokenOff', 'carHeld']);
    expect(text()).toContain('stands in the way');
    expect(element.querySelector('jl-circuit-view svg[role]')!.getAttribute('aria-label')).toContain('which stands');
    // The record of the incident has the car already.
    expect(document.querySelector('.cars [aria-pressed="true"]')!.textContent.trim()).toBe('2');
    const { standing } = data.state().drives.get('d2')!;
    expect(standing!.place).toBeGreaterThan(0);
    await press('Car of Piet Verhoeve is in');
    expect(data.state().drives.get('d2')!.stage).toBe('parked');
  });

  it('that was broken off or brought in by mistake drives on, and its car is held no more', async () => {
    const data = running('10:20:40');
    const { press, follow } = await show(PitExit, data);
    data.record({ kind: 'brokenOff', drive: 'd2', reason: 'fault', stands: { safe: true } });
    data.record({ kind: 'carHeld', car: 'c2', reason: 'smoke' });
    await follow();
    await press('Drives on after all: Piet Verhoeve');
    expect([data.state().drives.get('d2')!.stage, data.state().cars.get('c2')!.heldFor]).toEqual([
      'onCircuit',
      undefined,
    ]);
    data.record({ kind: 'broughtIn', drive: 'd2' });
    await follow();
    await press('Drives on after all: Piet Verhoeve');
    expect(data.state().drives.get('d2')!.stage).toBe('onCircuit');
    data.record({ kind: 'brokenOff', drive: 'd2', reason: 'unwell' });
    await follow();
    await press(/^Undo: .*Broken off.*Piet Verhoeve$/);
    expect(data.state().drives.get('d2')!.brokenOff).toBeUndefined();
  });
});

describe('A sighting run at the exit', () => {
  const briefed = (guests: string[]) => {
    const data = dayAt('09:50');
    for (const guest of ['g1', 'g2']) data.clear(guest, '09:10');
    data.record({ kind: 'classBegan', instructor: 'i1', guests }, '09:20');
    data.record({ kind: 'classEnded', instructor: 'i1', guests }, '09:45');
    return data;
  };

  it('is let out with those who are there, with advice like any car', async () => {
    const data = briefed(['g1', 'g2']);
    const { press, text } = await show(PitExit, data);
    expect(text()).toContain('Heron, sighting run');
    expect(text()).toContain('2 guests with');
    expect(text()).toMatch(/Let out now|clear/i);
    await press('Let out Heron');
    expect(data.state().sightings.get('s1')!.guests).toEqual(['g1', 'g2']);
    expect(text()).toContain('0 of 2 laps');
    await press('Heron is back');
    expect(data.state().sightings.size).toBe(0);
    expect(data.state().guests.get('g1')!.sighted).toBeTrue();
    expect(text()).not.toContain('Heron, sighting run');
  });

  it('says who is missing, and goes without them', async () => {
    const data = briefed(['g1']);
    const { press, text } = await show(PitExit, data);
    expect(text()).toContain('1 guest with Anselm Holt, 1 not there yet');
    await press('Let out Heron');
    expect(data.state().sightings.get('s1')!.guests).toEqual(['g1']);
  });
});

describe('The pit exit', () => {
  it('takes a guest from the seat to the stall', async () => {
    const data = seen();
    const { press, text, fixture } = await show(PitExit, data);
    const later = async (time: string) => {
      data.clockS.set(at(time));
      await fixture.whenStable();
    };
    await press('Seat Piet Verhoeve');
    expect(text()).toContain('Next out');
    await press('All checked: 2');
    await press('Let out 2');
    expect(text()).toContain('1 of 5 on the circuit');
    await later('10:21:20');
    await press('Count lap of Piet Verhoeve');
    expect(text()).toContain('last lap');
    await later('10:22:40');
    await press('Count lap of Piet Verhoeve');
    expect(text()).toContain('laps done');
    await press('Bring in Piet Verhoeve');
    expect(text()).toContain('In at the anchor board');
    await press('Park Piet Verhoeve');
    expect(data.state().guests.get('g2')!.stage).toBe('inDebrief');
    expect(data.refused).toEqual([]);
  });

  it('takes back by one tap what was entered by mistake, and puts laps right with a reason', async () => {
    const data = running('10:21:25');
    const { press, text, follow } = await show(PitExit, data);
    await press('More for Piet Verhoeve');
    await press('One more');
    expect(data.entries().at(-1)!.entry).toEqual(jasmine.objectContaining({ kind: 'lapsSettled', crossings: 1 }));
    await press(/Undo: .*Laps settled/);
    expect(data.state().drives.get('d2')!.crossings.length).toBe(0);
    await press('Enter it');
    expect(
      data
        .state()
        .drives.get('d2')!
        .crossings.map(({ atS }) => atS),
    ).toEqual([at('10:21:05')]);
    await press('Bring in Piet Verhoeve');
    await press(/Undo: .*Brought in/);
    expect(data.state().drives.get('d2')!.stage).toBe('onCircuit');
    data.clockS.set(at('10:22'));
    await press('Bring in Piet Verhoeve');
    await press('Park Piet Verhoeve');
    await press(/Undo: .*Parked/);
    expect(data.state().drives.get('d2')!.stage).toBe('rollingIn');
    data.clockS.set(at('10:25'));
    await follow();
    expect(text()).not.toContain('Undo');
  });

  it('is asked for one more lap by the instructor, and grants it or not', async () => {
    const data = running('10:21:25');
    data.record({ kind: 'extraLapAsked', drive: 'd2', reason: 'flag' }, '10:21:20');
    const { press, text, follow } = await show(PitExit, data);
    expect(text()).toContain('One more lap is asked for: a flag (');
    await press('No');
    expect(text()).not.toContain('One more lap is asked for');
    data.record({ kind: 'extraLapAsked', drive: 'd2', reason: 'traffic' }, '10:21:30');
    data.clockS.set(at('10:21:31'));
    await follow();
    await press('Grant it');
    expect(data.state().drives.get('d2')!.extraLaps).toBe(1);
  });

  it('offers to let out once everything is looked at, one by one or all at once', async () => {
    const data = seen();
    const { press, text } = await show(PitExit, data);
    await press('Seat Piet Verhoeve');
    expect(text()).not.toContain('Let out 2');
    await press('Strap');
    await press('Belts');
    expect(text()).toContain('Let out 2');
    expect(data.kinds().slice(-2)).toEqual(['lastCheckDone', 'lastCheckDone']);
  });

  it('says when the road is clear, and why to hold', async () => {
    const data = seen();
    const { press, text, fixture } = await show(PitExit, data);
    await press('Seat Piet Verhoeve');
    expect(text()).toContain('Clear now: no pass expected.');
    await press('Seat Ines Faro');
    await press('All checked: 1');
    await press('Let out 1');
    data.clockS.update((nowS) => nowS + 5);
    await fixture.whenStable();
    expect(text()).toMatch(/Hold \d+ s: \d+ s between two releases/);
  });

  it('shows both counts and lets somebody settle a difference', async () => {
    const data = running('10:22:40');
    data.record({ kind: 'lineCrossed', car: 'c2', ms: 120 }, '10:21:20');
    data.record({ kind: 'lapCounted', drive: 'd2', source: 'hand' }, '10:21:22');
    data.record({ kind: 'lineCrossed', car: 'c2', ms: 90 }, '10:22:41');
    data.clockS.set(at('10:23:10'));
    const { press, text } = await show(PitExit, data);
    expect(text()).toContain('loop 2, by hand 1: the smaller holds');
    expect(text()).toContain('1 of 2');
    await press('Loop is right');
    expect(text()).toContain('laps done');
  });

  it('marks a spoiled lap, and shows whom an extra one delays before it is granted', async () => {
    const data = running('10:20:30');
    const { press, element, text } = await show(PitExit, data);
    await press('More for Piet Verhoeve');
    await press('Lap spoiled');
    expect(text()).toContain('delays nobody');
    await press(/^Extra lap/);
    expect(element.querySelectorAll('.ring').length).toBe(1);
    expect(data.state().drives.get('d2')!.extraLaps).toBe(1);
  });

  it('is worked by keyboard', async () => {
    const data = running('10:21:20');
    const { element, key } = await show(PitExit, data);
    const main = element.querySelector('.columns')!;
    await key(main, 'ArrowDown');
    await key(main, 'm');
    await key(main, 's');
    await key(main, 'i');
    expect(data.kinds().slice(-3)).toEqual(['lapCounted', 'lapSpoiled', 'broughtIn']);
  });

  it('asks why a flag was called once there is time', async () => {
    const data = running('10:21');
    data.record({ kind: 'flagCalled', flag: 'stop' });
    const { press } = await show(PitExit, data);
    await press('debris');
    expect(data.state().flag.reason).toBe('debris');
  });

  it('says what it is: advice', async () => {
    const { text } = await show(PitExit, seen());
    expect(text()).toContain('the exit is opened by you, never by Joy Lap');
  });
});

describe('Breaking a drive off', () => {
  it('keeps the laps for the guest, and holds the car after a fault', async () => {
    const data = running('10:21');
    const drive = { id: 'd2', guest: 'Piet Verhoeve', carId: 'c2', due: 2, done: 0 } as RunningDrive;
    const { fixture } = await show(BreakOff, data, { drive });
    const press = (text: string) =>
      [...document.querySelectorAll<HTMLElement>('.p-dialog button')]
        .find((it) => it.textContent?.trim() === text)!
        .click();
    expect(document.querySelector('.p-dialog')!.textContent).toContain('2 laps are kept for the guest.');
    press('fault of the car');
    await fixture.whenStable();
    press('Break off');
    await fixture.whenStable();
    expect(data.kinds().slice(-2)).toEqual(['brokenOff', 'carHeld']);
  });
});

describe('An incident', () => {
  it('is kept with place, cars and people', async () => {
    const data = running('10:21');
    const { fixture } = await show(IncidentForm, data, { open: true });
    const dialog = document.querySelector('.p-dialog')!;
    const press = async (text: string) => {
      [...dialog.querySelectorAll<HTMLElement>('button')].find((it) => it.textContent?.trim() === text)!.click();
      await fixture.whenStable();
    };
    const what = dialog.querySelector<HTMLInputElement>('#incident-what')!;
    what.value = 'Spin, no contact';
    what.dispatchEvent(new Event('input'));
    dialog
      .querySelector('jl-circuit-view svg[role]')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await press('2');
    await press('unhurt');
    await press('Keep record');
    const [incident] = data.state().incidents;
    expect([incident?.what, incident?.cars, incident?.unhurt]).toEqual(['Spin, no contact', ['c2'], true]);
    expect(incident?.place).toBeCloseTo(0.01, 9);
  });
});
