import type { Gives, Method, PathOf, Takes } from '@brook/contract/openapi';
import { api } from './api';
import { apiKept } from './apiKept';

/** What a call needs besides its address: an id where the path has one, a body where the document names one. */
type Needs<M extends Method, P extends string> = {
  readonly query?: Readonly<Record<string, string | number>>;
  /** Version that was seen, for If-Match. */
  readonly version?: number;
  /** Sent to its end even as the page closes. */
  readonly keepalive?: boolean;
} & (P extends `${string}{id}${string}` ? { readonly id: string } : { readonly id?: undefined }) &
  (Takes<M, P> extends undefined ? { readonly body?: undefined } : { readonly body: Takes<M, P> });

const METHODS = { get: 'GET', post: 'POST', put: 'PUT', delete: 'DELETE' } as const;

/** The address of a call, its id and its questions put in. */
export function addressOf(
  path: string,
  {
    id,
    query,
  }: { readonly id?: string; readonly query?: Readonly<Record<string, string | number>> },
): string {
  const asked = Object.entries(query ?? {}).map(([k, v]) => `${k}=${encodeURIComponent(v)}`);
  return path.replace('{id}', id ?? '') + (asked.length > 0 ? `?${asked.join('&')}` : '');
}

/**
 * Ask the server as its document says: a call that it does not list, or a body
 * of another shape, does not compile.
 *
 * @throws ApiProblem when it refuses, Offline when it cannot be reached
 */
export function call<M extends Method, P extends PathOf<M>>(
  method: M,
  path: P,
  ...[needs]: Record<never, never> extends Needs<M, P> ? [Needs<M, P>?] : [Needs<M, P>]
): Promise<Gives<M, P>> {
  const { body, version, keepalive } = (needs ?? {}) as {
    body?: unknown;
    version?: number;
    keepalive?: boolean;
  };
  const address = addressOf(path, (needs ?? {}) as object);
  return method === 'get'
    ? api<Gives<M, P>>(address)
    : api<Gives<M, P>>(address, { method: METHODS[method], body, version, keepalive });
}

/** The same for what is looked at and kept on this phone. */
export function callKept<P extends PathOf<'get'>>(
  path: P,
  ...[needs]: Record<never, never> extends Needs<'get', P> ? [Needs<'get', P>?] : [Needs<'get', P>]
): Promise<Gives<'get', P>> {
  return apiKept<Gives<'get', P>>(addressOf(path, (needs ?? {}) as object));
}
