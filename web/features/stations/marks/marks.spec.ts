import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { mapOf, type CircuitMap } from '@core/track/circuit';
import { show } from '../../../testing/fake-day';
import { LOOP } from '../../../testing/loop';
import { seen } from '../../../testing/two-guests';
import { CornerPicker } from './corner-picker';
import { Marks } from './marks';

function parked() {
  const it = seen();
  it.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '10:11');
  it.record({ kind: 'released', drive: 'd1' }, '10:15');
  for (const time of ['10:16:20', '10:17:39', '10:18:58']) {
    it.record({ kind: 'lapCounted', drive: 'd1', source: 'hand' }, time);
  }
  it.record({ kind: 'intervened', drive: 'd1', lap: 2, corner: 'Ramp' }, '10:17:40');
  it.record({ kind: 'broughtIn', drive: 'd1' }, '10:21:50');
  it.record({ kind: 'parked', drive: 'd1' }, '10:23');
  it.clockS.set(10 * 3600 + 24 * 60);
  it.view.update((view) => ({ ...view, map: mapOf(LOOP) as never }));
  return it;
}

async function marking(data = parked(), id = 'd1') {
  const shown = await show(Marks, data, { id });
  const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
  const section = (name: string) => shown.element.querySelector(`section[aria-label="${name}"]`);
  const tap = async (place: string, text: string | RegExp) => {
    const button = [...section(place)!.querySelectorAll('button')].find((one) =>
      typeof text === 'string' ? one.textContent.trim() === text : text.test(one.textContent),
    );
    button!.click();
    await shown.follow();
  };
  const entry = () => data.written().findLast(({ entry: { kind } }) => kind === 'driveMarked')?.entry;
  const listed = () =>
    [...shown.element.querySelectorAll('ul[aria-label="Marked"] li')].map((li) =>
      li.textContent.replace('×', '').trim(),
    );
  return { data, shown, tap, section, entry, listed, went };
}

describe('Marks on the walk back', () => {
  it('are six taps: corner, phase, fault, what was good, ready for what, done', async () => {
    const { data, shown, tap, entry, went } = await marking();
    await tap('Where', 'Ramp');
    await tap('Phase', 'Turn in');
    await tap('Fault', /./);
    await tap('Good', /./);
    await tap('Ready for', 'Not yet');
    await shown.press('Save, debrief done');
    const marked = entry()!;
    expect(marked).toEqual(jasmine.objectContaining({ drive: 'd1', ready: 'notYet' }));
    expect('marks' in marked && marked.marks).toEqual([{ fault: jasmine.any(String) as never, corner: 'Ramp' }]);
    expect(data.kinds().slice(-2)).toEqual(['driveMarked', 'debriefed']);
    expect(data.state().drives.get('d1')!.stage).toBe('done');
    expect(went).toHaveBeenCalledWith(['/handover']);
  });

  it('ask for a phase only where a corner is chosen, and for a fault only where a phase is', async () => {
    const { section, tap } = await marking();
    expect([section('Phase'), section('Fault')]).toEqual([null, null]);
    await tap('Where', 'everywhere');
    expect(section('Phase')).not.toBeNull();
    expect(section('Fault')).toBeNull();
    await tap('Phase', 'Look');
    expect(section('Fault')!.querySelectorAll('button').length).toBeGreaterThan(0);
  });

  it('may be of one lap, count once, and be dropped again', async () => {
    const { tap, listed, shown } = await marking();
    await tap('Where', 'Slip');
    await tap('Phase', 'Brake');
    await tap('In which lap, if that matters', '2');
    await tap('Fault', /./);
    expect(listed()).toEqual([jasmine.stringMatching(/, Slip, lap 2$/)]);
    await tap('Phase', 'Brake');
    await tap('Fault', /./);
    expect(listed().length).toBe(1);
    await shown.press(/^Drop /);
    await shown.follow();
    expect(listed()).toEqual([]);
  });

  it('of everywhere name no corner', async () => {
    const { tap, entry, shown } = await marking();
    await tap('Where', 'everywhere');
    await tap('Phase', 'Look');
    await tap('Fault', /./);
    await shown.press('Save, debrief done');
    const marked = entry()!;
    expect('marks' in marked && 'corner' in marked.marks[0]!).toBeFalse();
  });

  it('take praise and readiness back with a second tap', async () => {
    const { tap, entry, shown } = await marking();
    await tap('Good', /./);
    await tap('Good', /./);
    await tap('Ready for', 'Ready for paddles');
    await tap('Ready for', 'Ready for paddles');
    await shown.press('Save, debrief done');
    expect(entry()).toEqual(jasmine.objectContaining({ marks: [] }));
    expect(entry()).not.toEqual(jasmine.objectContaining({ good: jasmine.any(String) }));
  });

  it('remind of where the instructor had to brake or steer, and of what somebody has marked already', async () => {
    const data = parked();
    data.record({ kind: 'driveMarked', drive: 'd1', marks: [{ fault: 'turns-early', corner: 'Ramp' }] }, '10:23:30');
    const { shown } = await marking(data);
    expect(shown.text()).toContain('You had to brake or steer: lap 2, Ramp');
    expect(shown.text()).toContain('Marked before by Test: 1 fault');
  });

  it('are not taken of a drive that has not been driven, nor of one that nobody knows', async () => {
    const { shown } = await marking(seen());
    expect(shown.text()).toContain('This drive has not been driven yet.');
    TestBed.resetTestingModule();
    const unknown = await marking(seen(), 'nothing');
    expect(unknown.shown.text()).toContain('There is no such drive today.');
  });

  it('stay on screen where they are refused', async () => {
    const { data, tap, listed, shown, went } = await marking();
    await tap('Where', 'Ramp');
    await tap('Phase', 'Exit');
    await tap('Fault', /./);
    spyOn(data, 'record').and.returnValue(false);
    await shown.press('Save, debrief done');
    expect(listed().length).toBe(1);
    expect(went).not.toHaveBeenCalled();
  });
});

describe('The corners to tap', () => {
  const crowded = (count: number): CircuitMap => {
    const map = mapOf(LOOP);
    const [corner] = map.corners;
    return { ...map, corners: Array.from({ length: count }, (_, i) => ({ ...corner!, name: `Corner ${i + 1}` })) };
  };

  it('do not lie on each other, even where they are close on the road', async () => {
    const { element } = await show(CornerPicker, seen(), { map: crowded(4) });
    const places = [...element.querySelectorAll<HTMLElement>('.map button')].map(({ style }) => ({
      left: Number.parseFloat(style.left),
      top: Number.parseFloat(style.top),
    }));
    expect(places.length).toBe(4);
    for (const [i, one] of places.entries()) {
      for (const other of places.slice(i + 1)) {
        expect(Math.abs(one.left - other.left) >= 15 || Math.abs(one.top - other.top) >= 10)
          .withContext(JSON.stringify(places))
          .toBeTrue();
      }
    }
  });

  it('are everywhere alone where there is no map', async () => {
    const { element, fixture } = await show(CornerPicker, seen());
    const told: string[] = [];
    fixture.componentInstance.picked.subscribe((name) => told.push(name));
    const buttons = [...element.querySelectorAll('button')];
    expect(buttons.map((one) => one.textContent.trim())).toEqual(['everywhere']);
    buttons[0]!.click();
    expect(told).toEqual(['']);
  });
});
