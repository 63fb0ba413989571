import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** A built server for a benchmark, on this machine only. */

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Starts the built server and waits until it answers.
 *
 * @param env its port and the folder of its data
 */
export async function startServer(
  mode: 'start' | 'demo',
  env: { readonly PORT: string } & Readonly<Record<string, string>>,
): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['dist/server/main.js', mode], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const isUp = async () => (await fetch(`http://127.0.0.1:${env.PORT}/api/health`).catch(() => undefined))?.ok;
  while (!(await isUp())) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    await pause(50);
  }
  return child;
}

/** Resident memory of a process, MB. */
export function memoryMb({ pid }: ChildProcess): number {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;
}
