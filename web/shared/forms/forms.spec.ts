import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { providePrimeNG } from 'primeng/config';
import * as z from 'zod';
import { windowsOf, windowsText, withValues } from '@core/values';
import { recordValue, shownValue, valueText, type Field } from './fields';
import { RecordForm } from './record-form';

const field = (more: Partial<Field>): Field => ({ path: 'x', label: 'X', kind: 'text', ...more });

describe('Fields of a record', () => {
  it('read windows as people write them, with the reason of a closure', () => {
    const windows = windowsOf('8:30–12:00, 13:00 - 18:00 quiet half-hour');
    expect(windows).toEqual([
      { from: '08:30', to: '12:00' },
      { from: '13:00', to: '18:00', reason: 'quiet half-hour' },
    ]);
    expect(windowsText(windows)).toBe('08:30–12:00, 13:00–18:00 quiet half-hour');
  });

  it('read hours as people write them', () => {
    const read = (text: string) => windowsOf(text).map(({ from, to }) => `${from} ${to}`);
    for (const text of [
      '9-15',
      '9:00–15',
      '9 – 15:00',
      '9h-15h',
      '9 to 3 pm',
      '9am-3pm',
      '9 bis 15 Uhr',
      '09.00-15.00',
    ]) {
      expect(read(text)).withContext(text).toEqual(['09:00 15:00']);
    }
    expect(read('1 to 3 pm, 18-24')).toEqual(['13:00 15:00', '18:00 24:00']);
    expect(read('all day')).toEqual(['all day ']);
  });

  it('leave an empty optional value out, and keep an empty required one for the schema to refuse', () => {
    expect(recordValue(field({ optional: true }), '')).toBeUndefined();
    expect(recordValue(field({}), '')).toBe('');
    expect(recordValue(field({ kind: 'time' }), '9:40')).toBe('09:40');
    expect(recordValue(field({ kind: 'words' }), 'en, de  fr')).toEqual(['en', 'de', 'fr']);
  });

  it('read lists of numbers with decimal commas and with points', () => {
    const numbers = (text: string) => recordValue(field({ kind: 'numbers' }), text);
    for (const text of ['3.8, 2.2, 1.5', '3.8,2.2,1.5', '3,8 2,2 1,5', '3,8; 2,2; 1,5', '3,8, 2,2, 1,5']) {
      expect(numbers(text)).withContext(text).toEqual([3.8, 2.2, 1.5]);
    }
    expect([numbers('4,5,6'), numbers('3.8, x')]).toEqual([
      [4, 5, 6],
      [3.8, NaN],
    ]);
    const curve = recordValue(field({ kind: 'curve' }), '2000 70,5, 3000 130');
    expect(curve).toEqual([
      { rpm: 2000, kW: 70.5 },
      { rpm: 3000, kW: 130 },
    ]);
  });

  it('show what is not there as empty', () => {
    expect([
      shownValue(field({}), undefined),
      shownValue(field({ kind: 'number' }), undefined),
      shownValue(field({ kind: 'yes' }), undefined),
    ]).toEqual(['', null, false]);
    expect(valueText(field({}), undefined)).toBe('empty');
  });

  it('are put into the record without touching the rest', () => {
    const record = { fuel: { capacityL: 60, startL: 50 }, name: 'Sabrel R' };
    expect(
      withValues(record, [
        { path: 'fuel.startL', value: 40 },
        { path: 'name', value: undefined },
        { path: 'fit.maxHeightCm', value: 190 },
      ]),
    ).toEqual({
      fuel: { capacityL: 60, startL: 40 },
      fit: { maxHeightCm: 190 },
    });
    expect(record.fuel.startL).toBe(50);
  });
});

describe('A record form', () => {
  const schema = z.strictObject({ name: z.string().min(1, 'expected a name'), party: z.string().optional() });
  const fields = [field({ path: 'name', label: 'Name' }), field({ path: 'party', label: 'Party', optional: true })];

  async function open(record: Record<string, unknown>) {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), providePrimeNG()] });
    const fixture = TestBed.createComponent(RecordForm);
    fixture.componentRef.setInput('fields', fields);
    fixture.componentRef.setInput('schema', schema);
    fixture.componentRef.setInput('record', record);
    const saved: unknown[] = [];
    fixture.componentInstance.saved.subscribe((value) => saved.push(value));
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const type = (id: string, text: string) => {
      const input = element.querySelector<HTMLInputElement>(`#${id}`)!;
      input.value = text;
      input.dispatchEvent(new Event('input'));
    };
    const submit = async () => {
      element.querySelector('form')!.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    return { fixture, element, saved, type, submit };
  }

  it('shows the schema’s fault under its field and saves nothing', async () => {
    const { element, saved, type, submit } = await open({ name: 'Ines' });
    type('field-name', '');
    await submit();
    expect(element.textContent).toContain('expected a name');
    expect(saved).toEqual([]);
  });

  it('gives the checked record, without what is empty', async () => {
    const { saved, type, submit } = await open({ name: 'Ines', party: 'Faro' });
    type('field-name', 'Ines Faro');
    type('field-party', '');
    await submit();
    expect(saved).toEqual([{ name: 'Ines Faro' }]);
  });

  it('keeps what was typed when its fields are made anew', async () => {
    const { fixture, saved, type, submit } = await open({ name: 'Ines' });
    type('field-name', 'Ines Faro');
    fixture.componentRef.setInput('fields', [...fields]);
    await fixture.whenStable();
    await submit();
    expect(saved).toEqual([{ name: 'Ines Faro' }]);
  });

  it('works a field out again when what it follows from arrives late, until somebody types in it', async () => {
    const { fixture, element, type } = await open({ name: 'Ines', party: '' });
    const list = signal('');
    fixture.componentRef.setInput('follows', new Map([['party', () => list()]]));
    const party = () => element.querySelector<HTMLInputElement>('#field-party')!.value;
    list.set('Faro');
    await fixture.whenStable();
    expect(party()).toBe('Faro');
    type('field-party', 'Lund');
    list.set('Other');
    await fixture.whenStable();
    expect(party()).toBe('Lund');
  });

  it('shows both versions on a conflict, only where they differ', async () => {
    const { fixture, element, type } = await open({ name: 'Ines', party: 'Faro' });
    type('field-name', 'Ines F');
    fixture.componentRef.setInput('conflict', {
      message: 'Changed meanwhile.',
      current: { name: 'Ines Faro', party: 'Faro' },
    });
    await fixture.whenStable();
    const rows = [...element.querySelectorAll('tbody tr')].map((row) => row.textContent?.trim());
    expect(rows).toEqual(['NameInes FaroInes F']);
  });
});
