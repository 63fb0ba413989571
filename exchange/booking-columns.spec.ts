import { BOOKING_COLUMNS, CellError, normalHeader, type CellContext } from './booking-columns';

const context: CellContext = {
  cars: [{ id: 'c9', name: 'Sabrel R', number: 9 }],
  instructors: [{ id: 'i4', name: 'Ife Okoro' }],
  decimalComma: false,
  dateOrder: 'dayFirst' as const,
  reference: 'A1',
  driveIds: [],
};
const read = (header: string, cell: string, more: Partial<CellContext> = {}) =>
  BOOKING_COLUMNS.find((column) => column.header === header)!.read(cell, { ...context, ...more });
const refused = (header: string, cell: string) => {
  try {
    return `read as ${JSON.stringify(read(header, cell))}`;
  } catch (error) {
    return error instanceof CellError ? error.message : 'a defect';
  }
};

describe('A cell', () => {
  it('of a number follows the list’s decimal sign', () => {
    expect(read('weight kg', '1,072.5')).toBe(1072.5);
    expect(read('weight kg', '1.072,5', { decimalComma: true })).toBe(1072.5);
    expect(read('price', "1'250")).toBe(1250);
    expect(refused('weight kg', 'heavy')).toBe('expected a number, got "heavy"');
  });

  it('of a time takes a colon or a point', () => {
    expect([read('arrives', '9:40'), read('arrives', '09.40')]).toEqual([34_800, 34_800]);
    expect(refused('arrives', '24:10')).toContain('expected a time of day');
  });

  it('of a birthday takes the usual ways of writing it', () => {
    for (const text of ['1990-05-31', '31.5.1990', '31/5/1990', '31. Mai 1990']) {
      expect([text, read('birthday', text)]).toEqual([text, '1990-05-31']);
    }
    expect(refused('birthday', '1990-13-41')).toContain('expected a date');
  });

  it('of languages takes codes and names, and names what nobody knows', () => {
    expect(read('languages', 'en Deutsch; français')).toEqual(['en', 'de', 'fr']);
    expect(read('languages', 'German/Nederlands')).toEqual(['de', 'nl']);
    expect(refused('languages', 'en, Platt')).toContain('got "Platt"');
  });

  it('of a choice names the words it takes', () => {
    expect([read('pace', 'First time'), read('gearbox', 'automatic'), read('order', 'as listed')]).toEqual([
      'first',
      'auto',
      'asListed',
    ]);
    expect(refused('gearbox', 'stick')).toBe('expected automatic, auto, paddles, paddle, got "stick"');
    expect([read('touch prompt', 'x'), read('touch prompt', 'No')]).toEqual([true, false]);
    expect(refused('touch prompt', 'maybe')).toBe('expected yes or no, got "maybe"');
  });

  it('of people names them as the crew is named', () => {
    expect(read('prefers', 'ife okoro')).toEqual(['i4']);
    expect(refused('avoids', 'Nobody')).toBe('no instructor "Nobody" in the crew');
    expect(read('languages', 'en, de fr')).toEqual(['en', 'de', 'fr']);
  });

  it('of friends takes the references of their bookings', () => {
    expect(read('same time as', 'A2, A3 / A2')).toEqual(['A2', 'A3']);
  });

  it('of drives keeps the ids that a booking has', () => {
    expect(read('drives', 'Sabrel R × 5 + 9 x6', { driveIds: ['old-1'] })).toEqual([
      { id: 'old-1', cars: ['c9'], laps: 5 },
      { id: 'A1-2', cars: ['c9'], laps: 6 },
    ]);
  });
});

describe('A header', () => {
  it('is the same in any case, with spaces, dashes or underscores', () => {
    expect(['Leaves By', 'leaves_by', ' leaves-by '].map(normalHeader)).toEqual([
      'leaves by',
      'leaves by',
      'leaves by',
    ]);
  });
});
