import * as z from 'zod';
import { ENTRY_SCHEMAS, journalEntry, type EntryKind } from './entry';
import { rulesOf } from '../kinds/registry';

interface Field {
  readonly type?: string;
  readonly maxLength?: number;
  readonly pattern?: string;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
}
const KINDS = Object.keys(ENTRY_SCHEMAS) as EntryKind[];
const fieldsOf = (kind: EntryKind) =>
  (z.toJSONSchema(ENTRY_SCHEMAS[kind] as z.ZodType, { io: 'input' }) as { properties: Record<string, Field> })
    .properties;

describe('The kinds of entry', () => {
  it('are read by the name under which they stand', () => {
    for (const kind of KINDS) expect(fieldsOf(kind)['kind']!.const).toBe(kind);
    expect(journalEntry.safeParse({ kind: 'tea', id: 'entry-0001', at: '10:00', by: 'Gate' }).success).toBe(false);
  });

  it('say of each field of free words whose they are, so that a guest’s can be erased', () => {
    const forgotten = KINDS.flatMap((kind) => {
      const { own = [], named = [] } = rulesOf({ kind }).words;
      const told = new Set<string>([...own, ...named]);
      return Object.entries(fieldsOf(kind))
        .filter(([name, { type, maxLength = 0, pattern, enum: few }]) => {
          const isFree = type === 'string' && maxLength >= 100 && !pattern && !few;
          // Who enters it is a name of the crew; a cone has one of the circuit's, a station one of the programme's.
          return isFree && !['by', 'cone', 'station'].includes(name) && !told.has(name);
        })
        .map(([name]) => `${kind}.${name}`);
    });
    expect(forgotten).toEqual([]);
  });

  it('name what they are about in fields that everybody knows', () => {
    const known = [
      'guest',
      'guests',
      'drive',
      'car',
      'cars',
      'vehicle',
      'instructor',
      'group',
      'leadCar',
      'fault',
      'corrects',
      'in',
    ];
    const other = ['id', 'favourite', 'photo', 'cone'];
    const unknown = KINDS.flatMap((kind) =>
      Object.entries(fieldsOf(kind))
        .filter(([, { type, maxLength, enum: few }]) => type === 'string' && maxLength === 64 && !few)
        .map(([name]) => name)
        // A corner is called by its name.
        .filter((name) => ![...known, ...other, 'corner'].includes(name)),
    );
    expect(unknown).toEqual([]);
  });

  it('change the day where a plan has to know of it, and nothing else', () => {
    const changing = KINDS.filter((kind) => rulesOf({ kind }).amends);
    expect(changing).toEqual([
      'guestFitted',
      'guestLate',
      'circuitClosed',
      'conditionChanged',
      'closingMoved',
      'crewHours',
      'crewAway',
    ]);
  });
});
