import { readFileSync } from 'node:fs';
import { BOOKING_COLUMNS } from './booking-columns';
import { readBookingList, type BookingListContext } from './booking-list';

const context: BookingListContext = {
  date: '2027-05-22',
  cars: [
    { id: 'c4', name: 'Halyard GT', number: 4 },
    { id: 'c5', name: 'Halyard GT', number: 5 },
    { id: 'c9', name: 'Sabrel R', number: 9 },
  ],
  instructors: [{ id: 'i4', name: 'Ife Okoro' }],
  bookings: [],
};
const rowsOf = (csv: string, more: Partial<BookingListContext> = {}) => {
  const list = readBookingList(csv, { ...context, ...more });
  if (!list.ok) throw new Error(JSON.stringify(list.faults));
  return list.preview.rows;
};
const HEAD = 'reference,name,arrives,drives';
const faultsOf = (csv: string) =>
  rowsOf(csv).map(({ faults }) => faults.map(({ column, reason }) => `${column}: ${reason}`));

describe('A booking list', () => {
  it('leaves rows of other days out, each with its day, and tells a date that is none', () => {
    const [own, other, without, faulty] = rowsOf(
      'Datum;Name;Arrives;Drives\n22.5.2027;Ines;9:10;Sabrel R x5\n23.05.2027;Rui;9:20;Nobody x5\n;Piet;9:30;Sabrel R x5\n22.13.27;Ada;9:40;Sabrel R x5',
    );
    expect([own!.outcome, other!.outcome, other!.date, other!.name]).toEqual([
      'added',
      'otherDay',
      '2027-05-23',
      'Rui',
    ]);
    expect(without!.outcome).toBe('added');
    expect(faulty!.faults[0]).toEqual(jasmine.objectContaining({ column: 'Datum' }));
    // The month leads where the column shows it.
    const american = rowsOf(
      'event date,name,arrives,drives\n5/22/2027,Ines,9:10,Sabrel R x5\n5/2/27,Rui,9:10,Sabrel R x5',
    );
    expect(american.map(({ outcome, date }) => [outcome, date])).toEqual([
      ['added', undefined],
      ['otherDay', '2027-05-02'],
    ]);
  });

  it('turns a surname that stands first, knows a telephone, and leaves titles alone', () => {
    const rows = rowsOf(
      'name,arrives,drives,Handy\n"Faro, Ines",9:10,Sabrel R x5,+34 600 000 000\n"Alba, Jr.",9:10,Sabrel R x5,\n"Ada, Bo, Cy",9:10,Sabrel R x5,',
    );
    expect(rows.map(({ fields }) => fields!.name)).toEqual(['Ines Faro', 'Alba, Jr.', 'Ada, Bo, Cy']);
    expect(rows.map(({ reference }) => reference)[0]).toBe('ines-faro-0910');
    expect(rows[0]!.fields!.phone).toBe('+34 600 000 000');
  });

  it('finds the car that a misspelt one may be, and none where two are as near or none is near', () => {
    const cars = [
      { id: 'c1', name: 'Corrin', number: 1 },
      { id: 'c2', name: 'Halyard GT', number: 2 },
      { id: 'c3', name: 'Halyard GS', number: 3 },
      { id: 'c4', name: 'Sabrel R', number: 4 },
      { id: 'c5', name: 'Corrin', number: 5 },
    ];
    const list = readBookingList(
      `${HEAD}\nA1,Ines,9:10,Corin x5\nA2,Rui,9:10,Halyard GX x5\nA3,Ada,9:10,Tessel x5\nA4,Bo,9:10,sabrel-r x5`,
      { ...context, cars },
    );
    if (!list.ok) throw new Error('not read');
    expect(list.preview.unknownCars.map(({ name, nearest }) => [name, nearest])).toEqual([
      ['Corin', 'c1'],
      ['Halyard GX', undefined],
      ['Tessel', undefined],
      ['sabrel-r', 'c4'],
    ]);
  });

  it('knows a ride beside the instructor', () => {
    const [row] = rowsOf(`${HEAD}\nA1,Ines,9:10,ride Sabrel R x2 + Sabrel R x5`);
    expect(row!.fields!.drives.map(({ laps, ride }) => [laps, ride?.seats])).toEqual([
      [2, 1],
      [5, undefined],
    ]);
  });

  it('reads drives with alternatives, and a name that two cars share as either of them', () => {
    const [row] = rowsOf(`${HEAD}\nA1,Ines Faro,9:10,Halyard GT x5 + 9 / 4 x7`);
    expect(row!.fields!.drives).toEqual([
      { id: 'A1-1', cars: ['c4', 'c5'], laps: 5 },
      { id: 'A1-2', cars: ['c9', 'c4'], laps: 7 },
    ]);
    expect(row!.fields!.arrives).toBe(9 * 3600 + 600);
    expect(row!.outcome).toBe('added');
  });

  it('reads laps as people write them, in a column of their own and behind or before a car', () => {
    const inTwo = (laps: string) => rowsOf(`name,arrives,car,Runden\nInes,9:10,Sabrel R,${laps}`);
    for (const laps of ['6', 'x6', '6x', '6 laps', '6 Runden', '6 tours', '6 rd.', '6 vueltas']) {
      expect(inTwo(laps)[0]!.fields?.drives[0]!.laps).withContext(laps).toBe(6);
    }
    const inOne = (drives: string) =>
      rowsOf(`${HEAD}\nA1,Ines,9:10,${drives}`)[0]!.fields?.drives.map(({ laps }) => laps);
    for (const drives of ['Sabrel R 6 Runden', 'Sabrel R 6 laps', '6 laps Sabrel R', '6x Sabrel R', 'Sabrel R ×6']) {
      expect(inOne(drives)).withContext(drives).toEqual([6]);
    }
    expect(inOne('Sabrel R 5 laps + Halyard GT x7')).toEqual([5, 7]);
    expect(inOne('Sabrel 5 R')).toBeUndefined();
  });

  it('tells a faulty cell in the words of the list, and its examples by the fleet', () => {
    const csv = 'Name,Ankunft,Fahrzeug,Runden\nInes,9:10,Sabrel R,viele\nPiet,25:00,Sabrel R,6\nRui,9:00,Sabrel R,';
    const words = [
      { kind: 'column', word: 'ankunft', means: 'arrives' },
      { kind: 'column', word: 'fahrzeug', means: 'car' },
    ] as const;
    const told = rowsOf(csv, { words: [...words] }).map(({ faults }) =>
      faults.map(({ column, reason }) => `${column}: ${reason}`),
    );
    expect(told).toEqual([
      ['Runden: expected laps such as 6 or "6 laps", got "viele"'],
      ['Ankunft: expected a time of day such as 9:40, got "25:00"'],
      ['Runden: is empty'],
    ]);
  });

  it('recognises semicolons, tabs, a byte order mark and decimal commas', () => {
    const semicolons =
      '\uFEFFReference;Name;Arrives;Drives;Weight kg;Price\r\nA1;Ines;9:10;Sabrel R x5;72,5;1.250,00\r\n';
    expect(rowsOf(semicolons)[0]!.fields).toEqual(jasmine.objectContaining({ weightKg: 72.5, price: 1250 }));
    const tabs = 'reference\tname\tarrives\tdrives\tprice\nA1\tInes\t9:10\tSabrel R x5\t1,250.50';
    expect(rowsOf(tabs)[0]!.fields!.price).toBe(1250.5);
  });

  it('keeps quotes and line breaks in a field, and tells the line on which each row begins', () => {
    const csv = `${HEAD},notes\nA1,Ines,9:10,Sabrel R x5,"Says ""maybe"",\nring her"\nA2,Piet,9:20,Sabrel R x5,`;
    const rows = rowsOf(csv);
    expect(rows[0]!.fields!.notes).toBe('Says "maybe",\nring her');
    expect(rows.map(({ line }) => line)).toEqual([2, 4]);
  });

  it('names column and reason of everything that is wrong in a row', () => {
    const csv = `${HEAD},languages,email\nA1,,25:00,Unknown x5,en,\nA2,Piet,9:20,Sabrel R,en,piet\nA3,Rory,9:30,Sabrel R x60,en,`;
    expect(faultsOf(csv)).toEqual([
      [
        'name: is empty',
        'arrives: expected a time of day such as 9:40, got "25:00"',
        'drives: no car "Unknown" in the fleet',
      ],
      ['drives: expected a car and its laps such as "Halyard GT x5", got "Sabrel R"'],
      ['drives: expected 1 to 50 laps, got 60'],
    ]);
  });

  it('lets the booking schema have the last word', () => {
    const csv = `${HEAD},leaves by,email\nA1,Ines,9:10,Sabrel R x5,9:00,not-an-address`;
    expect(faultsOf(csv)[0]!.map((text) => text.split(':')[0])).toEqual(['email', 'leaves by']);
    expect(faultsOf(csv.replace('not-an-address', ''))[0]).toEqual([
      'leaves by: expected "leaves by" to be after the arrival',
    ]);
  });

  it('refuses a reference that stands twice, naming the first', () => {
    const csv = `${HEAD}\nA1,Ines,9:10,Sabrel R x5\nA1,Piet,9:20,Sabrel R x5`;
    expect(rowsOf(csv).map(({ outcome }) => outcome)).toEqual(['added', 'faulty']);
    expect(faultsOf(csv)[1]).toEqual(['reference: stands twice in the list, first on line 2']);
  });

  it('changes nothing when imported again, and says which columns of a changed row differ', () => {
    const csv = `${HEAD},party\nA1,Ines Faro,9:10,Sabrel R x5,Faro`;
    const fields = rowsOf(csv)[0]!.fields!;
    const bookings = [{ id: 'b1', version: 1, fields }];
    expect(rowsOf(csv, { bookings })[0]!.outcome).toBe('unchanged');
    const changed = rowsOf(csv.replace('x5', 'x7').replace('9:10', '9:20'), { bookings })[0]!;
    expect([changed.outcome, changed.changes]).toEqual(['changed', ['arrives', 'drives']]);
    expect(changed.fields!.drives[0]!.id).toBe(fields.drives[0]!.id);
  });

  it('leaves fields of columns that it lacks as they are, and clears those with an empty cell', () => {
    const full = rowsOf(`${HEAD},party,helmet\nA1,Ines Faro,9:10,Sabrel R x5,Faro,M`)[0]!.fields!;
    const bookings = [{ id: 'b1', version: 1, fields: full }];
    const next = rowsOf(`${HEAD},helmet\nA1,Ines Faro,9:10,Sabrel R x5,`, { bookings })[0]!.fields!;
    expect([next.party, next.helmet]).toEqual(['Faro', undefined]);
  });

  it('names the columns that it needs and has not, and reads no row without them', () => {
    const list = readBookingList('name,party\nInes,Faro', context);
    expect(list.ok && [list.preview.missingColumns, list.preview.rows]).toEqual([['arrives', 'drives'], []]);
    expect(readBookingList('', context).ok).toBe(false);
  });

  it('is read under the names that other languages and programs have for its columns', () => {
    const csv = 'Buchungsnr.;Gast;Ankunft;Fahrzeug;Anzahl Runden;Größe;Préis\nA1;Ines;9.10;Sabrel R;5;171,5;80';
    const [row] = rowsOf(csv.replace('Buchungsnr.', 'Buchungsnummer').replace('Préis', 'Preis'));
    expect(row!.fields).toEqual(
      jasmine.objectContaining({
        reference: 'A1',
        heightCm: 171.5,
        price: 80,
        drives: [{ id: 'A1-1', cars: ['c9'], laps: 5 }],
      }),
    );
    const [french] = rowsOf('Numéro,Nom,Heure d’arrivée,Voiture,Nombre de tours\nB2,Piet,9:20,4,6');
    expect(french!.fields).toEqual(jasmine.objectContaining({ reference: 'B2', name: 'Piet' }));
  });

  it('makes a reference where it has none, and finds the booking by it again', () => {
    const csv = 'guest,time,car,laps\nInês Faro,9:10,Sabrel R,5';
    const [row] = rowsOf(csv);
    expect([row!.reference, row!.outcome]).toEqual(['ines-faro-0910', 'added']);
    const bookings = [{ id: 'b1', version: 1, fields: row!.fields! }];
    expect(rowsOf(csv, { bookings })[0]!.outcome).toBe('unchanged');
    expect(rowsOf(csv.replace(',5', ',6'), { bookings })[0]!.outcome).toBe('changed');
  });

  it('goes by what the venue has said of its words: columns, languages and cars', () => {
    const csv = 'Kdnr;Wer;Wann;Wagen;Runden;Spricht\nA1;Ines;9:10;Der Rote;5;Platt';
    const words = [
      { kind: 'column', word: 'kdnr', means: 'reference' },
      { kind: 'column', word: 'wer', means: 'name' },
      { kind: 'column', word: 'wann', means: 'arrives' },
      { kind: 'column', word: 'spricht', means: 'languages' },
      { kind: 'language', word: 'platt', means: 'de' },
      { kind: 'car', word: 'der rote', means: 'c9' },
    ] as const;
    const [row] = rowsOf(csv, { words });
    expect(row!.faults).toEqual([]);
    expect([row!.fields!.languages, row!.fields!.drives[0]!.cars]).toEqual([['de'], ['c9']]);
    const plain = readBookingList(csv.replace('Wann', 'Ankunft').replace('Wer', 'Gast'), context);
    expect(plain.ok && plain.preview.unknownCars).toEqual([{ name: 'Der Rote', rows: 1 }]);
  });

  it('shows the first cell at fault in its row, with what would be right', () => {
    const list = readBookingList(`${HEAD}\nA1,Ines,9:10,9 x5\nA2,Piet,noon,9 x5`, context);
    expect(list.ok && list.preview.firstFault).toEqual({
      line: 3,
      headers: ['reference', 'name', 'arrives', 'drives'],
      cells: ['A2', 'Piet', 'noon', '9 x5'],
      at: 2,
      reason: 'expected a time of day such as 9:40, got "noon"',
    });
  });

  it('tells what a lap costs in cars without a price, by rows that book one alone', () => {
    const csv = `${HEAD};price\nA1;Ines;9:10;Sabrel R x5;100,00\nA2;Piet;9:20;Sabrel R x5;120,00\nA3;Ada;9:30;Corrin x4;60,00\nA4;Ben;9:30;Corrin x4 + Sabrel R x5;900,00`;
    const list = readBookingList(
      csv.replaceAll(',drives', ';drives').replaceAll('reference,name,arrives', 'reference;name;arrives'),
      context,
    );
    expect(list.ok && list.preview.prices).toEqual([{ car: 'c9', name: 'Sabrel R', lapPrice: 22 }]);
    expect(list.ok && list.preview.unknownCars).toEqual([{ name: 'Corrin', rows: 2, lapPrice: 15 }]);
  });

  it('names the cars that the fleet has not, so that they can be created', () => {
    const csv = `${HEAD}\nA1,Ines,9:10,Corrin x5 + 9 x5\nA2,Piet,9:20,Corrin / Marram x5`;
    const list = readBookingList(csv, context);
    expect(list.ok && list.preview.unknownCars).toEqual([
      { name: 'Corrin', rows: 2 },
      { name: 'Marram', rows: 1 },
    ]);
    expect(faultsOf(csv)[1]).toEqual(['drives: no car "Corrin", "Marram" in the fleet']);
  });

  it('is refused as a whole where quotes do not match', () => {
    const list = readBookingList(`${HEAD}\nA1,"Ines,9:10,Sabrel R x5`, context);
    expect(list.ok).toBe(false);
  });
  it('has every column on its page of the documentation', () => {
    const page = readFileSync('docs/bookings-csv.md', 'utf8');
    const missing = BOOKING_COLUMNS.filter(({ header }) => !page.includes(`\`${header}\``)).map(({ header }) => header);
    expect(missing).toEqual([]);
  });
});
