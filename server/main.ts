import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { join, dirname } from 'node:path';
import { createSecureContext } from 'node:tls';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { DEMO_DATE, DEMO_STARTS_S } from '../demo/larkmere';
import { createApp } from './app';
import { demoClock, realClock } from './clock';
import { DatabaseRefused, openDatabase, type Db } from './database';
import { prepareVenue } from './first-start';
import { seedDemo } from './seed-demo';
import { openStore } from './store';

/**
 * Starts the server. `demo` as the first argument: the demo venue with its own clock, in `JOYLAP_DEMO_DATA`; else the
 * venue's own data in `JOYLAP_DATA`. `PORT` and `HOST` say where it listens; with `JOYLAP_TLS_CERT` and
 * `JOYLAP_TLS_KEY` (files in PEM format) it does so by HTTPS.
 */
const demo = process.argv[2] === 'demo';
const port = Number(process.env['PORT'] ?? 4700);
const host = process.env['HOST'] ?? '127.0.0.1';
const folder = demo ? (process.env['JOYLAP_DEMO_DATA'] ?? '.demo-data') : (process.env['JOYLAP_DATA'] ?? 'data');
const webRoot = process.env['JOYLAP_WEB'] ?? join(dirname(fileURLToPath(import.meta.url)), '..', 'web', 'browser');
const logger = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });

function open(): Db {
  try {
    return openDatabase(join(folder, 'joylap.sqlite'));
  } catch (error) {
    if (!(error instanceof DatabaseRefused)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(2);
  }
}

/** Certificate and key, if both are given; a fault in them ends the program with a sentence. */
function tlsFiles(): { cert: Buffer; key: Buffer } | undefined {
  const [cert, key] = [process.env['JOYLAP_TLS_CERT'], process.env['JOYLAP_TLS_KEY']];
  if (cert === undefined && key === undefined) return undefined;
  try {
    if (cert === undefined || key === undefined) throw new Error('JOYLAP_TLS_CERT and JOYLAP_TLS_KEY go together');
    const files = { cert: readFileSync(cert), key: readFileSync(key) };
    createSecureContext(files);
    return files;
  } catch (error) {
    process.stderr.write(`The certificate can't be used: ${(error as Error).message}\n`);
    process.exit(2);
  }
}

const store = openStore(open());
const start = { date: DEMO_DATE, secondsOfDay: DEMO_STARTS_S };
if (demo) seedDemo(store);
else prepareVenue(store, new Date().toISOString().slice(0, 10), new Date().toISOString());
const clock = demo ? demoClock(start) : realClock(() => store.venue.get()!.fields.timeZone);
const resetDemo = () => {
  seedDemo(store);
  clock.adjust({ ...start, rate: 1 });
};

const { app, close } = createApp({ store, clock, webRoot, logger, ...(demo && { resetDemo }) });
const tls = tlsFiles();
const server = tls ? createTlsServer(tls, app) : createServer(app);
server.on('error', (error) => {
  process.stderr.write(`Joy Lap can't listen on ${host}:${port}: ${error.message}\n`);
  process.exit(1);
});
server.listen(port, host, () => {
  process.stdout.write(`Joy Lap is at ${tls ? 'https' : 'http'}://localhost:${port}${demo ? ' (demo)' : ''}\n`);
});

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    close();
    server.close(() => {
      store.db.close();
      process.exit(0);
    });
    server.closeAllConnections();
  });
}
