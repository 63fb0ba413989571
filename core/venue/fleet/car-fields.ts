import * as z from 'zod';
import { carFile } from '../../track/car/at-start';
import { type FleetCar } from '../../track/car';
import { car, fit, type Car, type Drive } from '../../day';
import { moneyAmount, text } from '../../values';
import { CAR_KINDS } from './car-kinds';

/** A car of the fleet, the number on its door and what a lap in it costs. */
export const carFields = z.strictObject({
  ...car.shape,
  number: z.number().int().min(1).max(999),
  /** As it is drawn on maps. */
  colour: z
    .string()
    .regex(/^#[0-9a-fA-F]{6}$/, 'expected a colour such as #3366cc')
    .optional(),
  /** Id of its picture. */
  photo: z
    .string()
    .regex(/^[A-Za-z0-9_-]{8,64}$/, 'expected the id of a picture')
    .optional(),
  /** What kind of car it is to people who choose one. */
  kind: z.enum(CAR_KINDS).optional(),
  /** Paths of numbers that are assumed: a better one would come from the papers, measured laps or the scales. */
  assumed: z.array(text(60).min(1)).max(60).optional(),
  /** The day from which it is not in the fleet any more; its history stays. */
  leftOn: z.iso.date('expected a date, YYYY-MM-DD').optional(),
  lapPrice: moneyAmount.optional(),
  /** What a lap beside the instructor costs, each seat. */
  ridePrice: moneyAmount.optional(),
  /** Number of its stall. */
  stall: z.number().int().min(1).max(999).optional(),
  /** What the timing loop calls it; its id where not given. */
  transponder: text(64).min(1).optional(),
  fit: fit.optional(),
  /** What it is to the lap model. */
  model: carFile.optional(),
  /** What the talk in the car says of it beside the numbers. */
  talk: z
    .strictObject({
      brakes: text(200).min(1).optional(),
      steering: text(200).min(1).optional(),
      automatic: text(200).min(1).optional(),
      traps: z.array(text(100).min(1)).max(8).optional(),
    })
    .optional(),
  /** How long its parts last; nothing is counted down where a limit is not set. */
  wear: z
    .strictObject({
      brakesMJ: z.number().min(1).max(1_000_000).optional(),
      tyresKm: z.number().min(1).max(100_000).optional(),
      clutchStarts: z.number().int().min(1).max(100_000).optional(),
    })
    .optional(),
});
export type CarFields = z.output<typeof carFields>;

/** The planner's view of a car: what bears on time, fuel and fit, nothing else. */
export function plannedCar(fields: CarFields): Car {
  const { id, name, level, lapTimeS, gearboxes, available, fuel, cooling, fit: fits, ride } = fields;
  return { id, name, level, lapTimeS, gearboxes, available, fuel, cooling, fit: fits, ...(ride && { ride }) };
}

/** What a lap costs by the venue's list, of a ride all its seats; nothing where the list has no price. */
export function listLapPrice(
  { lapPrice, ridePrice = lapPrice }: Pick<CarFields, 'lapPrice' | 'ridePrice'>,
  ride: Drive['ride'],
): number | undefined {
  return ride && ridePrice !== undefined ? ridePrice * ride.seats : lapPrice;
}

/** Whether a car belongs to the fleet on a day. */
export function isInFleet({ leftOn }: Pick<CarFields, 'leftOn'>, date: string): boolean {
  return leftOn === undefined || date < leftOn;
}

/** Cars that the lap model knows, as a circuit is studied with them. */
export function modelledCars(cars: readonly { readonly id: string; readonly fields: CarFields }[]): FleetCar[] {
  return cars.flatMap(({ id, fields: { name, number, level, model } }) =>
    model ? [{ id, name, number, level, model }] : [],
  );
}
