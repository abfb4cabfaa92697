import type { FieldFault, Problem } from '@brook/contract';
import { deviceId } from './device';

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

/** The server could not be reached; what was sent may be sent again. */
export class Offline extends Error {
  constructor() {
    super('The workshop’s server cannot be reached just now.');
  }
}

interface Options {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  /** Version that was seen, for If-Match. */
  readonly version?: number;
}

/**
 * Ask the server.
 *
 * @throws ApiProblem when it refuses, Offline when it cannot be reached
 */
export async function api<T>(
  path: string,
  { method = 'GET', body, version }: Options = {},
): Promise<T> {
  const headers: Record<string, string> = { 'brook-device': deviceId() };
  if (body !== undefined) headers['content-type'] = 'application/json';
  if (version !== undefined) headers['if-match'] = `"${version}"`;
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      headers,
      body: body === undefined ? undefined : JSON.stringify(body),
      credentials: 'same-origin',
    });
  } catch {
    throw new Offline();
  }
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
