import { MEDIA_LIMIT_BYTES, wholeQuery } from '@brook/contract';
import { raw, Router } from 'express';
import type { Clock } from '../http/clock';
import { parse, pathId } from '../http/parse';
import { ProblemError } from '../http/problems/kinds';
import { actorOf } from '../session/actor';
import { getMedia, mediaOfJob, putMedia, toldBy } from './service';

/** What a phone may say that it sends; what it is, is looked at. */
const TYPES = ['image/jpeg', 'image/png', 'image/webp', 'audio/wav', 'audio/x-wav'];

/** Photos and voice notes as such. */
export function mediaRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/:id', async (req, res) => {
    const { contentType, content } = await getMedia(actorOf(req), pathId(req));
    res.type(contentType).send(content);
  });
  // Of what nobody told nothing is read.
  routes.put('/:id', async (req, _res, next) => {
    await toldBy(actorOf(req), pathId(req));
    next();
  });
  routes.put('/:id', raw({ type: TYPES, limit: MEDIA_LIMIT_BYTES }), async (req, res) => {
    if (!Buffer.isBuffer(req.body) || req.body.length === 0)
      throw new ProblemError(
        'not-json',
        `Send the photo or voice note itself, as one of ${TYPES.slice(0, 4).join(', ')}.`,
      );
    await putMedia(actorOf(req), pathId(req), req.body, clock.now());
    res.status(204).end();
  });
  return routes;
}

/** Which of a job are with the workshop. */
export function jobMediaRoutes(): Router {
  const routes = Router();
  routes.get('/:id/media', async (req, res) => {
    res.json(await mediaOfJob(actorOf(req), pathId(req), parse(wholeQuery, req.query)));
  });
  return routes;
}
