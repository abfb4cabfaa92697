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
  req.actor = { userId: user.id, name: user.name, role: user.role, workshopId: user.workshopId };
  next();
};

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
