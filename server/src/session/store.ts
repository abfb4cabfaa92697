import connectPgSimple from 'connect-pg-simple';
import session, { type SessionData } from 'express-session';

/** A session that is used is written down so often at most: its end is counted in hours. */
const WRITTEN_EVERY_MS = 60_000;

const PgStore = connectPgSimple(session);

/** The session store, which does not write at every question that a session is in use still. */
export class SessionStore extends PgStore {
  private readonly written = new Map<string, number>();

  override touch(sid: string, data: SessionData, done?: () => void): void {
    const now = Date.now();
    if (now - (this.written.get(sid) ?? 0) < WRITTEN_EVERY_MS) {
      done?.();
      return;
    }
    // What is long past needs no remembering.
    for (const [old, at] of this.written) if (now - at > WRITTEN_EVERY_MS) this.written.delete(old);
    this.written.set(sid, now);
    super.touch(sid, data, done);
  }
}
