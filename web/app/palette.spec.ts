import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { Palette } from './palette';
import { show } from '../testing/fake-day';
import { dayAt } from '../testing/left-out-day';

describe('The palette', () => {
  it('finds a guest by a few letters and goes there with Enter, however quickly', async () => {
    const { fixture } = await show(Palette, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    const input = document.querySelector<HTMLInputElement>('#palette-query')!;
    input.value = 'piet';
    input.dispatchEvent(new Event('input'));
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(went).toHaveBeenCalledWith(['/guests', 'g2']);
  });

  it('goes down its list with the arrow keys', async () => {
    const { fixture } = await show(Palette, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    const input = document.querySelector<HTMLInputElement>('#palette-query')!;
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', keyCode: 40 }));
    await fixture.whenStable();
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(went).toHaveBeenCalledWith(['/free'], {});
  });
});

describe('The palette, asked to do something', () => {
  const search = async (words: string) => {
    const data = dayAt('09:00');
    const { fixture } = await show(Palette, data, { open: true });
    await fixture.whenStable();
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    const input = document.querySelector<HTMLInputElement>('#palette-query')!;
    input.value = words;
    input.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    const labels = [...document.querySelectorAll('#palette-options .option span:first-child')].map(
      (it) => it.textContent,
    );
    const enter = () => input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    return { data, labels, enter, went };
  };

  it('asks the screens to do what their buttons do', async () => {
    const wet = await search('wet');
    expect(wet.labels).toEqual(['Condition changed']);
    wet.enter();
    expect(wet.went).toHaveBeenCalledWith(['/board'], { fragment: 'do:happened=condition' });
    TestBed.resetTestingModule();
    const walkIn = await search('walk-in');
    walkIn.enter();
    expect(walkIn.went).toHaveBeenCalledWith(['/bookings'], { fragment: 'do:walk-in' });
  });

  it('does not find things by the word for their kind', async () => {
    expect((await search('screen')).labels).toEqual([]);
    TestBed.resetTestingModule();
    expect((await search('guest card')).labels).toEqual([]);
  });
});
