import type { QueryClient } from '@tanstack/react-query';
import { api } from './api';
import { keepSending } from './sender';
import { touch, whenBack } from './touch';

const ASK_MS = 3_000;
let begun = false;

/** What goes on while the app is open, whatever page is looked at: what waits is sent, and a server that was gone is asked for until it is back. */
export function workInBackground(client: QueryClient): void {
  if (begun) return;
  begun = true;
  keepSending(client);
  let asking: ReturnType<typeof setInterval> | null = null;
  const ask = () => void api('/session').catch(() => undefined);
  touch.subscribe(() => {
    if (asking) clearInterval(asking);
    asking = touch.outSinceMs() === null ? null : setInterval(ask, ASK_MS);
  });
  window.addEventListener('online', ask);
  // What others did meanwhile.
  whenBack(() => void client.invalidateQueries());
}
