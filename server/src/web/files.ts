import express, { Router } from 'express';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ProblemError } from '../problems/kinds';

/**
 * Serve the built web target. Files that were compressed at build time go out
 * as they are; names with a hash in them may be kept for ever.
 */
export function webFiles(webDir: string): Router {
  const routes = Router();
  routes.use((req, res, next) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') return next();
    const path = decoded(req.path);
    if (path === null)
      return next(
        new ProblemError(
          'not-found',
          'There is no such address; its % signs do not stand for letters.',
        ),
      );
    const target = path === '/' || !existsSync(join(webDir, path)) ? fallback(path) : path;
    if (!target) return next();
    const brotli = `${target}.br`;
    if (/\bbr\b/.test(req.get('accept-encoding') ?? '') && existsSync(join(webDir, brotli))) {
      res.set({ 'content-encoding': 'br', vary: 'accept-encoding' });
      req.url = brotli;
    } else {
      req.url = target;
    }
    res.set(
      'cache-control',
      /-[0-9a-f]{16,}\./.test(target) ? 'public, max-age=31536000, immutable' : 'no-cache',
    );
    next();
  });
  routes.use(express.static(webDir, { cacheControl: false, setHeaders: keepType }));
  return routes;
}

/** The path with its % signs read, or null when they cannot be. */
function decoded(path: string): string | null {
  try {
    return decodeURIComponent(path);
  } catch {
    return null;
  }
}

/** Any page address opens the app; a missing file is missing. */
function fallback(path: string): string | null {
  return /\.[a-z0-9]+$/i.test(path) && path !== '/' ? null : '/index.html';
}

/** A compressed file keeps the type of what it holds. */
function keepType(
  res: { getHeader(name: string): unknown; setHeader(name: string, value: string): unknown },
  path: string,
): void {
  const inner = path.endsWith('.br') ? path.slice(0, -3) : null;
  if (inner)
    res.setHeader(
      'content-type',
      TYPES[inner.slice(inner.lastIndexOf('.') + 1)] ?? 'application/octet-stream',
    );
}

const TYPES: Readonly<Record<string, string>> = {
  html: 'text/html; charset=utf-8',
  js: 'text/javascript; charset=utf-8',
  css: 'text/css; charset=utf-8',
  svg: 'image/svg+xml',
  json: 'application/json',
  map: 'application/json',
  txt: 'text/plain; charset=utf-8',
};
