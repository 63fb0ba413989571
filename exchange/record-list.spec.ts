import { carFields, starterCar } from '@core/venue/fleet';
import { instructorFields } from '@core/people/crew/at-start';
import type { Json } from '@core/values';
import { anInstructor } from '@core/testing/small-day';
import * as z from 'zod';
import { crewColumns, crewList } from './crew-list';
import { CAR_COLUMNS, carList } from './fleet-list';
import { readRecordList, writeRecordList, type RecordListRead } from './record-list';

const AT = { currency: 'EUR', lapLengthM: 2000, available: [{ from: 32_400, to: 61_200 }] };
const car = starterCar('roadster', { ...AT, number: 4, name: 'Halyard', taken: new Set() });
const stored = [{ id: car.id, version: 3, fields: z.encode(carFields, car) as Json }];
const read = (csv: string, known = stored): RecordListRead => {
  const list = readRecordList(csv, carList(known, AT), known);
  if ('faults' in list) throw new Error(JSON.stringify(list.faults));
  return list;
};

describe('A list of cars', () => {
  it('comes in again as it went out, and changes nothing', () => {
    const csv = writeRecordList(CAR_COLUMNS, [stored[0]!.fields]);
    const { preview, records } = read(csv);
    expect([preview.rows.map(({ outcome }) => outcome), records]).toEqual([['unchanged'], []]);
    expect(preview.unknownColumns).toEqual([]);
  });

  it('goes out guarded where a cell begins like a formula, and comes in without the guard', () => {
    const odd = { ...stored[0]!.fields, name: '=HYPERLINK("x")' };
    const csv = writeRecordList(CAR_COLUMNS, [odd]);
    expect(csv).toContain(`'=HYPERLINK`);
    expect(read(csv, [{ ...stored[0]!, fields: odd }]).preview.rows.map(({ outcome }) => outcome)).toEqual([
      'unchanged',
    ]);
  });

  it('makes whole cars of what is new, and assumes nothing that the list has said', () => {
    const { records, preview } = read(
      'Nummer;Fahrzeug;Art;Preis;Rundenzeit;Getriebe\n7;Corrin;fierce one;45,50;62,3;paddles',
    );
    expect(preview.rows[0]!.outcome).toBe('added');
    const fresh = carFields.parse(records[0]!.fields);
    expect([fresh.id, fresh.kind, fresh.lapPrice, fresh.lapTimeS, fresh.gearboxes]).toEqual([
      'c7',
      'fierce',
      45.5,
      62.3,
      ['paddle'],
    ]);
    expect(fresh.assumed).not.toContain('lapTimeS');
    expect(fresh.assumed).toContain('fuel.capacityL');
  });

  it('changes what it says of a car that is there, clears what may be empty, and leaves the rest', () => {
    const { records } = read('number,name,level,colour\n4,Halyard GT,,');
    expect(records.map(({ id, version }) => [id, version])).toEqual([['c4', 3]]);
    const changed = carFields.parse(records[0]!.fields);
    expect([changed.name, changed.level, changed.colour, changed.lapPrice]).toEqual([
      'Halyard GT',
      car.level,
      undefined,
      car.lapPrice,
    ]);
  });

  it('tells the faulty rows by their cells, and takes none of them', () => {
    const { preview, records } = read('number,name,lap time s\n4,Halyard,fast\n5,Corrin,60\n5,Corrin,61\n,Lone,60');
    expect(preview.rows.map(({ outcome }) => outcome)).toEqual(['faulty', 'added', 'faulty', 'faulty']);
    expect(preview.firstFault).toEqual(
      jasmine.objectContaining({ line: 2, at: 2, reason: 'expected a number, got "fast"' }),
    );
    expect(records.length).toBe(1);
    expect(read('number,colour\n4,#336699').preview.missingColumns).toEqual(['name']);
  });
});

describe('A list of the crew', () => {
  const cars = [{ id: 'c4', name: 'Halyard', number: 4 }];
  const anselm = anInstructor({ cars: ['c4'] });
  const crew = [{ id: anselm.id, version: 1, fields: z.encode(instructorFields, anselm) as Json }];
  const readCrew = (csv: string) => {
    const list = readRecordList(csv, crewList(crew, cars, [{ from: '09:00', to: '17:00' }]), crew);
    if ('faults' in list) throw new Error(JSON.stringify(list.faults));
    return list;
  };

  it('comes in again as it went out', () => {
    const csv = writeRecordList(crewColumns(cars), [crew[0]!.fields]);
    expect(readCrew(csv).preview.rows.map(({ outcome }) => outcome)).toEqual(['unchanged']);
  });

  it('asks of somebody new for the name alone, and knows cars and languages by name', () => {
    const { records } = readCrew('name;languages;cars;class\nGwen Aske;Deutsch, en;Halyard;no\nHal Brim;;;');
    const [gwen, hal] = records.map(({ fields }) => instructorFields.parse(fields));
    expect([gwen!.languages, gwen!.cars, gwen!.brief]).toEqual([['de', 'en'], ['c4'], false]);
    expect([hal!.cars, hal!.brief, hal!.available.length]).toEqual(['all', true, 1]);
    expect(gwen!.id).not.toBe(hal!.id);
    expect(readCrew('name,cars\nGwen,Nothing').preview.firstFault?.reason).toBe('not known: "Nothing"');
  });
});
