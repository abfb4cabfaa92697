import { layoutJsonSchema } from '@brook/contract';
import { openApi } from '@brook/contract/openapi';
import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { type Express } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import type { Pool } from 'pg';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import type { Clock } from './clock';
import { fluidRoutes } from './fluid/routes';
import { jobRoutes } from './jobs/routes';
import { planRoutes } from './plans/routes';
import { houseRulesRoutes } from './rules/routes';
import { shelfRoutes } from './shelf/routes';
import { wasteRoutes } from './waste/routes';
import { ProblemError } from './problems/kinds';
import { problemHandler } from './problems/middleware';
import { jobLogRoutes, vehicleLogRoutes } from './log/routes';
import { requireActor } from './session/actor';
import { sessionRoutes } from './session/routes';
import { vehicleRoutes } from './vehicles/routes';
import { webFiles } from './web/files';

export interface AppOptions {
  /** Pool for the session store. */
  readonly pool: Pool;
  readonly sessionSecret: string;
  readonly clock: Clock;
  readonly log: Logger;
  /** Folder of the built web target; without one only the API is served. */
  readonly webDir?: string | undefined;
  /** Whether the page is served over TLS: then the cookie says Secure. */
  readonly secure: boolean;
}

const SESSION_HOURS = 14;

/** The Express app: API under /api/v1, the web target beside it. */
export function createApp(options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: options.log, autoLogging: false }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
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
  app.use(problemHandler);
  return app;
}

function api(options: AppOptions): express.Router {
  const routes = express.Router();
  const Store = connectPgSimple(session);
  routes.use((_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  routes.use(compression());
  routes.get('/health', async (_req, res) => {
    await options.pool.query('SELECT 1');
    res.json({ status: 'ready' });
  });
  routes.get('/openapi.json', (_req, res) => {
    res.json(openApi());
  });
  routes.use(express.json({ limit: '1mb' }));
  routes.use(
    session({
      name: 'brook.sid',
      store: new Store({ pool: options.pool, tableName: 'sessions' }),
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
  routes.use('/session', sessionRoutes());
  routes.use(
    '/vehicles',
    requireActor,
    vehicleRoutes(options.clock),
    vehicleLogRoutes(options.clock),
  );
  routes.get('/layout.schema.json', (_req, res) => {
    res.json(layoutJsonSchema());
  });
  routes.use('/plans', requireActor, planRoutes());
  routes.use('/house-rules', requireActor, houseRulesRoutes());
  routes.use('/shelf', requireActor, shelfRoutes(options.clock));
  routes.use('/waste', requireActor, wasteRoutes(options.clock));
  routes.use('/fluid', requireActor, fluidRoutes());
  routes.use('/jobs', requireActor, jobRoutes(options.clock), jobLogRoutes(options.clock));
  routes.use((_req, _res) => {
    throw new ProblemError('not-found', 'There is nothing at this address of the API.');
  });
  return routes;
}
