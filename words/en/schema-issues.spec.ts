import * as z from 'zod';
import { faultsOf } from '@core/values';

describe('A fault of a field', () => {
  it('is told in words for people, whatever the schema forgot to say', () => {
    const schema = z.strictObject({
      laps: z.number().int().min(1).max(50),
      name: z.string().min(1),
      code: z.string().min(6),
      pace: z.enum(['first', 'quick']),
      email: z.email(),
      cars: z.array(z.string()).max(1),
      own: z.string().min(3, 'expected three letters'),
      gone: z.number(),
    });
    const wrong = { laps: 60, name: '', code: 'abc', pace: 'slow', email: 'x', cars: ['a', 'b'], own: 'a', hue: 1 };
    const faults = faultsOf(schema.safeParse(wrong).error!).map(({ path, message }) => `${path}: ${message}`);
    expect(faults).toEqual([
      'laps: expected at most 50',
      'name: is empty',
      'code: expected at least 6 characters',
      'pace: expected one of first, quick',
      'email: expected an e-mail address',
      'cars: expected at most 1 in the list',
      'own: expected three letters',
      'gone: is missing: expected a number',
      'hue: unknown key',
    ]);
    const [laps] = faultsOf(schema.safeParse({ ...wrong, laps: 'five' }).error!);
    expect(laps!.message).toBe('expected a number');
  });
});
