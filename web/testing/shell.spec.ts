import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { aDay, aGuest, anInstructor, aCar, aPlan, at, drive } from '@core/testing/small-day';
import { Board } from '../board/board';
import { DrivesField } from '../forms/drives-field';
import { ImportDialog } from '../bookings/import-dialog';
import { RecordEditor, type Edited } from '../forms/record-editor';
import { ApiError } from '../data/api';
import { Palette } from '../shell/palette';
import { Ribbon } from '../shell/ribbon';
import { of, throwError } from 'rxjs';
import * as z from 'zod';
import { FakeDay, show } from './fake-day';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [
    aGuest({
      name: 'Ines Faro',
      drives: [
        { id: 'd1', cars: ['c1'], laps: 5 },
        { id: 'd3', cars: ['c1'], laps: 5 },
      ],
    }),
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] }),
  ],
});
const plan = aPlan({
  drives: [drive('10:00'), drive('11:00', { drive: 'd2', car: 'c2', instructor: 'i2' })],
  unplanned: [{ drive: 'd3', reason: 'Dunnock Cup is taken until 18:00; another car would do.' }],
});
const dayAt = (time: string) => new FakeDay(day, plan, time);

describe('The ribbon', () => {
  const ribbon = (element: HTMLElement) => element.querySelector('svg')!;

  it('shows another time by keyboard, and comes back to now', async () => {
    const data = dayAt('10:00');
    const { element, key } = await show(Ribbon, data);
    await key(ribbon(element), 'ArrowLeft');
    expect([data.shownS(), data.live()]).toEqual([at('09:55'), false]);
    await key(ribbon(element), 'PageDown');
    expect(data.shownS()).toBe(at('08:55'));
    await key(ribbon(element), 'PageDown');
    expect(data.shownS()).toBe(day.opens);
    await key(ribbon(element), 'Escape');
    expect(data.live()).toBeTrue();
  });

  it('shows the time under the pointer, and now where the pointer comes near it', async () => {
    const data = dayAt('10:00');
    const { element, fixture } = await show(Ribbon, data);
    const svg = ribbon(element);
    svg.setPointerCapture = () => undefined;
    const { left, width } = svg.getBoundingClientRect();
    const x = (time: string) => left + 18 + ((at(time) - day.opens) / (day.closes - day.opens)) * (width - 36);
    const down = (time: string) =>
      svg.dispatchEvent(new PointerEvent('pointerdown', { clientX: x(time), bubbles: true }));
    down('15:00');
    await fixture.whenStable();
    expect(Math.abs(data.shownS() - at('15:00'))).toBeLessThan(120);
    down('10:00');
    expect(data.live()).toBeTrue();
  });

  it('says the time and the load to those who do not see it', async () => {
    const { element } = await show(Ribbon, dayAt('10:00'));
    expect(ribbon(element).getAttribute('aria-valuetext')).toBe('10:00, now, 0 on the circuit');
    // Two of ten hours are over; a bar stands for five minutes.
    expect(element.querySelectorAll('.planned').length).toBe(96);
    expect(element.querySelectorAll('.driven').length).toBe(24);
  });
});

describe('The board', () => {
  it('opens a drive, moves on by arrow keys, and closes it with Escape', async () => {
    const { element, key, text } = await show(Board, dayAt('09:00'));
    const blocks = () => [...element.querySelectorAll<SVGGElement>('.drive')];
    expect(blocks().map((block) => block.getAttribute('tabindex'))).toEqual(['0', '-1']);
    await key(blocks()[0]!, 'ArrowDown');
    expect(document.activeElement).toBe(blocks()[1]!);
    await key(blocks()[1]!, 'Enter');
    expect(text()).toContain('seat 10:56, out 11:00, back 11:10');
    await key(element, 'Escape');
    expect(element.querySelector('aside')).toBeNull();
  });

  it('turns to crew and guests, and names what is left out', async () => {
    const { element, fixture, press, text } = await show(Board, dayAt('09:00'));
    const rows = () => [...element.querySelectorAll('.label b')].map((name) => name.textContent);
    expect(rows()).toEqual(['Dunnock Cup', 'Sabrel R']);
    await press('Crew');
    expect(rows()).toEqual(['Anselm Holt', 'Ife Okoro']);
    await press('Guests');
    expect(rows()).toEqual(['Ines Faro', 'Piet Verhoeve']);
    expect(text()).toContain('1 left out');
    await press('1 left out');
    // The panel is loaded when it is first opened.
    await new Promise((resolve) => setTimeout(resolve, 50));
    await fixture.whenStable();
    expect(element.querySelector('[aria-label="To solve"]')?.textContent).toContain('another car would do');
  });

  it('sends the manager to the bookings where nobody is booked', async () => {
    const { text } = await show(Board, new FakeDay(aDay({ guests: [] }), aPlan(), '09:00'));
    expect(text()).toContain('Nobody is booked for this day yet.');
  });

  it('makes blocks wider when zoomed in', async () => {
    const { element, press } = await show(Board, dayAt('10:00'));
    const width = () => element.querySelector<SVGPathElement>('.drive .outline')!.getBBox().width;
    const whole = width();
    await press('1 h');
    expect(width()).toBeGreaterThan(whole * 5);
    await press('Day');
    expect(width()).toBeCloseTo(whole, 1);
  });
});

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
    expect(went).toHaveBeenCalledWith(['/bookings'], {});
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

