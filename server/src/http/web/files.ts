import express, { Router } from 'express';
import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';

/**
 * Serve the built web target. Files that were compressed at build time go out
 * as they are; names with a hash in them may be kept for ever.
 */
export function webFiles(webDir: string): Router {
  const routes = Router();
  const files = namesBelow(webDir);
  routes.use((req, res, next) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') return next();
    const path = decodeURIComponent(req.path);
    const target = files.has(path) ? path : fallback(path);
    if (!target) return next();
    const brotli = `${target}.br`;
    if (/\bbr\b/.test(req.get('accept-encoding') ?? '') && files.has(brotli)) {
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

/** The addresses of what was built. Nothing is asked of the disk by a name that came from outside: that would tell which other files there are. */
function namesBelow(webDir: string): ReadonlySet<string> {
  const names = readdirSync(webDir, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.startsWith('.'))
    .map((entry) => `/${relative(webDir, join(entry.parentPath, entry.name))}`);
  return new Set(names);
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
