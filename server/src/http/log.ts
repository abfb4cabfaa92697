import type { RequestHandler } from 'express';
import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** An address without what was asked for behind it: a search may hold a name. */
const pathOf = (url: string | undefined): string => (url ?? '').split('?')[0]!;

/** Gives each request a logger that tells method, path and status: no cookies, no bodies, no searches, no addresses of people. */
export const requestLog = (logger: Logger): RequestHandler =>
  pinoHttp({
    logger,
    autoLogging: false,
    genReqId: () => randomUUID(),
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url?: string }) => ({
        id,
        method,
        path: pathOf(url),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      err: errorForLog,
    },
  });

/** An error as it may be logged: where it came from, not the values that were in it. */
export function errorForLog(error: unknown): object {
  const { name, code, stack, original } = error as Error & {
    code?: unknown;
    original?: { code?: unknown; table?: unknown; constraint?: unknown };
  };
  return {
    name,
    code: code ?? original?.code,
    table: original?.table,
    constraint: original?.constraint,
    // The message may quote what somebody wrote; the frames below it do not.
    at: stack
      ?.split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 8)
      .map((line) => line.trim()),
  };
}
