import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { contract, type Problem } from '@core/api';
import { fact } from '@core/values';
import type { Clock } from './base/clock';
import { admission } from './access/access';
import { Calendar } from './services/calendar';
import { BoundThread } from './workers/bound/bound-thread';
import { Bounds } from './services/planning/bounds';
import { guard } from './access/guard';
import { DayCache } from './services/day-cache';
import { Erasing } from './services/erasing';
import { DeviceService } from './services/devices/device-service';
import { JournalWriter } from './services/journal-writer';
import { Flags } from './services/live/flags';
import { Hub } from './services/live/hub';
import { PracticeService } from './services/live/practice-service';
import { ServerWatch } from './services/live/server-watch';
import { Slides } from './services/live/slides';
import { pruneStore } from './ops/prune';
import { ForGood } from './base/for-good';
import { Network } from './access/network/network';
import { PhoneService } from './access/phone-service';
import { ManagerService } from './access/manager-service';
import { PlanJobs } from './services/planning/plan-jobs';
import { notFound, Refusal, refusalOf } from './base/refusal';
import { routes } from './http/routes';
import { mountAll } from './http/mount';
import '@words/en/schema-issues';
import type { Services } from './http/services';
import type { Store } from './store';

export interface AppOptions {
  readonly store: Store;
  readonly clock: Clock;
  readonly resetDemo?: () => void;
  /** Folder of the built interface; without it only the API is served. */
  readonly webRoot?: string;
  readonly logger?: Logger;
  /** Further names by which this server may be called. */
  readonly hosts?: readonly string[];
  /** How others on the network reach this server; without it, nobody is told of a way. */
  readonly network?: Network;
  /** Makes a backup of what is stored; without it none is made. */
  readonly backUp?: (reason: string) => Promise<void>;
  /** Where it is kept what was erased and put out; without it that is known as long as the database is the same. */
  readonly forGood?: ForGood;
}

/** The whole server but for the port: API, live stream and interface. `close` ends its streams and threads. */
export function createApp(options: AppOptions): {
  app: Express;
  close: () => void;
} {
  const { store, clock, resetDemo, webRoot, logger, hosts = [], backUp } = options;
  const { forGood = new ForGood() } = options;
  const { network = new Network({ here: '', hosts, folder: '', open: false }) } = options;
  const hub = new Hub();
  const watch = new ServerWatch(store, hub, resetDemo === undefined);
  const phones = new PhoneService(store, hub, forGood, watch);
  const dayCache = new DayCache(store, clock);
  const journal = new JournalWriter(store, dayCache, hub, clock);
  const calendar = new Calendar(store, clock, () => hub.changed('setup'));
  const flags = new Flags({ store, clock, dayCache, journal, hub });
  const boundThread = new BoundThread(logger);
  const planJobs = new PlanJobs({ store, dayCache, hub, clock }, boundThread, logger);
  const bounds = new Bounds({ dayCache, hub, planJobs }, boundThread);
  const slides = new Slides({ store, clock, dayCache, journal }, logger);
  const devices = new DeviceService({ store, dayCache, journal, hub, clock });
  const manager = new ManagerService(store);
  const erasing = new Erasing(store, forGood, () => clock.recordedAt());
  erasing.again();
  const admit = admission(phones, manager, network.open);
  const practice = new PracticeService({ store, clock, hub, dayCache }, resetDemo !== undefined);
  const dayClosed = () => {
    if (!resetDemo) pruneStore(store, clock.read().date);
    backUp?.('close').catch((error: unknown) => logger?.error({ err: error }, 'the backup failed'));
  };
  const services: Services = {
    ...{
      store,
      clock,
      calendar,
      hub,
      flags,
      dayCache,
      journal,
      planJobs,
      slides,
      bounds,
      devices,
      manager,
      practice,
      phones,
      watch,
      erasing,
      network,
      admit,
      version: webRoot === undefined ? '' : versionOf(webRoot),
      resetDemo,
      dayClosed,
    },
  };
  const app = express();
  app.disable('x-powered-by');
  // A proxy is believed where it runs on this machine: by what scheme and for whom it asks.
  app.set('trust proxy', 'loopback');
  app.use(
    helmet({
      // Styles of components are added by script; everything else comes from this server only.
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          objectSrc: ["'none'"],
          frameAncestors: ["'self'"],
          baseUri: ["'self'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  if (logger) app.use(pinoHttp({ logger, autoLogging: { ignore: ({ url }) => !url?.startsWith('/api/') } }));
  app.use(compression());
  app.use(guard(hosts), cookieParser());
  mountAll(app, contract, routes(services), admit);

  if (webRoot && existsSync(webRoot)) {
    app.use(
      express.static(webRoot, {
        index: false,
        setHeaders: (response, path) => {
          // Only what has a hash in its name stays; the worker that keeps the application has to be found changed at once.
          const stays = /-[A-Z0-9]{8}\.\w+$/.test(path);
          response.set('cache-control', stays ? 'public, max-age=31536000, immutable' : 'no-cache');
        },
      }),
    );
    app.get('/{*path}', (request, response) => {
      if (/\.\w+$/.test(request.path)) throw notFound('address', request.path);
      response.set('cache-control', 'no-cache').sendFile(join(webRoot, 'index.html'));
    });
  }
  app.use(() => {
    throw notFound('page');
  });
  app.use(problemHandler(logger));
  return {
    app,
    close: () => {
      watch.close();
      calendar.close();
      slides.close();
      practice.close();
      planJobs.close();
      boundThread.close();
      devices.close();
      flags.close();
      hub.close();
    },
  };
}

/** The application's version: the name that its build gave to its first script. */
function versionOf(webRoot: string): string {
  const page = join(webRoot, 'index.html');
  return (existsSync(page) && /\bmain-(\w+)\.js/.exec(readFileSync(page, 'utf8'))?.[1]) || '';
}

/** Every error leaves as a problem document; what nobody expected is logged and told without its innards. */
function problemHandler(logger: Logger | undefined): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = problemOf(error);
    if (problem.status >= 500) logger?.error({ err: error }, 'unexpected fault');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) return error.problem;
  const { type, status, limit = 0 } = error as { type?: string; status?: number; limit?: number };
  // What the parsers of bodies refuse has its status from them.
  if (type === 'entity.too.large') return refusalOf(fact('tooLarge', {}, { mostBytes: limit })).problem;
  if (type === 'entity.parse.failed') return refusalOf(fact('notJson', {})).problem;
  const isTheirs = status !== undefined && status >= 400 && status < 500;
  return (isTheirs ? refusalOf(fact('unreadableRequest', {}), { status }) : refusalOf(fact('unexpected', {}))).problem;
}
