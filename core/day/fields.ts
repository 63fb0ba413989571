import * as z from 'zod';

/** Parts that stand in many of the schemas of what is set up. */

export const text = (most: number) => z.string().trim().max(most);
export const moneyAmount = z
  .number()
  .min(0)
  .max(1_000_000)
  .multipleOf(0.01, 'expected an amount with at most two decimals');
