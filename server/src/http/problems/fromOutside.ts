import { ProblemError } from './kinds';

/** What Express and its readers say by `type` of a request that they could not read. */
const BY_TYPE: Readonly<Record<string, (limit: number) => ProblemError>> = {
  'entity.parse.failed': () =>
    new ProblemError('unreadable', 'The body is not JSON; send one JSON document.'),
  'entity.too.large': (limit) =>
    new ProblemError(
      'too-large',
      `The body is larger than ${sizeWords(limit)}; send less at once.`,
    ),
  'encoding.unsupported': () =>
    new ProblemError(
      'not-json',
      'The body is packed in a way that is not read here; send it by gzip or as it is.',
    ),
  'charset.unsupported': () =>
    new ProblemError('not-json', 'The body is in another alphabet; send it as UTF-8.'),
  'request.size.invalid': () =>
    new ProblemError('unreadable', 'The body is not as long as was said; send it again.'),
  'request.aborted': () =>
    new ProblemError('unreadable', 'The request broke off; send it again. Nothing was saved.'),
};

const sizeWords = (bytes: number): string =>
  bytes >= 1_048_576 ? `${bytes / 1_048_576} MB` : `${bytes / 1024} kB`;

/**
 * The refusal for an error that a request from outside brought about.
 *
 * @returns null where the fault is ours
 */
export function problemOf(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  if (error instanceof URIError)
    return new ProblemError(
      'not-found',
      'There is no such address; its % signs do not stand for letters.',
    );
  if (isDatabaseAway(error))
    return new ProblemError(
      'unavailable',
      'The database is not there just now. Nothing was saved; it is tried again.',
    );
  const { type, status, limit } = error as { type?: unknown; status?: unknown; limit?: unknown };
  const read = typeof type === 'string' ? BY_TYPE[type] : undefined;
  if (read) return read(Number(limit ?? 0));
  // Whatever else a reader refuses, and a body that could not be unpacked.
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new ProblemError('unreadable', 'This request cannot be read; send it again as JSON.');
  return null;
}

/** Classes 08 and 57P of SQLSTATE: no connection, and a server that shuts down or is not up yet; 53300 is full, 40 gave way to another. */
const AWAY = /^(08...|57P0[1-3]|53300|40001|40P01|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;

/** Whether an error only says that the database cannot be reached at this moment. */
export function isDatabaseAway(error: unknown): boolean {
  for (let e = error, depth = 0; e && depth < 5; depth++) {
    const { code, name, message, original, cause } = e as {
      code?: unknown;
      name?: unknown;
      message?: unknown;
      original?: unknown;
      cause?: unknown;
    };
    if (typeof code === 'string' && AWAY.test(code)) return true;
    if (/^SequelizeConnection|^ConnectionAcquireTimeout/.test(String(name))) return true;
    if (
      /^Connection terminated|timeout exceeded when trying to connect|not queryable/.test(
        String(message),
      )
    )
      return true;
    e = original ?? cause;
  }
  return false;
}
