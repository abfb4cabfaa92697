import { runEventBatch } from '@brook/contract';
import { Router } from 'express';
import type { Clock } from '../clock';
import { parse, pathId } from '../http/parse';
import { getJob } from '../jobs/service';
import { actorOf } from '../session/actor';
import { appendEvents } from './service';

/** The log of a job's run. */
export function runRoutes(clock: Clock): Router {
  const routes = Router();
  routes.post('/:id/events', async (req, res) => {
    const { events } = parse(runEventBatch, req.body);
    const added = await appendEvents(actorOf(req), pathId(req), events, clock.now());
    const { stage, version, drive } = await getJob(actorOf(req), pathId(req), clock.now());
    res.json({ added, stage, version, drive });
  });
  return routes;
}
