/** Held by every page that shows a job: while one does, no new version takes over. */
const IN_JOB = 'brook.in-job';
const LOOK_FOR_NEW_MS = 600_000;

/** Whether this address allows the app to open without the server. A browser allows it only where nobody on the way can change it. */
export const opensWithoutServer = (): boolean =>
  window.isSecureContext && 'serviceWorker' in navigator;

/** Keep the app on this phone, so that it opens without the server. */
export function keepApp(): void {
  if (!opensWithoutServer() || process.env.NODE_ENV !== 'production') return;
  const first = navigator.serviceWorker.controller === null;
  let reloading = false;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    // The first worker only begins; a later one brings the pages that belong to it.
    if (first || reloading) return;
    reloading = true;
    window.location.reload();
  });
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

let lookedAtMs = 0;

/** Between jobs: look for a new version, and let one that waits take over unless another page of this phone shows a job. */
export async function takeNewVersion(): Promise<void> {
  if (!opensWithoutServer()) return;
  const registration = await navigator.serviceWorker.getRegistration();
  if (!registration) return;
  if (Date.now() - lookedAtMs > LOOK_FOR_NEW_MS) {
    lookedAtMs = Date.now();
    await registration.update().catch(() => undefined);
  }
  const { waiting } = registration;
  if (!waiting) return;
  await navigator.locks.request(IN_JOB, { ifAvailable: true }, (free) => {
    if (free) waiting.postMessage({ type: 'SKIP_WAITING' });
  });
}

/** A page shows a job. @returns how to say that it no longer does */
export function inJob(): () => void {
  if (!('locks' in navigator)) return () => {};
  let leave = () => {};
  const left = new Promise<void>((resolve) => (leave = resolve));
  void navigator.locks.request(IN_JOB, { mode: 'shared' }, () => left);
  return leave;
}
