import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import * as z from 'zod';

/** What is never to come back: ids alone, no names. */
const deed = z.union([
  /** A booking whose guest was erased, and the notes of others that were cleaned of parts of the name. */
  z.strictObject({ erased: z.string(), date: z.iso.date(), notes: z.array(z.string()) }),
  /** A phone that was put out. */
  z.strictObject({ putOut: z.string() }),
]);
type Deed = z.output<typeof deed>;

/**
 * What was erased and put out, a line each in a file beside the database, so that a backup that is put in its place does
 * not bring it back.
 */
export class ForGood {
  /** @param file without one, nothing outlives this process */
  constructor(private readonly file?: string) {}

  add(done: Deed): void {
    if (this.file !== undefined) appendFileSync(this.file, `${JSON.stringify(done)}\n`, { mode: 0o600 });
  }

  /** All of them; a line that cannot be read, as after a loss of power in the middle of it, is none. */
  all(): Deed[] {
    if (this.file === undefined || !existsSync(this.file)) return [];
    return readFileSync(this.file, 'utf8')
      .split('\n')
      .flatMap((line) => {
        try {
          return [deed.parse(JSON.parse(line))];
        } catch {
          return [];
        }
      });
  }
}
