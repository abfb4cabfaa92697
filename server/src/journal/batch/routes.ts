import { eventBatch, vehicleEventBatch } from '@brook/contract';
import { Router } from 'express';
import type { Clock } from '../../http/clock';
import { parse, pathId } from '../../http/parse';
import { refused } from '../../http/problems/kinds';
import { actorOf } from '../../session/actor';
import { takeBatch } from './batch';
import { takeVehicleBatch } from './vehicleBatch';

/** The log of a job. */
export function jobLogRoutes(clock: Clock): Router {
  const routes = Router();
  routes.post('/:id/events', async (req, res) => {
    const batch = parse(eventBatch, req.body);
    const actor = actorOf(req);
    // What one person tapped never goes into the record under another's name.
    if (batch.personId !== undefined && batch.personId !== actor.userId)
      throw refused(
        `Somebody else tapped this; it is taken when they sign in. Now ${actor.name} is signed in.`,
      );
    res.json(await takeBatch(actor, pathId(req), batch, clock.now()));
  });
  return routes;
}

/** The own log of a vehicle. */
export function vehicleLogRoutes(clock: Clock): Router {
  const routes = Router();
  routes.post('/:id/events', async (req, res) => {
    const { events } = parse(vehicleEventBatch, req.body);
    const answers = await takeVehicleBatch(actorOf(req), pathId(req), events, clock.now());
    res.json({ answers });
  });
  return routes;
}
