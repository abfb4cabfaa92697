import { signIn } from '@brook/contract';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { User } from '../db/models';
import { parse } from '../http/parse';
import { ProblemError } from '../problems/kinds';
import { sessionOf } from './actor';
import { hashPassword, passwordMatches } from './password';

/** Wrong tries that one address has in a quarter of an hour. */
const TRIES = 20;

/** Sign in, who am I, sign out. */
export function sessionRoutes(): Router {
  const routes = Router();
  const limiter = rateLimit({
    windowMs: 15 * 60_000,
    limit: TRIES,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new ProblemError(
        'too-many',
        'Too many wrong tries from here. Wait a quarter of an hour.',
      );
    },
  });

  routes.post('/', limiter, async (req, res) => {
    const { login, password } = parse(signIn, req.body);
    const user = await User.findOne({ where: { login: login.toLowerCase() } });
    const matches = await passwordMatches(user?.passwordHash ?? (await decoyHash), password);
    if (!user || !matches) throw new ProblemError('signed-out', 'Name or password is not right.');
    await new Promise<void>((resolve, reject) =>
      req.session.regenerate((error) => (error ? reject(error) : resolve())),
    );
    req.session.userId = user.id;
    res.status(201).json(await sessionOf(user));
  });

  routes.get('/', async (req, res) => {
    const user = req.session.userId ? await User.findByPk(req.session.userId) : null;
    if (!user) throw new ProblemError('signed-out', 'Sign in to go on.');
    res.json(await sessionOf(user));
  });

  routes.delete('/', async (req, res) => {
    await new Promise<void>((resolve, reject) =>
      req.session.destroy((error) => (error ? reject(error) : resolve())),
    );
    res.clearCookie('brook.sid').status(204).end();
  });
  return routes;
}

/** Compared with when the name is unknown, so that the time taken tells nothing. */
const decoyHash = hashPassword('nobody signs in with this');
