import { newHandOver } from '@brook/contract';
import { Router } from 'express';
import type { Clock } from '../clock';
import { parse } from '../http/parse';
import { actorOf } from '../session/actor';
import { getWaste, handOverDrum } from './service';

/** The waste drum. */
export function wasteRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    res.json(await getWaste(actorOf(req)));
  });
  routes.post('/hand-overs', async (req, res) => {
    await handOverDrum(actorOf(req), parse(newHandOver, req.body), clock.now());
    res.status(201).json(await getWaste(actorOf(req)));
  });
  return routes;
}
