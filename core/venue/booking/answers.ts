import * as z from 'zod';
import { text } from '../../values';

/** What kind of car a guest drives at home: never its make. */
export const homeCar = z.enum(['small', 'family', 'automatic', 'electric', 'sporty', 'none']);
export type HomeCar = z.output<typeof homeCar>;

/** What a venue may ask at its gate besides the papers, in the order in which it is asked. */
export const gateQuestion = z.enum(['gearbox', 'height', 'touch', 'homeCar', 'drivesOn', 'glasses', 'sick', 'fast']);
export type GateQuestion = z.output<typeof gateQuestion>;

/**
 * What a guest has answered; what is missing has not been asked, which is never the same as no. That an instructor may
 * steady or steer in a pass or an emergency is a rule of the house and nothing that is asked for here.
 */
export const gateAnswers = z.strictObject({
  /** A hand on the wheel or a tap on the knee is all right as a teaching prompt. */
  touch: z.boolean().optional(),
  homeCar: homeCar.optional(),
  drivesOn: z.enum(['left', 'right']).optional(),
  glasses: z.boolean().optional(),
  /** Feels sick easily in a car. */
  sick: z.boolean().optional(),
  /** Has driven fast before: on a circuit, in karts. */
  fast: z.boolean().optional(),
  /** Yes or no to the venue's own questions, by their words. */
  own: z.record(text(80).min(1), z.boolean()).optional(),
});
export type GateAnswers = z.output<typeof gateAnswers>;
