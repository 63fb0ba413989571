import * as fc from 'fast-check';
import * as z from 'zod';
import { lenientParse } from './lenient-parse';

const schema = z.strictObject({
  name: z.string().min(1),
  hours: z.number().min(0).max(24),
  note: z.string().optional(),
  doors: z.array(z.strictObject({ id: z.string(), wide: z.boolean() })).max(3),
});
const fallback = { name: 'House', hours: 8, doors: [] };
const read = (document: unknown) => lenientParse(document, (it) => schema.safeParse(it), fallback);

describe('A document that does not fit its schema', () => {
  it('loses the faulty element of a list, has the fallback for what must be there, and tells each place', () => {
    const doors = [{ id: 3, wide: 4 }, { id: 'b' }, { id: 'd', wide: false }];
    const { value, faults } = read({ name: '', hours: 8, note: 5, doors, colour: 'red' })!;
    expect(value).toEqual({ name: 'House', hours: 8, doors: [doors[2]] } as never);
    expect(new Set(faults.map(({ path }) => path))).toEqual(
      new Set(['name', 'note', 'doors[0].id', 'doors[0].wide', 'doors[1].wide', 'colour']),
    );
  });

  it('is cut where it is too long, and is the fallback where it is something else altogether', () => {
    const doors = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, wide: true }));
    expect(read({ name: 'x', hours: 1, doors })!.value.doors.length).toBe(3);
    expect(read(17)!.value).toEqual(fallback);
    expect(lenientParse(17, (it) => schema.safeParse(it))).toBeUndefined();
  });

  it('always comes out good, and untouched where nothing was wrong', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (document) => {
        const { value, faults } = read(document)!;
        expect(schema.safeParse(value).success).toBe(true);
        expect(faults.length > 0).toBe(!schema.safeParse(document).success);
      }),
    );
  });
});
