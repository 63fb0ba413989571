import { mkdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { join, dirname } from 'node:path';
import { createSecureContext } from 'node:tls';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { DEMO_DATE, DEMO_STARTS_S } from '../demo/larkmere';
import { createApp } from './app';
import { demoClock, realClock } from './clock';
import { openDatabase, type Db } from './database';
import { prepareVenue } from './first-start';
import { keepBackup } from './keeping/backup';
import { CannotStart, startFault } from './keeping/faults';
import { heldUntilOpen } from './keeping/held';
import { lockFolder } from './keeping/lock';
import { DATABASE_FILE, dataFolder, DEMO_ID, mayHoldDemo, portOf } from './keeping/settings';
import { pruneStore } from './keeping/prune';
import { seedDemo } from './seed-demo';
import { openStore } from './store';

/**
 * Starts the server. `demo` as the first argument: the demo venue with its own clock; else the venue's own data. The data
 * lie in `JOYLAP_DATA` (the demo's in `JOYLAP_DEMO_DATA`, if that is set). `PORT` and `HOST` say where it listens,
 * `JOYLAP_HOSTS` by which further names it may be called; with `JOYLAP_TLS_CERT` and `JOYLAP_TLS_KEY` (files in PEM
 * format) it does so by HTTPS.
 */
const demo = process.argv[2] === 'demo';
const host = process.env['HOST'] ?? '127.0.0.1';
const folder = dataFolder(demo);
const file = join(folder, DATABASE_FILE);
const webRoot = process.env['JOYLAP_WEB'] ?? join(dirname(fileURLToPath(import.meta.url)), '..', 'web', 'browser');
const logger = pino({
  level: process.env['LOG_LEVEL'] ?? 'warn',
  // Whoever reads the log must not become the manager by it.
  redact: ['req.headers.cookie', 'req.headers.authorization', 'res.headers["set-cookie"]'],
});

const KEPT_ALIVE_MS = 310_000;

/** Certificate and key, if both are given. */
function tlsFiles(): { cert: Buffer; key: Buffer } | undefined {
  const [cert, key] = [process.env['JOYLAP_TLS_CERT'], process.env['JOYLAP_TLS_KEY']];
  if (cert === undefined && key === undefined) return undefined;
  try {
    if (cert === undefined || key === undefined) throw new Error('JOYLAP_TLS_CERT and JOYLAP_TLS_KEY go together');
    const files = { cert: readFileSync(cert), key: readFileSync(key) };
    createSecureContext(files);
    return files;
  } catch (error) {
    throw new CannotStart(`The certificate can't be used: ${(error as Error).message}`);
  }
}

/** Resolves once the port is this server's: nothing is written before that. */
function listening(server: Server, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE' ? 'something else listens there already; set PORT' : error.message;
      reject(new CannotStart(`Joy Lap can't listen on ${host}:${port}: ${taken}.`));
    });
    server.listen(port, host, resolve);
  });
}

async function start(): Promise<void> {
  const port = portOf(process.env['PORT']);
  const tls = tlsFiles();
  mkdirSync(folder, { recursive: true });
  const unlock = lockFolder(folder);
  const server: Server = tls ? createTlsServer(tls) : createServer();
  // Browsers keep an idle connection for 300 s: one that the server ends just as it is used again loses the request.
  server.keepAliveTimeout = KEPT_ALIVE_MS;
  const held = heldUntilOpen();
  server.on('request', held.listener);
  await listening(server, port);
  const { port: ownPort } = server.address() as AddressInfo;

  const db: Db = openDatabase(file);
  if (demo) mayHoldDemo(db, folder);
  const backUp = async (reason: string) => void (await keepBackup(db, folder, reason));
  await backUp('start');
  const store = openStore(db);
  const begins = { date: DEMO_DATE, secondsOfDay: DEMO_STARTS_S };
  if (demo) {
    seedDemo(store);
    db.pragma(`application_id = ${DEMO_ID}`);
  } else prepareVenue(store, new Date().toISOString().slice(0, 10), new Date().toISOString());
  const clock = demo ? demoClock(begins) : realClock(() => store.venue.get()!.fields.timeZone);
  if (!demo) pruneStore(store, clock.read().date);
  const resetDemo = () => {
    seedDemo(store);
    clock.adjust({ ...begins, rate: 1 });
  };
  const hosts = [host, ...(process.env['JOYLAP_HOSTS'] ?? '').split(',')];
  const { app, close } = createApp({ store, clock, webRoot, logger, hosts, backUp, ...(demo && { resetDemo }) });
  held.open(app);
  process.stdout.write(`Joy Lap is at ${tls ? 'https' : 'http'}://localhost:${ownPort}${demo ? ' (demo)' : ''}\n`);

  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      close();
      server.close(() => {
        db.close();
        unlock();
        process.exit(0);
      });
      server.closeAllConnections();
    });
  }
}

start().catch((error: unknown) => {
  const sentence = startFault(error, file);
  process.stderr.write(`${sentence ?? String((error as Error).stack)}\n`);
  process.exit(sentence === undefined ? 1 : 2);
});
