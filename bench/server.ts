import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { DEMO_DEVICE_KEY } from '../demo/larkmere';

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
    env: { ...process.env, JOYLAP_NETWORK_PORT: 'off', ...env },
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

/** Sets or speeds up the clock of a demo on this machine. */
export function setClock(port: number, change: { readonly rate?: number; readonly secondsOfDay?: number }) {
  return fetch(`http://127.0.0.1:${port}/api/clock`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(change),
  });
}

/** Seconds of a processor that a process has taken so far. */
export function processorS({ pid }: ChildProcess): number {
  // After the name in brackets come state, parent, …; user and system time are the 12th and 13th of them.
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) / TICKS_A_SECOND;
}

/** Of the kernel's clock as processes see it. */
const TICKS_A_SECOND = 100;

/** A process that stands in for something beside a server of this machine. */
export function startStandIn(name: 'timing' | 'crew', port: number): ChildProcess {
  const own = { JOYLAP_URL: `http://127.0.0.1:${port}`, JOYLAP_DEVICE_KEY: DEMO_DEVICE_KEY };
  return spawn(process.execPath, [`dist/server/${name}-stand-in.js`], {
    env: { ...process.env, ...own },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

/**
 * A reader of a day's live stream that does not read. What is not read keeps the end of the connection from being seen at
 * the reader's side, so the server's side is asked, by the kernel's table of connections.
 */
export class StalledReader {
  private readonly socket: Socket;
  private readonly beganMs = performance.now();
  private readonly watch = setInterval(() => this.look(), 1000);
  /** How long the server has put up with it, seconds; nothing as long as it does. */
  cutOffAfterS: number | undefined;

  constructor(
    private readonly port: number,
    date: string,
  ) {
    this.socket = connect(port, '127.0.0.1');
    this.socket.write(`GET /api/days/${date}/stream HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`);
    this.socket.pause();
    this.socket.on('error', () => undefined);
  }

  end(): void {
    clearInterval(this.watch);
    this.socket.destroy();
  }

  private look(): void {
    const hex = (port: number | undefined) => (port ?? 0).toString(16).toUpperCase().padStart(4, '0');
    const [mine, theirs] = [hex(this.socket.localPort), hex(this.port)];
    const established = ['/proc/net/tcp', '/proc/net/tcp6'].some((table) =>
      new RegExp(`:${theirs} [0-9A-F]+:${mine} 01 `).test(readFileSync(table, 'utf8')),
    );
    if (!established) this.cutOffAfterS ??= (performance.now() - this.beganMs) / 1000;
  }
}

/** How long the server has put up with a reader, in words. */
export function cutOffText({ cutOffAfterS }: StalledReader): string {
  return cutOffAfterS === undefined ? 'not at all' : `${cutOffAfterS.toFixed(0)} s`;
}