describe('The drives of a booking', () => {
  it('are added and removed, each with an id of its own', async () => {
    const { fixture, press } = await show(DrivesField, dayAt('09:00'), {
      cars: [{ label: '1 Dunnock Cup', value: 'c1' }],
    });
    const given: unknown[] = [];
    fixture.componentInstance.registerOnChange((drives) => given.push(drives));
    fixture.componentInstance.writeValue([{ id: 'old', cars: ['c1'], laps: 5, gearbox: 'auto' }]);
    await press('Add a drive');
    const two = given.at(-1) as { id: string; laps: number }[];
    expect(two.map(({ id, laps }) => [id === 'old', laps])).toEqual([
      [true, 5],
      [false, 5],
    ]);
    await press('Remove drive 1');
    expect((given.at(-1) as { id: string }[]).map(({ id }) => id)).toEqual([two[1]!.id]);
  });
});

describe('The import', () => {
  it('refuses a file that is not UTF-8 before anything is sent', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    const input = document.querySelector<HTMLInputElement>('#booking-file')!;
    const files = new DataTransfer();
    files.items.add(new File([new Uint8Array([0xe9, 0x0a])], 'old.csv'));
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    await new Promise((resolve) => setTimeout(resolve, 50));
    await fixture.whenStable();
    expect(document.body.textContent).toContain('old.csv is not UTF-8 text');
    http.expectNone('/api/days/2027-05-22/bookings/preview');
  });

  it('shows faulty rows first, and imports the good ones', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    const input = document.querySelector<HTMLInputElement>('#booking-file')!;
    const files = new DataTransfer();
    files.items.add(new File(['reference,name'], 'list.csv'));
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    await new Promise((resolve) => setTimeout(resolve, 50));
    const row = (line: number, outcome: string, faults: unknown[] = []) => ({
      line,
      reference: `A${line}`,
      name: 'X',
      outcome,
      changes: [],
      faults,
    });
    http.expectOne('/api/days/2027-05-22/bookings/preview').flush({
      delimiter: ';',
      decimalComma: true,
      unknownColumns: ['colour'],
      rows: [row(2, 'added'), row(3, 'faulty', [{ column: 'arrives', reason: 'is empty' }])],
    });
    await fixture.whenStable();
    const rows = [...document.querySelectorAll('tbody tr')].map((one) => one.className);
    expect(rows).toEqual(['faulty', 'added']);
    expect(document.body.textContent).toContain('Not known, left out: colour.');
    [...document.querySelectorAll('button')]
      .find((button) => button.textContent?.includes('Import 1 good rows'))!
      .click();
    expect(http.expectOne('/api/days/2027-05-22/bookings/import').request.body).toEqual({ csv: 'reference,name' });
  });
});

describe('The editor of a record', () => {
  const schema = z.strictObject({ name: z.string().min(1) });
  const fields = [{ path: 'name', label: 'Name', kind: 'text' as const }];

  it('saves at the version it was opened with, and over the other person’s only when told to', async () => {
    const versions: (number | undefined)[] = [];
    const problem = {
      type: '',
      title: '',
      status: 409,
      detail: 'Changed meanwhile.',
      current: { version: 5, fields: { name: 'Theirs' } },
    };
    const edited: Edited = {
      title: 'A record',
      fields: { name: 'Mine' },
      version: 4,
      save: (_, version) => {
        versions.push(version);
        return version === 5 ? of(undefined) : throwError(() => new ApiError(problem));
      },
    };
    const { fixture } = await show(RecordEditor, dayAt('09:00'), { edited, fields, schema });
    const done: string[] = [];
    fixture.componentInstance.done.subscribe((what) => done.push(what));
    await fixture.whenStable();
    const press = async (name: string) => {
      [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === name)!.click();
      await fixture.whenStable();
    };
    await press('Save');
    expect(document.querySelector('.conflict')?.textContent).toContain('Theirs');
    expect(done).toEqual([]);
    await press('Save mine over it');
    expect([versions, done]).toEqual([[4, 5], ['saved']]);
  });

  it('takes a thing away only when asked twice', async () => {
    let removed = 0;
    const edited: Edited = {
      title: 'A record',
      fields: { name: 'Mine' },
      version: 1,
      save: () => of(undefined),
      remove: { label: 'Take it away', run: () => of((removed += 1)) },
    };
    const { fixture } = await show(RecordEditor, dayAt('09:00'), { edited, fields, schema });
    await fixture.whenStable();
    const button = (name: string) =>
      [...document.querySelectorAll('button')].find((one) => one.textContent?.trim() === name)!;
    button('Take it away').click();
    await fixture.whenStable();
    expect(removed).toBe(0);
    button('Yes, take it away').click();
    expect(removed).toBe(1);
  });
});
