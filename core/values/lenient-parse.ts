import type * as z from 'zod';
import { faultsOf, type Fault } from './faults';

/** A document of which everything that could be read is kept, and what was wrong with the rest. */
export interface LenientParse<T> {
  readonly value: T;
  /** Empty where nothing had to be replaced. */
  readonly faults: readonly Fault[];
}

/** A schema's verdict, as of `safeParse` or `safeEncode`. */
export type Checked<T> =
  { readonly success: true; readonly data: T } | { readonly success: false; readonly error: z.core.$ZodError };

/** A document that is this far from its schema is not worth reading in part. */
const MOST_ROUNDS = 50;

type Container = Record<PropertyKey, unknown>;

/**
 * Reads what is good of a document that may not fit its schema, as one may that an older or a damaged database holds. What
 * is wrong is left out of its list, or stands as in `fallback`, or is taken away where it may be missing; each such place
 * is told. Nothing where even that gives no document.
 *
 * @param fallback a good document of the same shape, or the part of one that is there to fall back on
 */
export function lenientParse<T>(
  document: unknown,
  check: (document: unknown) => Checked<T>,
  fallback: unknown = {},
): LenientParse<T> | undefined {
  let result = check(document);
  if (result.success) return { value: result.data, faults: [] };
  const root: Container = { document: structuredClone(document) };
  const faults: Fault[] = [];
  const replaced = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { issues } = result.error;
    faults.push(...faultsOf(result.error));
    // From the end, so that places in a list stay what they were while others are taken out.
    const inReverse = [...issues].sort((a, b) => comparePaths(b.path, a.path));
    const cut = new Set<string>();
    for (const issue of inReverse) remedy(root, issue, fallback, { replaced, cut });
    result = check(root['document']);
    if (result.success) return { value: result.data, faults };
  }
  return undefined;
}

function comparePaths(a: readonly PropertyKey[], b: readonly PropertyKey[]): number {
  for (let i = 0; i < Math.min(a.length, b.length); i++) {
    const [x, y] = [a[i]!, b[i]!];
    if (x === y) continue;
    return typeof x === 'number' && typeof y === 'number' ? x - y : String(x) < String(y) ? -1 : 1;
  }
  return a.length - b.length;
}

function remedy(
  root: Container,
  issue: z.core.$ZodIssue,
  fallback: unknown,
  { replaced, cut }: { readonly replaced: Set<string>; readonly cut: Set<string> },
): void {
  const path: PropertyKey[] = ['document', ...issue.path];
  const there = valueAt(root, path);
  if (issue.code === 'unrecognized_keys') {
    for (const key of issue.keys) delete (there as Container)[key];
    return;
  }
  if (Array.isArray(there) && issue.code !== 'invalid_type') {
    // What was taken out of it meanwhile may have been enough.
    const most = issue.code === 'too_big' ? Number(issue.maximum) : Math.floor(there.length * 0.9);
    there.length = Math.min(there.length, most);
    return;
  }
  const inList = path.findLastIndex((step) => typeof step === 'number');
  if (inList > 0) {
    const element = path.slice(0, inList + 1);
    // Several faults of one element take it out once.
    if (cut.has(JSON.stringify(element))) return;
    cut.add(JSON.stringify(element));
    (valueAt(root, path.slice(0, inList)) as unknown[] | undefined)?.splice(path[inList] as number, 1);
    return;
  }
  // What did not help once is tried again a level higher.
  let depth = path.length;
  while (depth > 1 && replaced.has(JSON.stringify(path.slice(0, depth)))) depth -= 1;
  const own = path.slice(0, depth);
  replaced.add(JSON.stringify(own));
  const parent = valueAt(root, own.slice(0, -1)) as Container | undefined;
  if (typeof parent !== 'object' || parent === null) return;
  const instead = valueAt({ document: fallback }, own);
  if (instead === undefined) delete parent[own.at(-1)!];
  else parent[own.at(-1)!] = structuredClone(instead);
}

function valueAt(root: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, step) =>
      typeof value === 'object' && value !== null && Object.hasOwn(value, step)
        ? (value as Container)[step]
        : undefined,
    root,
  );
}
