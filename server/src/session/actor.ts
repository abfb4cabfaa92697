import type { Role, Session } from '@brook/contract';
import { METRIC, type UnitChoice } from '@brook/core/base/units';
import type { Request, RequestHandler } from 'express';
import type { Clock } from '../http/clock';
import { User, Workshop } from '../db/models';
import { oneRow } from '../db/oneRow';
import { ProblemError } from '../http/problems/kinds';

/** Who acts, and for which workshop; every service takes one. */
export interface Actor {
  readonly userId: string;
  readonly name: string;
  readonly role: Role;
  readonly workshopId: string;
  /** In which this person reads what is printed. */
  readonly units: UnitChoice;
  /** The phone or computer in hand, as it names itself. */
  readonly deviceId: string;
}

declare module 'express-session' {
  interface SessionData {
    userId: string;
    /** When the person signed in, milliseconds since 1970. */
    signedInMs: number;
  }
}

/** A session that is used ends all the same after so many days. */
export const GREATEST_AGE_DAYS = 7;

declare global {
  // Express's own way to extend a request.
  namespace Express {
    interface Request {
      actor?: Actor;
    }
  }
}

/** Who is signed in, or null: nobody, somebody who left, or a session that is too old. */
export async function userOf(req: Request, clock: Clock): Promise<User | null> {
  const { userId, signedInMs } = req.session;
  if (!userId) return null;
  // A session from before ages were kept counts from its first use since.
  req.session.signedInMs = signedInMs ?? clock.now().getTime();
  if (clock.now().getTime() - req.session.signedInMs > GREATEST_AGE_DAYS * 86_400_000) return null;
  const user = await oneRow(User, { where: 'id = :userId', given: { userId } });
  return user && !user.leftAt ? user : null;
}

/** Read a session anew. @returns whether it is there still */
export const sessionStands = (req: Request): Promise<boolean> =>
  new Promise((resolve, reject) =>
    req.session.reload((error?: Error) => {
      if (!error) resolve(true);
      else if (error.message === 'failed to load session') resolve(false);
      else reject(error);
    }),
  );

export const signedOut = (): ProblemError => new ProblemError('signed-out', 'Sign in to go on.');

/** Let nobody past who is not signed in. */
export const requireActor =
  (clock: Clock): RequestHandler =>
  async (req, _res, next) => {
    const user = await userOf(req, clock);
    if (!user) throw signedOut();
    req.actor = actorFor(user, req.get('brook-device'));
    next();
  };

/** A device that did not name itself. */
export const NO_DEVICE = '00000000-0000-0000-0000-000000000000';
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** The actor for a user, with the device that the request named. */
export function actorFor(user: User, device?: string): Actor {
  const deviceId = device !== undefined && UUID.test(device) ? device : NO_DEVICE;
  const { id: userId, name, role, workshopId } = user;
  return { userId, name, role, workshopId, deviceId, units: user.units ?? METRIC };
}

/** The actor that `requireActor` has put there. */
export function actorOf(req: Request): Actor {
  if (!req.actor) throw signedOut();
  return req.actor;
}

/** The session as the client sees it. */
export async function sessionOf(user: User): Promise<Session> {
  const workshop = await Workshop.findByPk(user.workshopId, { rejectOnEmpty: true });
  return {
    user: { id: user.id, name: user.name, role: user.role, units: user.units ?? METRIC },
    workshop: { id: workshop.id, name: workshop.name, timeZone: workshop.timeZone },
  };
}
