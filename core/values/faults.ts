import type * as z from 'zod';

/** What is wrong with outside data: where it is (`guests[12].drives[0].cars[0]`) and what was expected. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

/** `guests[12].drives[0].cars[0]`; the whole document is `(file)`. */
function pathText(path: readonly PropertyKey[]): string {
  let text = '';
  for (const step of path) {
    text += typeof step === 'number' ? `[${step}]` : `${text === '' ? '' : '.'}${String(step)}`;
  }
  return text === '' ? '(file)' : text;
}

/** The issues of a zod error as faults, an unknown key each under its own path. */
export function faultsOf(error: z.core.$ZodError): Fault[] {
  return error.issues.flatMap((issue): Fault[] => {
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({ path: pathText([...issue.path, key]), message: 'unknown key' }));
    }
    return [{ path: pathText(issue.path), message: issue.message }];
  });
}

/** One line a fault, as the command line prints it. */
export function faultLine(fault: Fault): string {
  return `${fault.path}: ${fault.message}`;
}

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: Fault[] };

/**
 * Reads JSON text against a schema. A byte order mark is skipped; text that is not JSON is one fault of the whole file.
 */
export function parseJson<T>(text: string, schema: z.ZodType<T>): Parsed<T> {
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return { ok: false, faults: [{ path: '(file)', message: `not JSON: ${(error as Error).message}` }] };
  }
  const result = schema.safeParse(json);
  return result.success ? { ok: true, value: result.data } : { ok: false, faults: faultsOf(result.error) };
}
