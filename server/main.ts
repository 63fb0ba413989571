import { chmodSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { isIP, type AddressInfo } from 'node:net';
import { join, dirname } from 'node:path';
import { createSecureContext } from 'node:tls';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { DEMO_DATE, DEMO_STARTS_S } from '../demo/larkmere';
import { createApp } from './app';
import { demoClock, realClock } from './base/clock';
import { connect, formOf, migrated, newestForm, type Db } from './store/database';
import { prepareVenue } from './services/first-start';
import { keepBackup } from './ops/backup';
import { CannotStart, startFault } from './base/disk-faults';
import { ForGood } from './base/for-good';
import { heldUntilOpen } from './base/held';
import { lockFolder } from './base/lock';
import { DATABASE_FILE, dataFolder, DEMO_ID, FOR_GOOD_FILE, mayHoldDemo, networkPortOf, portOf } from './ops/settings';
import { pruneStore } from './ops/prune';
import { KEPT_ALIVE_MS, Network } from './access/network/network';
import { seedDemo } from './seed-demo';
import { openStore } from './store';

/**
 * Starts the server. `demo` as the first argument: the demo venue with its own clock; else the venue's own data. The data
 * lie in `JOYLAP_DATA` (the demo's in `JOYLAP_DEMO_DATA`, if that is set). `PORT` and `HOST` say where it listens,
 * `JOYLAP_HOSTS` by which further names it may be called. For phones on the network it listens on `JOYLAP_NETWORK_PORT` by
 * HTTPS under a certificate of its own; with `JOYLAP_TLS_CERT` and `JOYLAP_TLS_KEY` (files in PEM format) on `PORT`.
 * `JOYLAP_OPEN=yes` lets in phones that were not added.
 */
const demo = process.argv[2] === 'demo';
// Data and backups hold what is private: they are their owner's alone.
process.umask(0o077);
const host = process.env['HOST'] ?? '127.0.0.1';
const folder = dataFolder(demo);
const file = join(folder, DATABASE_FILE);
const webRoot = process.env['JOYLAP_WEB'] ?? join(dirname(fileURLToPath(import.meta.url)), '..', 'web', 'browser');
const logger = pino({
  level: process.env['LOG_LEVEL'] ?? 'warn',
  // Whoever reads the log must not become the manager by it.
  redact: ['req.headers.cookie', 'req.headers.authorization', 'res.headers["set-cookie"]'],
});

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
  const networkPort = networkPortOf(process.env['JOYLAP_NETWORK_PORT']);
  const tls = tlsFiles();
  mkdirSync(folder, { recursive: true });
  if (existsSync(file)) chmodSync(file, 0o600);
  const unlock = lockFolder(folder);
  const server: Server = tls ? createTlsServer(tls) : createServer();
  server.keepAliveTimeout = KEPT_ALIVE_MS;
  const held = heldUntilOpen();
  server.on('request', held.listener);
  await listening(server, port);
  const { port: ownPort } = server.address() as AddressInfo;

  const db: Db = connect(file);
  if (demo && formOf(db) > 0) mayHoldDemo(db, folder);
  const backUp = async (kind: string) => void (await keepBackup(db, folder, kind));
  // Of the form that it has had, before it gets another; of a new one there is nothing to keep.
  const form = formOf(db);
  const backedUp = form === 0 ? Promise.resolve() : backUp(form < newestForm() ? 'form' : 'start');
  await backedUp.catch((error: unknown) => {
    logger.error({ err: error }, 'the backup failed');
    process.stderr.write(
      `WARNING: no backup could be made at this start (${(error as Error).message}). What is entered is kept, and nothing else is: make room for ${join(folder, 'backups')}.\n`,
    );
  });
  migrated(db);
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
  const scheme = tls ? 'https' : 'http';
  const named = (process.env['JOYLAP_HOSTS'] ?? '').split(',').map((name) => name.trim().toLowerCase());
  const further = named.filter((name) => name !== '');
  const network = new Network({
    here: `${scheme}://localhost:${ownPort}`,
    hosts: further,
    folder: join(folder, 'tls'),
    open: process.env['JOYLAP_OPEN'] === 'yes',
  });
  if (!isLoopback(host)) network.reachedByFirstPort(scheme, ownPort);
  const hosts = [host, ...further];
  const { app, close } = createApp({
    store,
    clock,
    webRoot,
    logger,
    hosts,
    network,
    backUp,
    // The demo begins anew with the same ids.
    ...(demo ? { resetDemo } : { forGood: new ForGood(join(folder, FOR_GOOD_FILE)) }),
  });
  // Phones find it from the first moment on, as this machine does.
  if (!tls && networkPort !== undefined) await network.listen(networkPort, app);
  held.open(app);
  const { addresses, withoutSignIn, why } = await network.view();
  process.stdout.write(`Joy Lap is at ${scheme}://localhost:${ownPort}${demo ? ' (demo)' : ''}\n`);
  if (addresses.length > 0) process.stdout.write(`From the network: ${addresses.join(', ')}\n`);
  if (why === 'portTaken') process.stdout.write(`No phone can be added: something else listens on ${networkPort}.\n`);
  if (withoutSignIn) process.stdout.write('Whoever is on this network is let in without being added.\n');

  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      close();
      network.close();
      server.close(() => {
        db.close();
        unlock();
        process.exit(0);
      });
      server.closeAllConnections();
    });
  }
}

/** Whether an address is this machine's own, so that nobody else gets there. */
function isLoopback(address: string): boolean {
  return address === 'localhost' || address === '::1' || (isIP(address) === 4 && address.startsWith('127.'));
}

start().catch((error: unknown) => {
  const sentence = startFault(error, file);
  process.stderr.write(`${sentence ?? String((error as Error).stack)}\n`);
  process.exit(sentence === undefined ? 1 : 2);
});
