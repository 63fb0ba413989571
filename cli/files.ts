import { readFileSync } from 'node:fs';
import type * as z from 'zod';
import { dayFile, planFile, slipsOf, type Day, type Repair } from '@core/day';
import { faultLine, parseJson, timeOfDay, type Fault } from '@core/values';
import { BY_ID, wordsIn } from '@words';
import '@words/en/schema-issues';

/** Exit statuses of the commands. */
export const EXIT = { good: 0, ruleBroken: 1, badInput: 2 } as const;

/** Ends a command because of its input: one line a fault on standard error, nothing written. */
export class BadInput extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}

/** The text of a file. */
export function textOf(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    throw new BadInput([`${path}: can't be read (${(error as NodeJS.ErrnoException).code ?? String(error)})`]);
  }
}

/** A number given as an option, within a range; `undefined` where it is not given. */
export function numberOption(name: string, text: string | undefined, least: number, most = Infinity) {
  if (text === undefined) return undefined;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < least || value > most) {
    const range = most === Infinity ? `a number of at least ${least}` : `a number from ${least} to ${most}`;
    throw new BadInput([`--${name}: expected ${range}, got "${text}"`]);
  }
  return value;
}

/** Reads a file against a schema; faults carry the file's name. */
export function readFileAs<T>(path: string, schema: z.ZodType<T>): T {
  const parsed = parseJson(textOf(path), schema);
  if (!parsed.ok) throw new BadInput(parsed.faults.map((fault: Fault) => `${path}: ${faultLine(fault)}`));
  return parsed.value;
}

/** Reads a day file; what in it may be a slip is told on standard error, and is no fault. */
export function readDay(path: string): Day {
  const day = readFileAs(path, dayFile);
  const { slip } = wordsIn('en', BY_ID);
  for (const { path: where, what } of slipsOf(day)) process.stderr.write(`warning: ${where}: ${slip(what, 'file')}\n`);
  return day;
}
export const readPlan = (path: string) => readFileAs(path, planFile);

/** `--previous` and `--now` go together; both or neither. */
export function readRepair(previous: string | undefined, now: string | undefined): Repair | undefined {
  if (previous === undefined && now === undefined) return undefined;
  if (previous === undefined || now === undefined) {
    throw new BadInput(['--previous and --now go together: the plan before, and the time of day HH:MM']);
  }
  const nowS = timeOfDay.safeDecode(now);
  if (!nowS.success) throw new BadInput([`--now: ${nowS.error.issues[0]!.message}, got "${now}"`]);
  return { previous: readPlan(previous), nowS: nowS.data };
}

/** Runs a command and turns bad input into its exit status. */
export function runCommand(command: () => number): void {
  try {
    process.exitCode = command();
  } catch (error) {
    const lines = error instanceof BadInput ? error.lines : undefined;
    const unknownOption = (error as NodeJS.ErrnoException).code?.startsWith('ERR_PARSE_ARGS');
    if (!lines && !unknownOption) throw error;
    process.stderr.write(`${(lines ?? [(error as Error).message]).join('\n')}\n`);
    process.exitCode = EXIT.badInput;
  }
}
