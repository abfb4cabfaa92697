import { layoutJsonSchema } from '@brook/contract';
import { openApi } from '@brook/contract/openapi';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { Clock } from './http/clock';
import { jobCardRoutes, vehicleTagRoutes } from './read/card/routes';
import { fluidRoutes } from './read/fluid/routes';
import { helperLinkRoutes, helpRoutes } from './journal/help/routes';
import { requestLog } from './http/log';
import { keepable } from './http/readable';
import { jobRoutes } from './journal/job/routes';
import type { JobNews } from './journal/live/jobNews';
import { liveRoutes, type LiveOptions } from './journal/live/routes';
import { workshopNewsRoutes } from './journal/live/workshopNews';
import { jobLogRoutes, vehicleLogRoutes } from './journal/batch/routes';
import { jobMediaRoutes, mediaRoutes } from './media/routes';
import { planRoutes } from './read/plan/routes';
import { ProblemError } from './http/problems/kinds';
import { problemHandler } from './http/problems/middleware';
import { houseRulesRoutes } from './workshop/routes';
import { requireActor, sessionStands, userOf } from './session/actor';
import { overviewRoutes } from './read/overview/routes';
import { peopleRoutes, sessionRoutes } from './session/routes';
import { SessionStore } from './session/store';
import { shelfRoutes } from './shelf/routes';
import { vehicleRoutes } from './vehicle/routes';
import { wasteRoutes } from './shelf/waste/routes';
import { webFiles } from './http/web/files';

export interface AppOptions {
  /** Pool for the session store. */
  readonly pool: Pool;
  readonly sessionSecret: string;
  readonly clock: Clock;
  readonly log: Logger;
  readonly news: JobNews;
  /** Folder of the built web target; without one only the API is served. */
  readonly webDir?: string | undefined;
  /** Whether the page is served over TLS: then the cookie says Secure. */
  readonly secure: boolean;
}

/** A session that is not used ends after so many hours. */
const SESSION_HOURS = 14;
/** The largest body besides pictures and voice. */
const BODY_LIMIT = '256kb';

/** The Express app: API under /api/v1, the web target beside it. */
export function createApp(options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog(options.log));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: options.secure,
      originAgentCluster: false,
      crossOriginOpenerPolicy: options.secure,
    }),
  );
  app.use('/api/v1', api(options));
  if (options.webDir) app.use(webFiles(options.webDir));
  app.use(nothingHere);
  app.use(problemHandler);
  return app;
}

const nothingHere: RequestHandler = () => {
  throw new ProblemError('not-found', 'There is nothing at this address.');
};

function api(options: AppOptions): express.Router {
  const { clock, pool } = options;
  const routes = express.Router();
  routes.use((_req, res, next) => {
    res.set({ 'cache-control': 'no-store', 'brook-now': String(clock.now().getTime()) });
    next();
  });
  routes.use(compression());
  routes.get('/health', async (_req, res) => {
    await pool.query('SELECT 1');
    res.json({ status: 'ready' });
  });
  routes.get('/openapi.json', (_req, res) => {
    res.json(openApi());
  });
  routes.get('/layout.schema.json', (_req, res) => {
    res.json(layoutJsonSchema());
  });
  // A helper has no account: the token that they joined with is all they are known by.
  routes.use('/help', helpRoutes({ clock, news: options.news }));
  routes.use(
    session({
      name: 'brook.sid',
      store: new SessionStore({
        pool,
        tableName: 'sessions',
        errorLog: (...said: unknown[]) => options.log.warn({ said: String(said) }, 'session store'),
      }),
      secret: options.sessionSecret,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: {
        httpOnly: true,
        sameSite: 'strict',
        secure: options.secure,
        maxAge: SESSION_HOURS * 3_600_000,
      },
    }),
  );
  routes.use('/session', sessionRoutes(clock));
  // Only of somebody who is signed in is a body read, and none that could not be kept.
  routes.use(requireActor(clock), express.json({ limit: BODY_LIMIT }), keepable);
  const live: LiveOptions = {
    news: options.news,
    clock,
    stillIn: async (req) => (await sessionStands(req)) && (await userOf(req, clock)) !== null,
  };
  routes.use('/overview', overviewRoutes());
  routes.use('/people', peopleRoutes(clock));
  routes.use('/vehicles', vehicleRoutes(clock), vehicleLogRoutes(clock), vehicleTagRoutes());
  routes.use('/plans', planRoutes());
  routes.use('/house-rules', houseRulesRoutes());
  routes.use('/shelf', shelfRoutes(clock));
  routes.use('/waste', wasteRoutes(clock));
  routes.use('/fluid', fluidRoutes());
  routes.use('/media', mediaRoutes(clock));
  routes.use(
    '/jobs',
    jobRoutes(clock),
    jobLogRoutes(clock),
    jobMediaRoutes(),
    jobCardRoutes(),
    helperLinkRoutes(clock),
    liveRoutes(live),
  );
  routes.use('/news', workshopNewsRoutes(live));
  routes.use((_req, _res) => {
    throw new ProblemError('not-found', 'There is nothing at this address of the API.');
  });
  return routes;
}
