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
  if (isDiskFull(error))
    return new ProblemError(
      'unavailable',
      'The disk of the workshop’s server is full or can only be read. Nothing was saved; make room there, then it is tried again.',
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

/** Disk full, a transaction or cluster that may only read, and a file that cannot be written (PostgreSQL, "Error Codes"). */
const FULL = /^(53100|25006|58030)$/;

/** Whether an error only says that the database cannot be reached at this moment. */
export const isDatabaseAway = (error: unknown): boolean =>
  within(error).some(
    ({ code, name, message }) =>
      (typeof code === 'string' && AWAY.test(code)) ||
      /^SequelizeConnection|^ConnectionAcquireTimeout/.test(String(name)) ||
      /^Connection terminated|timeout exceeded when trying to connect|not queryable/.test(
        String(message),
      ),
  );

/** Whether an error says that nothing more can be written on the disk. */
const isDiskFull = (error: unknown): boolean =>
  within(error).some(({ code }) => typeof code === 'string' && FULL.test(code));

interface Said {
  readonly code?: unknown;
  readonly name?: unknown;
  readonly message?: unknown;
  readonly original?: unknown;
  readonly cause?: unknown;
}

/** An error and what brought it about. */
function within(error: unknown): Said[] {
  const said: Said[] = [];
  let e = error as Said | undefined;
  while (e && said.length < 5) {
    said.push(e);
    e = (e.original ?? e.cause) as Said | undefined;
  }
  return said;
}
