import { createInterface } from 'node:readline/promises';
import { backupTo, restoreFrom, setManagerCode } from '../server/ops/admin';
import { CannotStart, startFault } from '../server/base/disk-faults';
import { dataFolder } from '../server/ops/settings';

/** `./joylap backup FILE`, `restore FILE`, `manager-code`: what a venue's data need beside a running server. */
const folder = dataFolder(false);
const [command, target] = process.argv.slice(2);

async function ask(question: string): Promise<string> {
  const terminal = createInterface({ input: process.stdin, output: process.stderr });
  try {
    return await terminal.question(question);
  } finally {
    terminal.close();
  }
}

async function run(): Promise<string> {
  if (command === 'backup' && target !== undefined) return backupTo(folder, target);
  if (command === 'restore' && target !== undefined) return restoreFrom(folder, target, ask);
  if (command === 'manager-code') return setManagerCode(folder, ask);
  throw new CannotStart('Expected one of: backup FILE, restore FILE, manager-code.');
}

run().then(
  (done) => process.stdout.write(`${done}\n`),
  (error: unknown) => {
    process.stderr.write(`${startFault(error, folder) ?? String((error as Error).stack)}\n`);
    process.exit(2);
  },
);
