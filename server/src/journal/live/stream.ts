import type { Response } from 'express';

/** Begin an answer of server-sent events (HTML Living Standard, 9.2). */
export function openStream(res: Response): void {
  res.writeHead(200, {
    'content-type': 'text/event-stream; charset=utf-8',
    'cache-control': 'no-cache, no-transform',
    'x-accel-buffering': 'no',
  });
  // Ask again soon after the line was lost, whatever the browser's own habit.
  res.write('retry: 1000\n\n');
}

/** Send one event; with an id the browser says after a break how far it came. */
export function sendTo(res: Response, event: string, data: unknown, id?: number): void {
  res.write(
    `event: ${event}\n${id === undefined ? '' : `id: ${id}\n`}data: ${JSON.stringify(data)}\n\n`,
  );
}
