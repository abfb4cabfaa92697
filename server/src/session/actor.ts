import type { Role, Session } from '@brook/contract';
import type { Request, RequestHandler } from 'express';
import { User, Workshop } from '../db/models';
import { ProblemError } from '../problems/kinds';

/** Who acts, and for which workshop; every service takes one. */
export interface Actor {
  readonly userId: string;
  readonly name: string;
  readonly role: Role;
  readonly workshopId: string;
  /** The phone or computer in hand, as it names itself. */
  readonly deviceId: string;
}

declare module 'express-session' {
  interface SessionData {
    userId: string;
  }
}

declare global {
  // Express's own way to extend a request.
  namespace Express {
    interface Request {
      actor?: Actor;
    }
  }
}

/** Let nobody past who is not signed in. */
export const requireActor: RequestHandler = async (req, _res, next) => {
  const user = req.session.userId ? await User.findByPk(req.session.userId) : null;
  if (!user) throw new ProblemError('signed-out', 'Sign in to go on.');
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
  return { userId, name, role, workshopId, deviceId };
}

/** The actor that `requireActor` has put there. */
export function actorOf(req: Request): Actor {
  if (!req.actor) throw new ProblemError('signed-out', 'Sign in to go on.');
  return req.actor;
}

/** The session as the client sees it. */
export async function sessionOf(user: User): Promise<Session> {
  const workshop = await Workshop.findByPk(user.workshopId, { rejectOnEmpty: true });
  return {
    user: { id: user.id, name: user.name, role: user.role },
    workshop: { id: workshop.id, name: workshop.name, timeZone: workshop.timeZone },
  };
}
