import { ImportDialog } from './import-dialog';
import { chooseFile } from '../../../testing/choose-file';
import { show } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/left-out-day';

describe('The import', () => {
  it('refuses a file that is no text before anything is sent', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    await chooseFile('#booking-file', new Uint8Array([0x50, 0x4b, 0x00, 0x04]), 'old.xlsx');
    await fixture.whenStable();
    expect(document.body.textContent).toContain('old.xlsx is no text; save the list as CSV');
    http.expectNone('/api/days/2027-05-22/bookings/preview');
  });

  it('shows faulty rows first, and imports the good ones', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    await chooseFile('#booking-file', 'reference,name', 'list.csv');
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
      missingColumns: [],
      columns: ['reference', 'name', 'notes'],
      unknownCars: [],
      unknownLanguages: [{ name: 'Platt', rows: 1 }],
      prices: [{ car: 'c1', name: 'Dunnock Cup', lapPrice: 24 }],
      firstFault: { line: 3, headers: ['Name', 'Zeit'], cells: ['X', ''], at: 1, reason: 'is empty' },
      rows: [row(2, 'added'), row(3, 'faulty', [{ column: 'arrives', reason: 'is empty' }])],
    });
    await fixture.whenStable();
    const rows = [...document.querySelectorAll('.rows tbody tr')].map((one) => one.className);
    expect(rows).toEqual(['faulty', 'added']);
    expect(document.querySelector('.bad')?.textContent).toBe('(empty)');
    for (const group of ['Columns that are not known', 'Languages that are not known', 'Prices']) {
      expect(document.querySelector(`[aria-label="${group}"]`))
        .withContext(group)
        .not.toBeNull();
    }
    [...document.querySelectorAll('button')]
      .find((button) => button.textContent?.includes('Import 1 good rows'))!
      .click();
    expect(http.expectOne('/api/days/2027-05-22/bookings/import').request.body).toEqual({
      csv: 'reference,name',
      words: [],
    });
  });

  it('proposes the nearest car and no new one, reads for other days, and keeps its answers when it is left', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true });
    await fixture.whenStable();
    const input = document.querySelector<HTMLInputElement>('#booking-file')!;
    const choose = () => chooseFile('#booking-file', 'reference,name', 'list.csv');
    await choose();
    // So that a browser tells when the same file is chosen again.
    expect(input.value).toBe('');
    const preview = {
      ...{ delimiter: ';', decimalComma: true, unknownColumns: [], missingColumns: [], columns: [], firstFault: null },
      ...{ unknownLanguages: [], prices: [] },
      unknownCars: [
        { name: 'Dunock', rows: 2, nearest: 'c1' },
        { name: 'Unheard', rows: 1 },
      ],
      rows: [
        { line: 2, reference: '', name: 'X', outcome: 'otherDay', changes: [], faults: [], date: '2027-05-23' },
        { line: 3, reference: '', name: 'Y', outcome: 'otherDay', changes: [], faults: [], date: '2027-05-23' },
      ],
    };
    const asked = (date: string) => http.expectOne(`/api/days/${date}/bookings/preview`);
    asked('2027-05-22').flush(preview);
    await fixture.whenStable();
    const chosen = [...document.querySelectorAll('[aria-label="Cars that are not in the fleet"] p-select')].map((one) =>
      one.textContent.trim(),
    );
    expect(chosen).toEqual([jasmine.stringMatching(/^it is /), 'choose']);
    const press = async (label: RegExp) => {
      [...document.querySelectorAll('button')].find(({ textContent }) => label.test(textContent))!.click();
      await fixture.whenStable();
    };
    await press(/^\s*These are the cars/);
    const said = asked('2027-05-22');
    expect(said.request.body.words).toEqual([{ kind: 'car', word: 'dunock', means: 'c1' }]);
    said.flush(preview);
    await fixture.whenStable();
    // Left, as by Escape, and opened again: it is read as it was left.
    fixture.componentRef.setInput('open', false);
    await fixture.whenStable();
    fixture.componentRef.setInput('open', true);
    await fixture.whenStable();
    const again = asked('2027-05-22');
    expect(again.request.body.words.length).toBe(1);
    again.flush(preview);
    await fixture.whenStable();
    await press(/2 rows of .*23 May 2027, make it an event day/);
    http
      .expectOne({ method: 'POST', url: '/api/days' })
      .flush({ date: '2027-05-23', bookings: 0, drives: 0, revision: null, practice: false, byCalendar: false });
    asked('2027-05-23').flush({ ...preview, rows: [] });
  });

  it('takes in cars and people by the same way', async () => {
    const { fixture, http } = await show(ImportDialog, dayAt('09:00'), { open: true, of: 'cars' });
    await fixture.whenStable();
    await chooseFile('#booking-file', 'number,name', 'cars.csv');
    const row = { line: 2, reference: '7', name: 'Corrin', outcome: 'added', changes: [], faults: [] };
    http.expectOne('/api/cars/preview').flush({
      ...{ delimiter: ',', decimalComma: false, unknownColumns: ['owner'], missingColumns: [], columns: ['number'] },
      ...{ firstFault: null, rows: [row] },
    });
    await fixture.whenStable();
    expect(document.body.textContent).toContain('Not known, left out: owner.');
    [...document.querySelectorAll('button')].find(({ textContent }) => textContent?.includes('Import 1 good'))!.click();
    expect(http.expectOne('/api/cars/import').request.body).toEqual({ csv: 'number,name' });
  });
});
