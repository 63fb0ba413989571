import * as z from 'zod';

/** Parts that stand in many of the schemas of what is set up. */

export const text = (most: number) => z.string().trim().max(most);
export const moneyAmount = z
  .number()
  .min(0)
  .max(1_000_000)
  .multipleOf(0.001, 'expected an amount with at most three decimals');

export const id = z
  .string()
  .min(1, 'expected an id of 1 to 64 characters')
  .max(64, 'expected an id of 1 to 64 characters');
export const name = z.string().min(1, 'expected a name').max(200);
/** Durations, gaps and set-up times. */
export const durationS = z.number().int().min(0).max(14_400);
export const lapTimeS = z.number().min(10).max(1800);
export const seats = z.number().int().min(1).max(200);
