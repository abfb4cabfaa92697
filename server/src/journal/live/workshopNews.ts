import type { WorkshopBeat } from '@brook/contract';
import { JOB_BEAT_MS } from '@brook/contract/beats';
import { Router } from 'express';
import { actorOf } from '../../session/actor';
import { hashOf } from '../../session/code';
import { takeLine } from './lines';
import type { LiveOptions } from './routes';
import { openStream, sendTo } from './stream';

/**
 * A line to a workshop: it says that what may be driven, or what a vehicle owes,
 * changed, and nothing of what. The page that shows it asks anew.
 */
export function workshopNewsRoutes({ news, clock, stillIn }: LiveOptions): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    const { workshopId, userId: person } = actorOf(req);
    const line = await takeLine({ workshopId, person }, clock.now());
    if (!line) {
      res.status(204).end();
      return;
    }
    if (res.destroyed) return line.end();
    openStream(res);
    const say = (event: 'changed' | 'beat') => {
      const now: WorkshopBeat = { nowMs: clock.now().getTime() };
      if (!res.writableEnded) sendTo(res, event, now);
    };
    const beat = async () => {
      if (!(await stillIn(req))) return void res.end();
      await line.beat(clock.now());
      say('beat');
    };
    // No beat tells the page that the record cannot be reached.
    const tryBeat = () =>
      void beat().catch((error: unknown) =>
        req.log?.warn({ err: error }, 'line to the workshop could not beat'),
      );
    const leave = [
      news.subscribe(workshopId, () => say('changed')),
      news.subscribe(hashOf(req.sessionID), tryBeat),
    ];
    const timer = setInterval(tryBeat, JOB_BEAT_MS);
    res.on('close', () => {
      clearInterval(timer);
      for (const stop of leave) stop();
      void line.end();
    });
    tryBeat();
  });
  return routes;
}
