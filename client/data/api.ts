import type { FieldFault, Problem } from '@brook/contract';
import { heardTime } from './clock';
import { deviceId } from './device';
import { heard, missed } from './touch';

/** A refusal by the server, with one sentence for a person and the fields at fault. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly faults: readonly FieldFault[] = [],
  ) {
    super(detail);
  }

  /** The sentence for one field, if it is at fault. */
  faultOf(field: string): string | null {
    return this.faults.find((f) => f.field === field)?.sentence ?? null;
  }
}

/** After how long a server that does not answer is said to be slow, and given up, ms. */
const SLOW_AFTER_MS = 4_000;
const GIVE_UP_AFTER_MS = 20_000;
/** A photo over a weak line takes longer than any question. */
const FILE_GIVE_UP_AFTER_MS = 180_000;

/** Questions that wait for longer than a person would. */
let slow = 0;
const listeners = new Set<() => void>();

/** Whether a question waits for longer than a person would, for a store that React listens to. */
export const slowness = {
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  isSlow: (): boolean => slow > 0,
};

function countSlow(by: 1 | -1): void {
  slow += by;
  for (const listener of listeners) listener();
}

/** The server could not be reached; what was sent may be sent again. */
export class Offline extends Error {
  constructor() {
    super('The workshop’s server cannot be reached just now.');
  }
}

interface Options {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  /** A photo or voice note, sent as it is instead of a body. */
  readonly file?: Blob;
  /** Version that was seen, for If-Match. */
  readonly version?: number;
  /** Sent to its end even as the page closes. */
  readonly keepalive?: boolean;
}

/**
 * Ask the server.
 *
 * @throws ApiProblem when it refuses, Offline when it cannot be reached
 */
export async function api<T>(
  path: string,
  { method = 'GET', body, file, version, keepalive = false }: Options = {},
): Promise<T> {
  const headers: Record<string, string> = { 'brook-device': deviceId() };
  if (file) headers['content-type'] = file.type;
  else if (body !== undefined) headers['content-type'] = 'application/json';
  if (version !== undefined) headers['if-match'] = `"${version}"`;
  let response: Response;
  let late = false;
  const sayLate = () => {
    late = true;
    countSlow(1);
  };
  // Nobody waits for a file: it goes out beside what is done.
  const watch = file ? undefined : setTimeout(sayLate, SLOW_AFTER_MS);
  const abort = new AbortController();
  const end = setTimeout(() => abort.abort(), file ? FILE_GIVE_UP_AFTER_MS : GIVE_UP_AFTER_MS);
  const sentMs = Date.now();
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      headers,
      body: file ?? (body === undefined ? undefined : JSON.stringify(body)),
      credentials: 'same-origin',
      signal: abort.signal,
      keepalive,
    });
    heardTime(Number(response.headers.get('brook-now')), sentMs, Date.now());
  } catch {
    missed();
    throw new Offline();
  } finally {
    clearTimeout(watch);
    clearTimeout(end);
    if (late) countSlow(-1);
  }
  // The server or what stands before it says that the record cannot be reached: that is no reception by another name.
  if ([502, 503, 504].includes(response.status)) {
    missed();
    throw new Offline();
  }
  heard();
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const problem = answer as Partial<Problem> | null;
  throw new ApiProblem(
    response.status,
    problem?.detail ?? `The server answered ${response.status}.`,
    problem?.faults ?? [],
  );
}
