import {
  changePassword,
  joinWorkshop,
  newInvitation,
  personChange,
  signIn,
  unitChoice,
  wholeQuery,
} from '@brook/contract';
import { Router, type Request } from 'express';
import type { Clock } from '../http/clock';
import { User } from '../db/models';
import { parse, pathId } from '../http/parse';
import { smallBody } from '../http/readable';
import { ProblemError } from '../http/problems/kinds';
import { actorOf, requireActor, sessionOf, signedOut, userOf } from './actor';
import { hashPassword, passwordMatches } from './password';
import { invite, joinBy, openInvitations, takeBack } from './invitations';
import { endSessions, listPeople, setLeft } from './people';
import { forgetTries, pairOf, takeTry, tryCode } from './tries';

/** Sign in, who am I, change the password, sign out. */
export function sessionRoutes(clock: Clock): Router {
  const routes = Router();

  routes.post('/', ...smallBody, async (req, res) => {
    const { login, password } = parse(signIn, req.body);
    const pair = pairOf(login, req.ip);
    await takeTry(pair, clock.now());
    const user = await User.findOne({ where: { login: login.toLowerCase() } });
    const matches = await passwordMatches(user?.passwordHash ?? (await decoyHash), password);
    if (!user || user.leftAt || !matches)
      throw new ProblemError('signed-out', 'Name or password is not right.');
    await forgetTries(pair);
    await begin(req, user, clock.now());
    res.status(201).json(await sessionOf(user));
  });

  routes.post('/join', ...smallBody, async (req, res) => {
    const given = parse(joinWorkshop, req.body);
    const at = clock.now();
    const tried = { code: given.code, address: req.ip };
    const user = await tryCode('invitation code', tried, at, () => joinBy(given, at));
    await begin(req, user, clock.now());
    res.status(201).json(await sessionOf(user));
  });

  routes.put('/units', requireActor(clock), ...smallBody, async (req, res) => {
    const units = parse(unitChoice, req.body);
    const user = await User.findByPk(actorOf(req).userId, { rejectOnEmpty: true });
    await user.update({ units });
    res.json(await sessionOf(user));
  });

  routes.get('/', async (req, res) => {
    const user = await userOf(req, clock);
    if (!user) throw signedOut();
    res.json(await sessionOf(user));
  });

  routes.put('/password', requireActor(clock), ...smallBody, async (req, res) => {
    const given = parse(changePassword, req.body);
    const user = await User.findByPk(actorOf(req).userId, { rejectOnEmpty: true });
    const pair = pairOf(user.login, req.ip);
    await takeTry(pair, clock.now());
    if (!(await passwordMatches(user.passwordHash, given.old)))
      throw new ProblemError('invalid', 'The password of today is another.', [
        { field: 'old', sentence: 'The password of today is another.' },
      ]);
    await forgetTries(pair);
    await user.update({ passwordHash: await hashPassword(given.new) });
    await endSessions(user.id, { except: req.sessionID });
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

/** The people of a workshop, for its leads. */
export function peopleRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    const asked = parse(wholeQuery, req.query);
    const page = await listPeople(actorOf(req), asked);
    const first = asked.cursor === undefined;
    const invited = first ? await openInvitations(actorOf(req), clock.now()) : [];
    res.json({ ...page, invited });
  });
  routes.post('/invitations', async (req, res) => {
    const made = await invite(actorOf(req), parse(newInvitation, req.body), clock.now());
    res.status(201).json(made);
  });
  routes.delete('/invitations/:id', async (req, res) => {
    await takeBack(actorOf(req), pathId(req), clock.now());
    res.status(204).end();
  });
  routes.put('/:id', async (req, res) => {
    const { left } = parse(personChange, req.body);
    res.json(await setLeft(actorOf(req), pathId(req), left, clock.now()));
  });
  return routes;
}

/** Sign somebody in. Kept before it is said: a session that could not be written is no sign-in. */
async function begin(req: Request, user: User, at: Date): Promise<void> {
  await renewSession(req);
  req.session.userId = user.id;
  req.session.signedInMs = at.getTime();
  await saved(req);
}

const renewSession = (req: Request): Promise<void> =>
  new Promise((resolve, reject) =>
    req.session.regenerate((error) => (error ? reject(error) : resolve())),
  );

const saved = (req: Request): Promise<void> =>
  new Promise((resolve, reject) =>
    req.session.save((error?: Error) => (error ? reject(error) : resolve())),
  );

/** Compared with when the name is unknown, so that the time taken tells nothing. */
const decoyHash = hashPassword('nobody signs in with this');
