import { TestBed } from '@angular/core/testing';
import { circuitFile } from '@core/track/circuit/at-start';
import { legendOf, LEGENDS, type Circuit } from '@core/track/circuit';
import * as z from 'zod';
import { CircuitEditor } from './circuit-editor';
import { CircuitService } from '../../../shared/data/circuit.service';
import { show } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/two-guests';
import { LOOP } from '../../../testing/loop';

async function editor(circuit: Circuit | null = LOOP) {
  const shown = await show(CircuitEditor, dayAt('10:00'));
  const service = TestBed.inject(CircuitService);
  service.stored.set({ version: circuit ? 4 : 0, circuit });
  service.draft.set(circuit ?? undefined);
  await shown.follow();
  const map = () => shown.element.querySelector<SVGSVGElement>('jl-circuit-map svg')!;
  const key = async (name: string, more: KeyboardEventInit = {}) => {
    map().dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, ...more }));
    await shown.follow();
  };
  const mode = async (label: string) => {
    await shown.press(label);
    await shown.follow();
  };
  return { shown, service, key, mode };
}

describe('The editor of the circuit', () => {
  it('keeps what is moved while the circuit is being saved, to be saved', async () => {
    const { shown, service, key, mode } = await editor();
    await mode('Line');
    await key('.');
    await key('ArrowRight');
    const first = service.draft()!;
    await shown.press('Save');
    await key('ArrowRight');
    const second = service.draft()!;
    shown.http.expectOne({ method: 'PUT', url: '/api/circuit' }).flush({ version: 5, circuit: first });
    await shown.follow();
    expect(service.draft()).toBe(second);
    expect([service.changed(), service.canUndo()]).toEqual([true, true]);
    await shown.press('Save');
    const { body } = shown.http.expectOne({ method: 'PUT', url: '/api/circuit' }).request;
    expect(body.version).toBe(5);
  });

  it('moves a point of the line by keys, and takes it back and does it again', async () => {
    const { service, key, mode } = await editor();
    await mode('Line');
    await key('.');
    await key('.');
    await key('ArrowRight');
    await key('ArrowUp', { shiftKey: true });
    const [, before] = LOOP.line;
    const moved = service.draft()!.line[1]!;
    expect(moved.xM - before!.xM).toBeCloseTo(0.5, 2);
    expect(moved.yM - before!.yM).toBeCloseTo(5, 2);
    expect(service.changed()).toBe(true);
    await key('z', { ctrlKey: true });
    await key('z', { ctrlKey: true });
    expect(service.draft()).toBe(LOOP);
    expect(service.changed()).toBe(false);
    await key('z', { ctrlKey: true, shiftKey: true });
    expect(service.draft()!.line[1]!.xM).toBeCloseTo(before!.xM + 0.5, 2);
  });

  it('leaves keys of a text field to the field', async () => {
    const { shown, service, key, mode } = await editor();
    await mode('Line');
    await key('.');
    await key('ArrowRight');
    const field = document.createElement('input');
    shown.element.append(field);
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    expect(service.changed()).toBe(true);
  });

  it('moves a name along the lap, renames it, and takes it away', async () => {
    const { shown, service, key, mode } = await editor();
    await mode('Names');
    await key('.');
    expect(shown.text()).toContain('180 m from the start line');
    await key('ArrowRight', { shiftKey: true });
    expect(service.draft()!.corners[0]!.atM).not.toBe(180);
    const name = shown.element.querySelector<HTMLInputElement>('aside input')!;
    name.value = '  Long Ramp ';
    name.dispatchEvent(new Event('change'));
    await shown.follow();
    expect(service.draft()!.corners[0]!.name).toBe('Long Ramp');
    await shown.press('Remove the name');
    expect(service.draft()!.corners.map((corner) => corner.name)).toEqual(['Slip']);
  });

  it('drives the other way round: left becomes right, and twice round is as before', async () => {
    const line = LOOP.line.map((point) => ({ ...point, rightM: 9 }));
    const { shown, service, mode } = await editor({ ...LOOP, line });
    await mode('Line');
    await shown.press('Drive it the other way round');
    await shown.follow();
    const once = service.draft()!;
    expect([once.line[0]!.leftM, once.line[0]!.rightM]).toEqual([9, 6]);
    expect(once.corners.map(({ name }) => name)).toEqual(['Slip', 'Ramp']);
    await shown.press('Drive it the other way round');
    await shown.follow();
    const twice = service.draft()!;
    expect(twice.line).toEqual(line);
    expect(twice.corners).toEqual(LOOP.corners.map((corner) => ({ ...corner })));
    expect(twice.pitExitM).toBe(40);
  });

  it('does not save what nobody can drive, and says where the fault is', async () => {
    const { shown, service } = await editor();
    const line = LOOP.line.map((point, i) => (i === 7 ? { ...point, xM: point.xM + 900 } : point));
    service.change({ ...LOOP, line });
    await shown.follow();
    expect(shown.element.querySelector('[role=alert]')!.textContent).toMatch(/line\[\d\]: .*a jump of 9\d\d m/);
    const save = [...shown.element.querySelectorAll('button')].find((one) => one.textContent.trim() === 'Save')!;
    expect(save.disabled).toBe(true);
    await shown.press('Discard');
    expect(service.draft()).toBe(LOOP);
  });

  it('saves with the version it was read at; where somebody was first, theirs can be read', async () => {
    const { shown, service } = await editor();
    service.change({ ...LOOP, name: 'Loop by the lake' });
    await shown.follow();
    await shown.press('Save');
    const put = shown.http.expectOne({ method: 'PUT', url: '/api/circuit' });
    expect([put.request.body.version, put.request.body.circuit.name]).toEqual([4, 'Loop by the lake']);
    const detail = 'Somebody else has changed the circuit meanwhile. Nothing of yours is saved yet.';
    put.flush({ type: 'about:blank', title: 'Conflict', status: 409, detail }, { status: 409, statusText: 'Conflict' });
    await shown.follow();
    expect(shown.text()).toContain(detail);
    // Nothing of one's own is lost before one has decided.
    expect(service.draft()!.name).toBe('Loop by the lake');
    await shown.press('Read theirs, drop mine');
    shown.http.expectOne({ method: 'GET', url: '/api/circuit' });
  });

  it('says what can be imported where there is no circuit yet', async () => {
    const { shown } = await editor(null);
    expect(shown.text()).toContain(
      'There is no circuit yet. Draw it, on an empty sheet or over a picture, or import one: GeoJSON',
    );
    expect(legendOf(undefined)).toBe(LEGENDS[0]!);
    expect(circuitFile.safeEncode(LOOP).success && z.encode(circuitFile, LOOP).name).toBe('Loop');
  });
});
