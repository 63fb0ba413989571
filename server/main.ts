import { join, dirname } from 'node:path';
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
 * venue's own data in `JOYLAP_DATA`. `PORT` and `HOST` say where it listens.
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

const store = openStore(open());
const start = { date: DEMO_DATE, secondsOfDay: DEMO_STARTS_S };
if (demo) seedDemo(store);
else prepareVenue(store, new Date().toISOString().slice(0, 10), new Date().toISOString());
const clock = demo ? demoClock(start) : realClock(store.venue.get()!.fields.timeZone);
const resetDemo = () => {
  seedDemo(store);
  clock.adjust({ ...start, rate: 1 });
};

const { app, close } = createApp({ store, clock, webRoot, logger, ...(demo && { resetDemo }) });
const server = app.listen(port, host, (error) => {
  if (error) {
    process.stderr.write(`Joy Lap can't listen on ${host}:${port}: ${error.message}\n`);
    process.exit(1);
  }
  process.stdout.write(`Joy Lap is at http://localhost:${port}${demo ? ' (demo)' : ''}\n`);
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
