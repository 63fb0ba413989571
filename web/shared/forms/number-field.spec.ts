import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { show } from '../../testing/fake-day';
import { seen } from '../../testing/two-guests';
import { NumberField } from './number-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `
    <jl-number
      ariaLabel="It"
      [unit]="unit()"
      [decimals]="decimals()"
      [min]="min()"
      [max]="max()"
      [ngModel]="value()"
      (ngModelChange)="value.set($event)"
    />
  `,
})
class Host {
  readonly unit = signal('l');
  readonly decimals = signal(2);
  readonly min = signal(-Infinity);
  readonly max = signal(Infinity);
  readonly value = signal<number | null>(60);
}

describe('A number field', () => {
  const shown = async (more: { unit?: string; decimals?: number; min?: number; max?: number } = {}) => {
    const { fixture, element, text, press, follow } = await show(Host, seen());
    const host = fixture.componentInstance;
    if (more.unit !== undefined) host.unit.set(more.unit);
    if (more.decimals !== undefined) host.decimals.set(more.decimals);
    if (more.min !== undefined) host.min.set(more.min);
    if (more.max !== undefined) host.max.set(more.max);
    await follow();
    const input = element.querySelector('input')!;
    const type = async (words: string, leave = true) => {
      input.value = words;
      input.dispatchEvent(new Event('input'));
      if (leave) input.dispatchEvent(new Event('blur'));
      await follow();
      return host.value();
    };
    return { host, input, text, press, type };
  };

  it('takes a comma for what it is, and shows at once what it has understood', async () => {
    const { type, text, input } = await shown();
    expect(await type('66,5', false)).toBe(66.5);
    expect(text()).toContain('= 66.5 l');
    expect(input.value).toBe('66,5');
    expect(await type('58,25')).toBe(58.25);
    expect(input.value).toBe('58.25');
  });

  it('asks where two readings are as good, and has no number until it is told', async () => {
    const { type, press, host, input } = await shown({ unit: 'EUR' });
    expect(await type('8.000')).toBeNull();
    await press('8000');
    expect([host.value(), input.value]).toEqual([8000, '8000']);
    expect(await type('8.000')).toBeNull();
    await press('8');
    expect(host.value()).toBe(8);
  });

  it('asks nothing where only one of them can be', async () => {
    const { type } = await shown({ max: 60 });
    expect(await type('8.000')).toBe(8);
  });

  it('says how a number is written where it cannot be read, and keeps what was typed', async () => {
    const { type, text, input } = await shown();
    expect(await type('1:02')).toBeNull();
    expect([input.value, input.getAttribute('aria-invalid')]).toEqual(['1:02', 'true']);
    expect(text()).toContain('write a number');
  });

  it('takes minutes where seconds are asked for', async () => {
    const { type, text } = await shown({ unit: 's', decimals: 1 });
    expect(await type('1:02', false)).toBe(62);
    expect(text()).toContain('= 62 s');
  });

  it('never turns a number out of bounds into one within', async () => {
    const { type, text } = await shown({ min: 1, max: 50, decimals: 0 });
    expect(await type('500')).toBeNull();
    expect(text()).toContain('1 to 50');
    expect(await type('6 laps')).toBeNull();
  });
});
